import { PART_KINDS, type PartKind, type PartOffer } from '@intervex/core';
import Joi from 'joi';
import { offerSchema } from '../../plan-schema';

/** What the counter answers, checked field by field before it is believed. */
export const counterSchema = Joi.object<{ kind: PartKind; total: number; offers: readonly PartOffer[] }>({
  kind: Joi.string()
    .valid(...PART_KINDS)
    .required(),
  total: Joi.number().integer().min(0).required(),
  offers: Joi.array().items(offerSchema).max(20_000).required(),
});

import Joi from 'joi';
import type { SetShims, Trial } from '@intervex/core';
import { DIFFICULTIES, type PracticeSet, type SetTruth } from '../../wire';

const mm = (most: number) => Joi.number().min(0).max(most).required();
const shims = { pinionShim: mm(8), ringSide: mm(12), otherSide: mm(12) };
const share = Joi.number().min(-1).max(1).required();
const contact = Joi.object({ along: share, across: share }).required();

/** What a gear set shows with the shims that were put in, checked before it is believed. */
export const shownSchema = Joi.object<Trial>({
  ...shims,
  backlash: Joi.array().items(Joi.number().min(0).max(2)).min(4).max(24).required(),
  drive: contact,
  coast: contact,
});

export const practiceSetSchema = Joi.object<PracticeSet>({
  id: Joi.string().uuid().required(),
  difficulty: Joi.string()
    .valid(...DIFFICULTIES)
    .required(),
  first: Joi.object<SetShims>(shims).required(),
  trials: Joi.array().items(shownSchema).max(99).required(),
  truth: Joi.object<SetTruth>({
    ...shims,
    carrierGain: Joi.number().min(0).max(5).required(),
    pinionGain: Joi.number().min(0).max(5).required(),
    runout: mm(1),
  }),
});

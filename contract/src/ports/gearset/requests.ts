import Joi from 'joi';
import type { SetShims } from '@intervex/core';
import { DIFFICULTIES, type Difficulty } from '../../wire';

const mm = (most: number) => Joi.number().min(0).max(most).required();

export const practiceSchema = Joi.object<{ difficulty: Difficulty }>({
  difficulty: Joi.string()
    .valid(...DIFFICULTIES)
    .required(),
});
/** Shims that are put in, mm, each pack as a whole. */
export const shimsSchema = Joi.object<SetShims>({
  pinionShim: mm(8),
  ringSide: mm(12),
  otherSide: mm(12),
});

import { PART_KINDS, RETENTIONS, type PartKind } from '@intervex/core';
import type { PairQuestion } from '@intervex/core/desks/shafts';
import Joi from 'joi';

/** A question to the parts counter: what kind, and the sizes that matter, mm. */
export interface PartsQuery {
  readonly kind: PartKind;
  readonly inside?: number;
  readonly outside?: number;
  readonly width?: number;
  /** The journal may be ordered to the part. */
  readonly open: boolean;
  /** Dimensions that have to agree to 0.3 mm, by name. */
  readonly near: Readonly<Record<string, number>>;
  /** Dimensions that the list is ordered by, those that come nearest in all of them together first. */
  readonly like: Readonly<Record<string, number>>;
}
/** Reads `rim:13,pcd:108.04` as dimensions by name. */
const nearText: Joi.CustomValidator = (text: string, helpers) => {
  const parts = text.split(',').map((part) => /^([a-zA-Z]{1,30}):(-?\d+(?:\.\d+)?)$/.exec(part.trim()));
  if (parts.some((part) => !part)) return helpers.error('near.form');
  return Object.fromEntries(parts.map((part) => [part?.[1], Number(part?.[2])]));
};

const dimensions = Joi.string()
  .max(200)
  .custom(nearText)
  .default({})
  .messages({ 'near.form': 'must be dimensions such as rim:13,pcd:108.04' });
const size = Joi.number().min(0.1).max(2000);
export const partsQuerySchema = Joi.object<PartsQuery>({
  kind: Joi.string()
    .valid(...PART_KINDS)
    .required(),
  inside: size,
  outside: size,
  width: size,
  open: Joi.boolean().default(false),
  near: dimensions,
  like: dimensions,
}).and('inside', 'outside');

const mm = (least: number, most: number) => Joi.number().min(least).max(most);
const sided = (of: Joi.NumberSchema) => Joi.object({ left: of.required(), right: of.required() }).required();

/** What the search for stock shafts asks. */
export const pairQuestionSchema = Joi.object<PairQuestion>({
  wanted: Joi.object({
    teeth: Joi.number().integer().min(6).max(80).required(),
    pitch: Joi.number().min(4).max(64),
    journal: mm(15, 90),
    journalUnder: mm(0, 5),
    holes: Joi.number().integer().min(3).max(10),
    pcd: mm(80, 260),
    spline: mm(5, 250),
    retention: Joi.string().valid(...RETENTIONS),
    bearingBore: mm(20, 200),
    bearingRoom: mm(3, 120),
    sealJournal: mm(10, 150),
    drill: Joi.object({
      hole: mm(5, 40).required(),
      ligament: mm(0, 60).required(),
      ligamentShare: Joi.number().min(0).max(5).required(),
      edgeShare: Joi.number().min(0).max(5).required(),
    }),
  }).required(),
  axle: Joi.object({
    half: sided(mm(100, 1500)),
    shaft: sided(mm(50, 1500)),
    leastHalf: sided(mm(0, 1500)),
  }).required(),
  target: Joi.object({ width: mm(400, 2800).required(), pinion: mm(-500, 500) }).required(),
});

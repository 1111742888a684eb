import {
  ANGLE_IDS,
  CHOICE_FIELDS,
  FACT_EVIDENCE,
  FACTS,
  instrumentsFor,
  LIMIT_IDS,
  LIMITS,
  OFFER_SHAPE,
  PART_FIELDS,
  QUANTITIES,
  refuseValue,
  SEARCH_IDS,
  SEARCH_SHAPE,
  showValue,
  VERDICT_FIELDS,
  type AnyField,
  type FactKind,
  type Limit,
  type PartOffer,
  type Plan,
  type Quantity,
} from '@intervex/core';
import Joi from 'joi';
import { joiOf } from './joi-of';
import { freeText, idText, keyText, nameText, timeText } from './text';

/** Most repeats of one reading; beyond it the earlier ones should have been settled. */
const MAX_REPEATS = 20;

const valueOf = (quantity: Quantity) =>
  Joi.number()
    .required()
    .custom((value: number, helpers) => {
      const wrong = refuseValue(quantity, value);
      return wrong ? helpers.error('quantity.range', { sentence: wrong }) : value;
    })
    .messages({ 'quantity.range': '{{#sentence}}' });

const readingOf = (quantity: Quantity) =>
  Joi.object({
    repeats: Joi.array()
      .items(
        Joi.object({
          value: valueOf(quantity),
          typed: freeText(60).allow(''),
          who: nameText(60),
          at: timeText(),
        }),
      )
      .min(1)
      .max(MAX_REPEATS)
      .required(),
    instrument: Joi.string()
      .valid(...instrumentsFor(quantity.unit))
      .required()
      .messages({ 'any.only': '{{#label}} must be what reads this: {{#valids}}' }),
    datum: freeText(80).allow(''),
    note: freeText(500).allow(''),
    ...zeroOf(quantity),
  });

/** Only angles are read against another, and none against itself. */
const zeroOf = ({ id, relative }: Quantity) =>
  relative ? { zeroedOn: Joi.string().valid(...ANGLE_IDS.filter((other) => other !== id)) } : {};

const limitOf = (limit: Limit) =>
  Joi.object({
    value: Joi.number()
      .min(limit.min)
      .max(limit.max)
      .required()
      .messages({
        'number.min': `must be at least ${showValue(limit.min, limit.unit)}`,
        'number.max': `must be at most ${showValue(limit.max, limit.unit)}`,
      }),
    reason: freeText(300).min(3).required(),
  });

const acceptance = Joi.object({
  reason: freeText(300).min(3).required(),
  figure: Joi.number().allow(null).required(),
  who: nameText(60).required(),
  at: timeText().required(),
});

const factOf = ({ options }: FactKind) =>
  Joi.object({
    value: Joi.string()
      .valid(...options.map((o) => o.value))
      .required(),
    evidence: Joi.string()
      .valid(...FACT_EVIDENCE)
      .required(),
    note: freeText(500).allow(''),
    who: nameText(60),
    at: timeText(),
  });

/** A part as the counter offers it; also what its answers are checked by. */
export const offerSchema = joiOf(OFFER_SHAPE) as Joi.ObjectSchema<PartOffer>;

/** Where a photo belongs: a quantity, `fact.` and a fact, `donor`, or `check.` and a check. */
const PLACE = /^[a-zA-Z0-9.]{1,90}$/;

const photo = Joi.object({
  place: Joi.string().pattern(PLACE, 'place').required(),
  caption: freeText(200).allow('').required(),
  who: nameText(60).required(),
  at: timeText().required(),
});

/** A check's id: letters, figures and dots. */
const CHECK_ID = /^[a-zA-Z0-9.-]{1,80}$/;

const required = (fields: Readonly<Record<string, AnyField>>) =>
  Object.fromEntries(Object.entries(fields).map(([key, { shape }]) => [key, joiOf(shape).required()]));
const optional = (fields: Readonly<Record<string, AnyField>>) =>
  Object.fromEntries(Object.entries(fields).map(([key, { shape }]) => [key, joiOf(shape)]));
const byId = <T extends { readonly id: string }>(list: readonly T[], of: (one: T) => Joi.Schema) =>
  Joi.object(Object.fromEntries(list.map((one) => [one.id, of(one)]))).required();

const PARTS = {
  ...required(PART_FIELDS),
  choices: Joi.object(required(CHOICE_FIELDS)).required(),
  readings: byId(QUANTITIES, readingOf),
  limits: byId(
    LIMIT_IDS.map((id): Limit => LIMITS[id]),
    limitOf,
  ),
  accepted: Joi.object().pattern(keyText(CHECK_ID), acceptance).max(200).required(),
  facts: byId(FACTS, factOf),
  searches: Joi.object(Object.fromEntries(SEARCH_IDS.map((id) => [id, joiOf(SEARCH_SHAPE)]))).required(),
  verdicts: Joi.object(
    Object.fromEntries(Object.entries(VERDICT_FIELDS).map(([on, { shape }]) => [on, joiOf(shape)])),
  ).required(),
  photos: Joi.object().pattern(idText(), photo).max(500).required(),
};

/** The plan as it crosses the wire and stands in a file. Unknown fields are refused by name. */
export const planSchema = Joi.object<Plan>(PARTS);

/** What of a plan was changed: any of its parts, any of their entries. */
export const planPartsSchema = Joi.object<{ plan: object }>({
  plan: planSchema
    .fork(Object.keys(PARTS), (part) => part.optional())
    .keys({ choices: Joi.object(optional(CHOICE_FIELDS)) })
    .required(),
});

import {
  ANGLE_IDS,
  BRAKE_VERDICTS,
  CHORD_OVER,
  CUT_METHODS,
  DIFFERENTIALS,
  FACT_EVIDENCE,
  FACTS,
  HOLES,
  instrumentsFor,
  JIGS,
  JOINT_IDS,
  LAUNCHES,
  LIMIT_IDS,
  LIMITS,
  MARK_DATUMS,
  PART_KINDS,
  PATTERN_FACES,
  PATTERN_ROUTES,
  QUANTITIES,
  REACTIONS,
  refuseValue,
  RETENTIONS,
  SCHOOLS,
  SEARCH_IDS,
  SHAFT_ROUTES,
  showValue,
  SIDES,
  SKILLS,
  SPACERS,
  TOOLS,
  USES,
  VERDICTS,
  type FactKind,
  type Limit,
  type PartOffer,
  type Plan,
  type Quantity,
  type TorquePoint,
} from '@intervex/core';
import Joi from 'joi';
import { freeText, nameText } from './text';

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
          at: Joi.string().isoDate(),
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
const zeroOf = ({ id }: Quantity) =>
  ANGLE_IDS.includes(id) ? { zeroedOn: Joi.string().valid(...ANGLE_IDS.filter((other) => other !== id)) } : {};

const oneOf = (values: readonly string[]) =>
  Joi.string()
    .valid(...values)
    .required();

const listOf = (values: readonly string[]) =>
  Joi.array()
    .items(Joi.string().valid(...values))
    .unique();

/** A curve's points must stand in order of their speed. */
const rising: Joi.CustomValidator<readonly TorquePoint[]> = (points, helpers) =>
  points.every((p, i) => i === 0 || p.rpm > (points[i - 1]?.rpm ?? -1))
    ? points
    : helpers.error('curve.rising');

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
  at: Joi.string().isoDate().required(),
});

const written = { who: nameText(60), at: Joi.string().isoDate() };
const money = Joi.number().min(0).max(1_000_000);

const factOf = ({ options }: FactKind) =>
  Joi.object({
    value: oneOf(options.map((o) => o.value)),
    evidence: oneOf(FACT_EVIDENCE),
    note: freeText(500).allow(''),
    ...written,
  });

const jointNote = Joi.object({
  work: freeText(300).allow(''),
  cost: money,
  hours: Joi.number().min(0).max(1000),
  owner: nameText(60).allow(''),
  verdict: Joi.string().valid(...VERDICTS),
  // A verdict against the computed one stands with its reason.
  reason: Joi.when('verdict', {
    is: Joi.exist(),
    then: freeText(300).min(3).required(),
    otherwise: freeText(300).allow(''),
  }),
});

const sizes = Joi.object().pattern(/^[a-zA-Z]{1,30}$/, Joi.number().min(0).max(10_000));

/** A part as the counter offers it; also what its answers are checked by. */
export const offerSchema = Joi.object<PartOffer>({
  number: freeText(40).required(),
  name: freeText(120).required(),
  kind: oneOf(PART_KINDS),
  seller: freeText(80).required(),
  price: money.required(),
  stock: Joi.number().integer().min(0).max(1_000_000).required(),
  leadDays: Joi.number().integer().min(0).max(2000).required(),
  size: sizes.required(),
});

const search = Joi.object({
  asked: sizes.required(),
  of: Joi.number().integer().min(0).max(1_000_000).required(),
  found: Joi.array().items(offerSchema).max(40).required(),
  chosen: freeText(40),
  from: oneOf(['counter', 'list']),
  at: Joi.string().isoDate().required(),
  who: nameText(60).required(),
});

const verdictOf = (values: readonly string[]) =>
  Joi.object({
    verdict: oneOf(values),
    reason: freeText(300).min(3).required(),
    who: nameText(60).required(),
    at: Joi.string().isoDate().required(),
  });

/** Where a photo belongs: a quantity, `fact.` and a fact, `donor`, or `check.` and a check. */
const PLACE = /^[a-zA-Z0-9.]{1,90}$/;

const photo = Joi.object({
  place: Joi.string().pattern(PLACE, 'place').required(),
  caption: freeText(200).allow('').required(),
  who: nameText(60).required(),
  at: Joi.string().isoDate().required(),
});

/** Name of one thing in a list of the builder’s. */
const ITEM_ID = /^[a-zA-Z0-9-]{1,40}$/;

const tubeItem = Joi.object({
  side: oneOf(SIDES),
  name: nameText(60).required(),
  from: Joi.number().min(0).max(1500).required(),
  to: Joi.number()
    .min(Joi.ref('from'))
    .max(1500)
    .required()
    .messages({ 'number.min': 'must not end before it begins', 'number.max': 'must be at most 1500 mm' }),
});

const [FEWEST, MOST] = HOLES;
const chord = Joi.object({
  steps: Joi.number()
    .integer()
    .min(1)
    .max(MOST - 1)
    .required(),
  distance: Joi.number().min(5).max(400).required(),
  over: oneOf(CHORD_OVER),
  // Over edges the hole’s or stud’s own diameter has to come off, or on.
  diameter: Joi.when('over', {
    is: 'centres',
    then: Joi.number().min(2).max(60),
    otherwise: Joi.number().min(2).max(60).required(),
  }),
});
const pattern = Joi.object({
  holes: Joi.number().integer().min(FEWEST).max(MOST).required(),
  chords: Joi.array().items(chord).max(20).required(),
});

const keepOut = Joi.object({
  name: nameText(60).required(),
  radius: Joi.number().min(0).max(300).required(),
  angle: Joi.number()
    .min(-2 * Math.PI)
    .max(2 * Math.PI)
    .required(),
  diameter: Joi.number().min(1).max(120).required(),
});

const along = Joi.number().min(-6000).max(6000).required();
const line = Joi.object({
  name: nameText(60).required(),
  points: Joi.array()
    .items(Joi.array().ordered(along, along, along).length(3))
    .min(2)
    .max(40)
    .required(),
  radius: Joi.number().min(3).max(200).required(),
  flare: Joi.number().min(0).max(30).required(),
});

/** A check's id: letters, figures and dots. */
const CHECK_ID = /^[a-zA-Z0-9.-]{1,80}$/;

/** The plan as it crosses the wire and stands in a file. Unknown fields are refused by name. */
export const planSchema = Joi.object<Plan>({
  brief: Joi.object({
    vehicle: nameText(80).allow('').required(),
    donor: nameText(80).allow('').required(),
    use: oneOf(USES),
    finishBy: Joi.string()
      .pattern(/^\d{4}-\d{2}-\d{2}$/, 'date')
      .allow('')
      .required()
      .messages({ 'string.pattern.name': 'must be a date such as 2027-03-20, or empty' }),
    notes: freeText(2000).allow('').required(),
    launch: oneOf(LAUNCHES),
    differential: oneOf(DIFFERENTIALS),
    gears: Joi.array().items(Joi.number().min(0.4).max(8)).max(10).required(),
    torqueCurve: Joi.array()
      .items(
        Joi.object({
          rpm: Joi.number().min(0).max(20_000).required(),
          torque: Joi.number().min(0).max(3000).required(),
        }),
      )
      .max(40)
      .custom(rising)
      .required()
      .messages({ 'curve.rising': 'must rise in rpm from point to point' }),
    tools: listOf(TOOLS).required(),
    skills: listOf(SKILLS).required(),
  }).required(),
  choices: Joi.object({
    school: oneOf(SCHOOLS),
    method: oneOf(CUT_METHODS),
    datum: oneOf(MARK_DATUMS),
    retention: oneOf(RETENTIONS),
    shaftRoute: oneOf(SHAFT_ROUTES),
    retentionTo: oneOf(RETENTIONS),
    tyre: freeText(40).allow('').required(),
    spacer: oneOf(SPACERS),
    pattern: oneOf(PATTERN_ROUTES),
    jig: oneOf(JIGS),
    reaction: oneOf(REACTIONS),
  }).required(),
  readings: Joi.object(Object.fromEntries(QUANTITIES.map((q) => [q.id, readingOf(q)]))).required(),
  limits: Joi.object(Object.fromEntries(LIMIT_IDS.map((id) => [id, limitOf(LIMITS[id])]))).required(),
  accepted: Joi.object().pattern(CHECK_ID, acceptance).max(200).required(),
  facts: Joi.object(Object.fromEntries(FACTS.map((f) => [f.id, factOf(f)]))).required(),
  joints: Joi.object(Object.fromEntries(JOINT_IDS.map((id) => [id, jointNote]))).required(),
  searches: Joi.object(Object.fromEntries(SEARCH_IDS.map((id) => [id, search]))).required(),
  verdicts: Joi.object({
    donor: verdictOf(['accepted', 'rejected']),
    brakes: verdictOf(BRAKE_VERDICTS),
  }).required(),
  photos: Joi.object().pattern(Joi.string().guid(), photo).max(500).required(),
  tubeItems: Joi.object().pattern(ITEM_ID, tubeItem).max(40).required(),
  patterns: Joi.object(Object.fromEntries(PATTERN_FACES.map((face) => [face, pattern]))).required(),
  keepOuts: Joi.object().pattern(ITEM_ID, keepOut).max(40).required(),
  lines: Joi.object().pattern(ITEM_ID, line).max(20).required(),
});

import Joi from 'joi';
import type { InstrumentReading, InstrumentView } from '../../wire';

/** What each kind of instrument can show at all, in its own unit. */
const RANGES: Readonly<Record<InstrumentView['kind'], readonly [min: number, max: number]>> = {
  caliper: [-310, 310],
  angleGauge: [-180, 180],
  indicator: [-26, 26],
  scales: [-20, 6000],
};

const CORNER_NAMES = ['leftFront', 'rightFront', 'rightRear', 'leftRear'] as const;

const listSchema = Joi.array()
  .items(
    Joi.object({
      id: Joi.string()
        .pattern(/^[a-z0-9-]{1,40}$/, 'name')
        .required(),
      label: Joi.string().max(60).required(),
      kind: Joi.string()
        .valid(...Object.keys(RANGES))
        .required(),
      unit: Joi.string().valid('mm', 'deg', 'kg').required(),
      resolution: Joi.number().positive().required(),
      connected: Joi.boolean().required(),
      battery: Joi.number().min(0).max(1).required(),
    }),
  )
  .max(50);

export type ReadLine =
  | { readonly ok: true; readonly reading: InstrumentReading }
  | { readonly ok: false; readonly wrong: string; readonly right: string };

/**
 * Reads one line of an instrument’s stream. What cannot be a reading is refused, never repaired: half a line,
 * `NaN`, a value outside what the instrument can show.
 *
 * @param text one line, without its end
 * @param kind what sends it
 */
export function readInstrumentLine(text: string, kind: InstrumentView['kind']): ReadLine {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    const wrong = /\bNaN\b|\bInfinity\b/.test(text) ? 'it sent no number' : 'it sent half a line';
    return { ok: false, wrong, right: 'a whole line with a number' };
  }
  const [min, max] = RANGES[kind];
  const inRange = Joi.number().min(min).max(max);
  const schema = Joi.object<InstrumentReading>({
    id: Joi.string().max(40).required(),
    unit: Joi.string().valid('mm', 'deg', 'kg').required(),
    value: inRange.required(),
    channels: Joi.object(Object.fromEntries(CORNER_NAMES.map((c) => [c, inRange.required()]))),
    battery: Joi.number().min(0).max(1).required(),
    held: Joi.boolean().required(),
    zeroed: Joi.boolean().required(),
    at: Joi.string().isoDate().required(),
  });
  const { error, value } = schema.validate(data, { convert: false, allowUnknown: false });
  const [first] = error?.details ?? [];
  if (!first) return { ok: true, reading: value as InstrumentReading };
  const sent = first.path[0] === 'value' ? `it sent ${String(first.context?.value)}` : first.message;
  return { ok: false, wrong: sent, right: `a value between ${min} and ${max}` };
}

/** The instruments a bench offers; undefined where it is no such list. */
export function readInstrumentList(data: unknown): readonly InstrumentView[] | undefined {
  const { error, value } = listSchema.validate(data, { convert: false, stripUnknown: { objects: true } });
  return error ? undefined : (value as readonly InstrumentView[]);
}

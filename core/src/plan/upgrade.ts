import { INSTRUMENTS, instrumentsFor, type InstrumentId } from '../measure';
import type { AnyField } from '../stage';
import { findFact, findQuantity, LIMIT_IDS } from './catalogue';
import { CHOICE_FIELDS, EMPTY_PLAN, PART_FIELDS, SEARCH_IDS, VERDICT_FIELDS, type Plan } from './plan';

/** The version of the plan that this build reads and writes. */
export const PLAN_VERSION = 10;

type Fields = Readonly<Record<string, unknown>>;
type Mutable = Record<string, unknown>;

/** The parts of a value that could be there, whatever they hold. */
const fieldsOf = (value: unknown): Fields | undefined =>
  typeof value === 'object' && value !== null && !Array.isArray(value) ? (value as Fields) : undefined;

/** Parts every plan has, and the version that first had them. */
const COMMON: Readonly<Record<string, number>> = {
  limits: 2,
  accepted: 2,
  facts: 4,
  searches: 4,
  verdicts: 4,
  photos: 4,
};

/**
 * Brings a plan of any earlier version up to date: what it did not know yet begins as each field says. What was never
 * right is left as it is, for the check of every field to refuse it by name.
 *
 * @param version of the plan
 * @param data the plan as it was kept
 * @returns undefined for a version that is not known
 */
export function upgradePlan(version: unknown, data: unknown): unknown {
  if (typeof version !== 'number' || !Number.isInteger(version)) return undefined;
  if (version < 1 || version > PLAN_VERSION) return undefined;
  const plan = fieldsOf(data);
  if (!plan || version === PLAN_VERSION) return data;
  const now: Mutable = { ...plan };
  for (const [key, since] of Object.entries(COMMON))
    if (since > version) now[key] ??= EMPTY_PLAN[key as keyof Plan];
  for (const [key, field] of Object.entries(PART_FIELDS)) now[key] = begun(now[key], field, version, plan);
  now['choices'] = chosen(plan, version);
  now['readings'] = readingsOf(plan['readings'], version);
  return now;
}

/** A part as it stands, or as it begins; with what was added to it since. */
function begun(value: unknown, field: AnyField, version: number, plan: Fields): unknown {
  if (value === undefined) return field.since > version ? (field.startFrom?.(plan) ?? field.start) : value;
  const held = fieldsOf(value);
  const added = Object.entries(field.sinceOf ?? {}).filter(([, since]) => since > version);
  if (!held || added.length === 0) return value;
  const start = field.start as Fields;
  return { ...Object.fromEntries(added.map(([key]) => [key, start[key]])), ...held };
}

function chosen(plan: Fields, version: number): unknown {
  const choices = fieldsOf(plan['choices']);
  if (!choices) return plan['choices'];
  const begins = Object.entries(CHOICE_FIELDS)
    .filter(([key, field]) => field.since > version && !(key in choices))
    .map(([key, field]) => [key, field.startFrom?.(plan) ?? field.start]);
  return { ...Object.fromEntries(begins), ...choices };
}

/** Version from which a reading is a list of repeats, and from which its instrument fits its unit. */
const REPEATS = 2;
const FITTING = 6;

function readingsOf(value: unknown, version: number): unknown {
  const readings = fieldsOf(value);
  if (!readings) return value;
  const upgrades = [
    ...(version < REPEATS ? [asRepeats] : []),
    ...(version < FITTING ? [withFittingInstrument] : []),
  ];
  return Object.fromEntries(
    Object.entries(readings).map(([id, reading]) => [id, upgrades.reduce((r, one) => one(id, r), reading)]),
  );
}

/**
 * Version 1 held each reading as one bare number: a single repeat with the quantity’s usual instrument and datum.
 */
function asRepeats(id: string, value: unknown): unknown {
  const q = findQuantity(id);
  if (!q || typeof value !== 'number') return value;
  return {
    repeats: [{ value }],
    instrument: q.instrument,
    ...(q.datum === 'none' ? {} : { datum: q.datum }),
  };
}

/** An instrument that cannot read the unit, as earlier versions let through, becomes an estimate. */
function withFittingInstrument(id: string, value: unknown): unknown {
  const reading = fieldsOf(value);
  return reading && !canRead(id, reading['instrument']) ? { ...reading, instrument: 'estimate' } : value;
}

/** False only for a known instrument that cannot read a known quantity: what is not known is another check’s matter. */
export function canRead(id: string, instrument: unknown): boolean {
  const q = findQuantity(id);
  if (!q || typeof instrument !== 'string' || !(instrument in INSTRUMENTS)) return true;
  return instrumentsFor(q.unit).includes(instrument as InstrumentId);
}

/** What a plan kept by an earlier build had that no stage knows any more: left out, and named. */
export interface Kept {
  readonly plan: Plan;
  /** What was left out, each a phrase such as `reading donor.nose`. */
  readonly dropped: readonly string[];
}

/**
 * A plan out of the store, of whatever version: up to date, with what no stage knows any more left out and named. A
 * choice that is none any more begins anew.
 *
 * @example planFromStore(4, kept).plan.choices.retentionTo // what held the shafts then
 */
export function planFromStore(version: number, data: unknown): Kept {
  const upgraded = fieldsOf(upgradePlan(version, data)) ?? {};
  const dropped: string[] = [];
  const keep = (of: string, knows: (id: string) => boolean): Fields => {
    const all = Object.entries(fieldsOf(upgraded[of]) ?? {});
    for (const [id] of all) if (!knows(id)) dropped.push(`${of} ${id}`);
    return Object.fromEntries(all.filter(([id]) => knows(id)));
  };
  const known = {
    readings: keep('readings', (id) => findQuantity(id) !== undefined),
    facts: keep('facts', (id) => findFact(id) !== undefined),
    limits: keep('limits', (id) => (LIMIT_IDS as readonly string[]).includes(id)),
    searches: keep('searches', (id) => (SEARCH_IDS as readonly string[]).includes(id)),
    verdicts: keep('verdicts', (id) => id in VERDICT_FIELDS),
    choices: { ...EMPTY_PLAN.choices, ...keep('choices', (id) => id in CHOICE_FIELDS) },
  };
  const parts = Object.fromEntries(
    Object.keys(EMPTY_PLAN).map((key) => [key, upgraded[key] ?? EMPTY_PLAN[key as keyof Plan]]),
  );
  for (const key of Object.keys(upgraded)) if (!(key in EMPTY_PLAN)) dropped.push(key);
  const choices = allowed(known.choices, dropped);
  return { plan: { ...parts, ...known, choices } as unknown as Plan, dropped };
}

/** Choices among what may be chosen now. */
function allowed(choices: Fields, dropped: string[]): Fields {
  return Object.fromEntries(
    Object.entries(choices).map(([key, value]) => {
      const { shape, start } = CHOICE_FIELDS[key] as AnyField;
      const fits = shape.kind !== 'oneOf' || shape.values.includes(value as string);
      if (!fits) dropped.push(`choices ${key}=${String(value)}`);
      return [key, fits ? value : start];
    }),
  );
}

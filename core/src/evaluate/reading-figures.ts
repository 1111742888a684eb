import {
  evidenceOf,
  given,
  INSTRUMENTS,
  summarise,
  type Figure,
  type Reading,
  type ReadingSummary,
} from '../measure';
import { findQuantity, QUANTITIES, type Plan } from '../plan';
import { quantityName, readByTape, waitsFor, type Fallback, type Quantity } from '../stage';

/** A quantity as the plan knows it now: its figure, and what its repeats say together. */
export interface Known {
  readonly figure: Figure;
  /** Absent where the figure is the quantity's fallback. */
  readonly summary?: ReadingSummary;
}

// A map finds an id that was just put together without making it a name of the program first.
type Knowns = ReadonlyMap<string, Known>;

/**
 * Turns readings into figures, one by one, keeping the same object while a reading stays the same so that
 * later stages can tell what changed. A quantity without a reading yields its fallback, marked as assumed, or nothing.
 */
export function readingFigures(): (plan: Plan) => ReadFigures {
  const kept = new Map<string, { reading: Reading; known: Known }>();
  let last: Turned | undefined;

  /** What a reading says; the same object while the reading is the same. */
  function knownOf(id: string, reading: Reading | undefined): Known | undefined {
    const q = findQuantity(id);
    if (!q || !reading || reading.repeats.length === 0) return undefined;
    const before = kept.get(id);
    if (before?.reading === reading) return before.known;
    const known = know(q, reading);
    kept.set(id, { reading, known });
    return known;
  }

  return (plan) => {
    const { readings } = plan;
    const byField = BY_FIELD.map((q) => assumedBy(q, plan));
    const before = last?.byField.every((known, i) => known === byField[i]) ? last : undefined;
    if (before?.readings === readings) return { all: before.all, edited: [] };
    const edited = before && editedIn(before.each, readings);
    const { all, each } = before && edited ? goneOn(before) : started(byField);
    for (const id of edited ?? Object.keys(readings)) {
      const reading = readings[id];
      if (reading) each.set(id, reading);
      const known = knownOf(id, reading);
      if (known) all.set(id, known);
    }
    last = { readings, each, byField, all };
    return { all, edited };
  };
}

/** What is known, and which quantities were read otherwise since the last plan; undefined where it may be any. */
interface ReadFigures {
  readonly all: Knowns;
  readonly edited: readonly string[] | undefined;
}

/** Readings that were turned into figures, and what came of them. */
interface Turned {
  readonly readings: Plan['readings'];
  /** The same readings, to be found and changed one by one. */
  readonly each: Map<string, Reading>;
  readonly byField: readonly (Known | undefined)[];
  readonly all: Knowns;
}

/** Ids of the readings that are new or others; undefined where one is gone, so that a default may stand again. */
function editedIn(before: ReadonlyMap<string, Reading>, now: Plan['readings']): readonly string[] | undefined {
  const [ids, readings] = [Object.keys(now), Object.values(now)];
  const edited: string[] = [];
  let kept = 0;
  for (let i = 0; i < ids.length; i += 1) {
    const was = before.get(ids[i] as string);
    if (was !== undefined) kept += 1;
    if (was !== readings[i]) edited.push(ids[i] as string);
  }
  return kept < before.size || edited.some((id) => !now[id]?.repeats.length) ? undefined : edited;
}

interface Begun {
  readonly all: Map<string, Known>;
  readonly each: Map<string, Reading>;
}

const goneOn = ({ all, each }: Turned): Begun => ({ all: new Map(all), each });

/** What is known before anything is read. */
function started(byField: readonly (Known | undefined)[]): Begun {
  const all = new Map(FALLBACKS);
  byField.forEach((known, i) => {
    if (known) all.set((BY_FIELD[i] as Quantity).id, known);
  });
  return { all, each: new Map() };
}

const assume = (q: Quantity, { value, off = 0, why }: Fallback): Known => ({
  figure: given(q.id, quantityName(q), value, off / Math.sqrt(3), q.unit, {
    source: `Assumed: ${why}`,
    assumed: why,
    needsLevel: q.needsLevel ?? false,
    waits: waitsFor(q.waitsOn),
    byTape: readByTape(q, q.instrument),
    ...(q.inMm ? { inMm: true } : {}),
  }),
});

/** What stands for quantities that nobody has read: the same for every plan. */
const FALLBACKS: ReadonlyMap<string, Known> = new Map(
  QUANTITIES.flatMap((q) => (q.fallback ? [[q.id, assume(q, q.fallback)] as const] : [])),
);
const BY_FIELD = QUANTITIES.filter((q) => q.fallbackBy);
const made = new Map<Fallback, Known>();

/** The default that a field of the plan asks for; the same object while it asks for the same. */
function assumedBy(q: Quantity, plan: Plan): Known | undefined {
  const { part = '', field = '', values = {} } = q.fallbackBy ?? {};
  const parts = plan as unknown as Readonly<Record<string, Readonly<Record<string, string>>>>;
  const fallback = values[parts[part]?.[field] ?? ''];
  if (!fallback) return undefined;
  const known = made.get(fallback) ?? assume(q, fallback);
  made.set(fallback, known);
  return known;
}

/** Whoever guesses at a size is off by no more than a third of it; a place may be anywhere. */
const GUESS = 1 / 3;
function widestGuess({ min, fallback }: Quantity, values: readonly number[]): number {
  if (fallback && fallback.value > 0) return GUESS * fallback.value;
  return min > 0 ? GUESS * Math.min(...values.map(Math.abs)) : Infinity;
}

function know(quantity: Quantity, reading: Reading): Known {
  const values = reading.repeats.map((r) => r.value);
  const loose = evidenceOf(reading.instrument) !== 'measured';
  const summary = summarise(
    values,
    reading.instrument,
    quantity.unit,
    loose ? widestGuess(quantity, values) : undefined,
  );
  const figure = given(quantity.id, quantityName(quantity), summary.mean, summary.u, quantity.unit, {
    source: sourceOf(reading),
    evidence: evidenceOf(reading.instrument),
    needsLevel: quantity.needsLevel ?? false,
    waits: waitsFor(quantity.waitsOn),
    byTape: readByTape(quantity, reading.instrument),
    ...(quantity.inMm ? { inMm: true } : {}),
  });
  return { figure, summary };
}

function sourceOf({ instrument, repeats, datum }: Reading): string {
  const { label } = INSTRUMENTS[instrument];
  if (instrument === 'chosen') return 'Chosen';
  if (instrument === 'seller') return 'The seller says so';
  const times = repeats.length === 1 ? 'read once' : `mean of ${repeats.length} readings`;
  return `${label}, ${times}${datum ? `, from ${datum}` : ''}`;
}

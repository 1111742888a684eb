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
import { quantityName, type Fallback, type Quantity } from '../stage';

/** A quantity as the plan knows it now: its figure, and what its repeats say together. */
export interface Known {
  readonly figure: Figure;
  /** Absent where the figure is the quantity's fallback. */
  readonly summary?: ReadingSummary;
}

type Knowns = Readonly<Record<string, Known>>;

/**
 * Turns readings into figures, one by one, keeping the same object while a reading stays the same so that
 * later stages can tell what changed. A quantity without a reading yields its fallback, marked as assumed, or nothing.
 */
export function readingFigures(): (plan: Plan) => Knowns {
  let kept: ReadonlyMap<string, { reading: Reading; known: Known }> = new Map();
  let last: { readings: Plan['readings']; byField: readonly (Known | undefined)[]; all: Knowns } | undefined;
  return (plan) => {
    const { readings } = plan;
    const byField = BY_FIELD.map((q) => assumedBy(q, plan));
    if (last?.readings === readings && byField.every((known, i) => known === last?.byField[i])) return last.all;
    const all: Record<string, Known> = Object.fromEntries(FALLBACKS);
    byField.forEach((known, i) => {
      if (known) all[(BY_FIELD[i] as Quantity).id] = known;
    });
    const now = new Map<string, { reading: Reading; known: Known }>();
    for (const id in readings) {
      const reading = readings[id];
      const q = findQuantity(id);
      if (!q || !reading || reading.repeats.length === 0) continue;
      const before = kept.get(id);
      const entry = before?.reading === reading ? before : { reading, known: know(q, reading) };
      now.set(id, entry);
      all[id] = entry.known;
    }
    kept = now;
    last = { readings, byField, all };
    return all;
  };
}

const assume = (q: Quantity, { value, off = 0, why }: Fallback): Known => ({
  figure: given(q.id, quantityName(q), value, off / Math.sqrt(3), q.unit, {
    source: `Assumed: ${why}`,
    assumed: why,
    needsLevel: q.needsLevel ?? false,
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

function know(quantity: Quantity, reading: Reading): Known {
  const values = reading.repeats.map((r) => r.value);
  const summary = summarise(values, reading.instrument, quantity.unit);
  const figure = given(quantity.id, quantityName(quantity), summary.mean, summary.u, quantity.unit, {
    source: sourceOf(reading),
    evidence: evidenceOf(reading.instrument),
    needsLevel: quantity.needsLevel ?? false,
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

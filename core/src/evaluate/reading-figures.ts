import { given, INSTRUMENTS, summarise, type Figure, type Reading, type ReadingSummary } from '../measure';
import { findQuantity, quantityName, QUANTITIES, type Quantity } from '../plan';

/** A quantity as the plan knows it now: its figure, and what its repeats say together. */
export interface Known {
  readonly figure: Figure;
  /** Absent where the figure is the quantity's fallback. */
  readonly summary?: ReadingSummary;
}

/**
 * Turns readings into figures, one by one, keeping the same object while a reading stays the same so that
 * later stages can tell what changed. A quantity without a reading yields its fallback, or nothing.
 */
export function readingFigures(): (
  readings: Readonly<Record<string, Reading>>,
) => Readonly<Record<string, Known>> {
  let kept: ReadonlyMap<string, { reading: Reading; known: Known }> = new Map();
  return (readings) => {
    const all: Record<string, Known> = Object.fromEntries(FALLBACKS);
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
    return all;
  };
}

/** What stands for quantities that nobody has read: the same for every plan. */
const FALLBACKS: ReadonlyMap<string, Known> = new Map(
  QUANTITIES.flatMap((q) => {
    if (!q.fallback) return [];
    const { value, instrument, why } = q.fallback;
    const { u } = summarise([value], instrument, q.unit);
    return [[q.id, { figure: given(q.id, quantityName(q), value, u, q.unit, `Default: ${why}`) }]];
  }),
);

function know(quantity: Quantity, reading: Reading): Known {
  const values = reading.repeats.map((r) => r.value);
  const summary = summarise(values, reading.instrument, quantity.unit);
  const label = quantityName(quantity);
  return {
    figure: given(quantity.id, label, summary.mean, summary.u, quantity.unit, sourceOf(reading)),
    summary,
  };
}

function sourceOf({ instrument, repeats, datum }: Reading): string {
  const { label } = INSTRUMENTS[instrument];
  if (instrument === 'chosen') return 'Chosen';
  if (instrument === 'seller') return 'The seller says so';
  const times = repeats.length === 1 ? 'read once' : `mean of ${repeats.length} readings`;
  return `${label}, ${times}${datum ? `, from ${datum}` : ''}`;
}

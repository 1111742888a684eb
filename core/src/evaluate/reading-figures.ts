import { given, INSTRUMENTS, summarise, type Figure, type Reading, type ReadingSummary } from '../measure';
import { quantityName, QUANTITIES, type Quantity } from '../plan';

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
  const kept = new Map<string, { reading: Reading | undefined; known: Known | undefined }>();
  return (readings) => {
    const all: Record<string, Known> = {};
    for (const quantity of QUANTITIES) {
      const reading = readings[quantity.id];
      let entry = kept.get(quantity.id);
      if (!entry || entry.reading !== reading) {
        entry = { reading, known: know(quantity, reading) };
        kept.set(quantity.id, entry);
      }
      if (entry.known) all[quantity.id] = entry.known;
    }
    return all;
  };
}

function know(quantity: Quantity, reading: Reading | undefined): Known | undefined {
  const label = quantityName(quantity);
  if (!reading || reading.repeats.length === 0) {
    if (!quantity.fallback) return undefined;
    const { value, instrument, why } = quantity.fallback;
    const { u } = summarise([value], instrument);
    return { figure: given(quantity.id, label, value, u, quantity.unit, `Default: ${why}`) };
  }
  const values = reading.repeats.map((r) => r.value);
  const summary = summarise(values, reading.instrument);
  return {
    figure: given(quantity.id, label, summary.mean, summary.u, quantity.unit, sourceOf(reading)),
    summary,
  };
}

function sourceOf({ instrument, repeats, datum }: Reading): string {
  const { label } = INSTRUMENTS[instrument];
  if (instrument === 'chosen') return 'Chosen';
  const times = repeats.length === 1 ? 'read once' : `mean of ${repeats.length} readings`;
  return `${label}, ${times}${datum ? `, from ${datum}` : ''}`;
}

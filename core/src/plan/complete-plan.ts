import { INSTRUMENTS, instrumentsFor, type InstrumentId, type Reading } from '../measure';
import { findQuantity } from './catalogue';
import { EMPTY_PLAN, type Plan } from './plan';

/** A plan stored by an earlier version, with everything it did not know yet at its starting value. */
export const completePlan = (plan: Plan): Plan => ({
  ...EMPTY_PLAN,
  ...plan,
  brief: { ...EMPTY_PLAN.brief, ...plan.brief },
  // What is known to hold the shafts goes on holding them.
  choices: Object.assign({}, EMPTY_PLAN.choices, { retentionTo: plan.choices.retention }, plan.choices),
  readings: fitInstruments(plan.readings),
});

/**
 * Readings whose instrument can read their unit: one that cannot, as earlier versions let through, becomes an estimate.
 * The same object where nothing has to change.
 */
export function fitInstruments(readings: Readonly<Record<string, Reading>>): Readonly<Record<string, Reading>> {
  const wrong = Object.entries(readings).filter(([id, r]) => !canRead(id, r.instrument));
  if (wrong.length === 0) return readings;
  return {
    ...readings,
    ...Object.fromEntries(wrong.map(([id, r]) => [id, { ...r, instrument: 'estimate' as const }])),
  };
}

/** False only for a known instrument that cannot read a known quantity: what is not known is another check’s matter. */
export function canRead(id: string, instrument: unknown): boolean {
  const q = findQuantity(id);
  if (!q || typeof instrument !== 'string' || !(instrument in INSTRUMENTS)) return true;
  return instrumentsFor(q.unit).includes(instrument as InstrumentId);
}

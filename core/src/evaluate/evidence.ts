import { EVIDENCE_RANK, evidenceOf, type Evidence, type Figure } from '../measure';
import type { Plan } from '../plan';

/**
 * Weakest evidence a figure rests on, followed down its working to the readings.
 *
 * @param figure any figure of the results
 * @param figures all figures by id
 * @param plan where the readings stand
 * @returns `seller` where one reading is only the seller’s word, `seen` where one was not measured, else `measured`
 */
export function weakestEvidence(figure: Figure, figures: ReadonlyMap<string, Figure>, plan: Plan): Evidence {
  const seen = new Set<string>();
  const walk = (id: string): Evidence => {
    if (seen.has(id)) return 'measured';
    seen.add(id);
    const reading = plan.readings[id];
    if (reading) return evidenceOf(reading.instrument);
    const inputs = figures.get(id)?.working.inputs ?? {};
    return weakest(Object.values(inputs).map((i) => walk(i.id)));
  };
  return walk(figure.id);
}

function weakest(grades: readonly Evidence[]): Evidence {
  return grades.reduce<Evidence>((w, g) => (EVIDENCE_RANK[g] > EVIDENCE_RANK[w] ? g : w), 'measured');
}

/** Donor values that are only the seller’s word: quantity ids, and fact ids as `fact.…`. */
export function sellersWord({ readings, facts }: Plan): readonly string[] {
  const told: string[] = [];
  for (const id in readings) if (readings[id]?.instrument === 'seller') told.push(id);
  // A claim about the differential is what its tests are for.
  for (const id in facts) if (facts[id]?.evidence === 'seller' && id !== 'slip.claim') told.push(`fact.${id}`);
  return told;
}

/** True where some reading of the plan is weaker than a measurement, so that figures may rest on it. */
export function hasWeakReadings({ readings }: Plan): boolean {
  for (const id in readings) {
    const reading = readings[id];
    if (reading && EVIDENCE_RANK[evidenceOf(reading.instrument)] > 0) return true;
  }
  return false;
}

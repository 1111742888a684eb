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
export function sellersWord(plan: Plan): readonly string[] {
  return [
    ...Object.entries(plan.readings)
      .filter(([, r]) => r.instrument === 'seller')
      .map(([id]) => id),
    // A claim about the differential is what its tests are for.
    ...Object.entries(plan.facts)
      .filter(([id, f]) => f.evidence === 'seller' && id !== 'slip.claim')
      .map(([id]) => `fact.${id}`),
  ];
}

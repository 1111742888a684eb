import { findFact, type Plan } from '../plan';

/** Donor values that are only the seller’s word: quantity ids, and fact ids as `fact.…`. */
export function sellersWord({ readings, facts }: Pick<Plan, 'readings' | 'facts'>): readonly string[] {
  const told: string[] = [];
  for (const id in readings) if (readings[id]?.instrument === 'seller') told.push(id);
  // A claim is there to be tested.
  for (const id in facts) if (facts[id]?.evidence === 'seller' && !findFact(id)?.claim) told.push(`fact.${id}`);
  return told;
}

/** The same list as long as neither readings nor facts changed. */
export function sellersWords(): (plan: Pick<Plan, 'readings' | 'facts'>) => readonly string[] {
  let last: Pick<Plan, 'readings' | 'facts'> | undefined;
  let told: readonly string[] = [];
  return (plan) => {
    if (last?.readings === plan.readings && last.facts === plan.facts) return told;
    last = plan;
    const now = sellersWord(plan);
    if (now.length !== told.length || now.some((id, i) => id !== told[i])) told = now;
    return told;
  };
}

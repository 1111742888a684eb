import { findFact, type Plan } from '../plan';

const isTold = ({ readings }: Pick<Plan, 'readings'>, id: string): boolean =>
  readings[id]?.instrument === 'seller';

/** Donor values that are only the seller’s word: quantity ids, and fact ids as `fact.…`. */
export function sellersWord({ readings, facts }: Pick<Plan, 'readings' | 'facts'>): readonly string[] {
  const told: string[] = [];
  for (const id in readings) if (isTold({ readings }, id)) told.push(id);
  // A claim is there to be tested.
  for (const id in facts) if (facts[id]?.evidence === 'seller' && !findFact(id)?.claim) told.push(`fact.${id}`);
  return told;
}

/**
 * The same list as long as nothing of it changed.
 *
 * @returns takes a plan and the quantities that were read otherwise since the last one; undefined where it may be any
 */
export function sellersWords(): (
  plan: Pick<Plan, 'readings' | 'facts'>,
  edited: readonly string[] | undefined,
) => readonly string[] {
  let last: Pick<Plan, 'readings' | 'facts'> | undefined;
  let told: readonly string[] = [];
  return (plan, edited) => {
    const same = last?.facts === plan.facts && edited?.every((id) => !told.includes(id) && !isTold(plan, id));
    last = plan;
    if (same) return told;
    const now = sellersWord(plan);
    if (now.length !== told.length || now.some((id, i) => id !== told[i])) told = now;
    return told;
  };
}

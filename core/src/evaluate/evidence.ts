import type { Plan } from '../plan';

/** Donor values that are only the seller’s word: quantity ids, and fact ids as `fact.…`. */
export function sellersWord({ readings, facts }: Plan): readonly string[] {
  const told: string[] = [];
  for (const id in readings) if (readings[id]?.instrument === 'seller') told.push(id);
  // A claim about the differential is what its tests are for.
  for (const id in facts) if (facts[id]?.evidence === 'seller' && id !== 'slip.claim') told.push(`fact.${id}`);
  return told;
}

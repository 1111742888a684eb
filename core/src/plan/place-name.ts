import { quantityInSentence } from '../stage';
import { findFact, findQuantity } from './catalogue';

/** Places that are no quantity and no fact, in words. */
const OTHERS: Readonly<Record<string, string>> = {
  'shaft.pair': 'a pair of shafts from stock',
};

/**
 * Name of what is missing, within a sentence: of a quantity, or of a fact as `fact.…`.
 *
 * @example placeName('donor.tube.left') // 'casting to housing end, left'
 */
export function placeName(id: string): string {
  if (id.startsWith('fact.')) return (findFact(id.slice(5))?.label ?? id).toLowerCase();
  const q = findQuantity(id);
  return q ? quantityInSentence(q) : (OTHERS[id] ?? id);
}

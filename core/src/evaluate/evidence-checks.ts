import type { Check } from '../checks';
import { findFact, findQuantity, quantityInSentence, type Plan } from '../plan';
import { sellersWord } from './evidence';

/** Most values named in one sentence. */
const MOST_NAMED = 4;

/** One caution for all that is only the seller’s word. */
export function evidenceChecks(plan: Plan): Check[] {
  const told = sellersWord(plan);
  const [first] = told;
  if (first === undefined) return [];
  const names = told.slice(0, MOST_NAMED).map(nameOf).join(', ');
  const more = told.length > MOST_NAMED ? ` and ${told.length - MOST_NAMED} more` : '';
  return [
    {
      id: 'donor.evidence',
      stage: 'donor',
      level: 'caution',
      title:
        told.length === 1
          ? 'One value is only the seller’s word'
          : `${told.length} values are only the seller’s word`,
      figure: { value: told.length, unit: 'count' },
      reason: `${names}${more}. Numbers that rest on them are marked.`,
      todo: 'Read them yourself before money is spent.',
      at: first,
    },
  ];
}

function nameOf(id: string): string {
  if (id.startsWith('fact.')) return (findFact(id.slice(5))?.label ?? id).toLowerCase();
  const q = findQuantity(id);
  return q ? quantityInSentence(q) : id;
}

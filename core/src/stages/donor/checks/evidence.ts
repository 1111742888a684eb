import type { Check } from '../../../stage';
import { node } from '../node';

/** Most values named in one sentence. */
const MOST_NAMED = 4;

/** One caution for all that is only the seller’s word. */
export const evidence = node('evidence', (r): readonly Check[] => {
  const told = r.told();
  const [first] = told;
  if (first === undefined) return [];
  const names = told.slice(0, MOST_NAMED).map(r.name).join(', ');
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
});

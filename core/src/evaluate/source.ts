import type { Figure } from '../measure';
import { findQuantity, limitIn, placeName, type LimitId, type Plan } from '../plan';
import { quantityInSentence, type Source } from '../stage';
import type { Known } from './reading-figures';

type Fields = Readonly<Record<string, unknown>>;
type Look = (key: string, within?: string) => unknown;

interface Rest {
  readonly told: readonly string[];
  readonly today: string | undefined;
  readonly edited: readonly string[] | undefined;
}

/** Kinds whose keys are quantities. */
const OF_READINGS: readonly string[] = ['figure', 'wasRead', 'zeroedOn'];

/**
 * A plan as nodes read it.
 *
 * @param known what is known of each quantity
 * @param rest what is only the seller’s word; today as an ISO date, or undefined; quantities that were read otherwise
 * since the plan before, undefined where it may be any
 */
export function sourceOf(plan: Plan, known: ReadonlyMap<string, Known>, { told, today, edited }: Rest): Source {
  const { readings, facts, choices, verdicts, searches, accepted, limits } = plan as unknown as Readonly<
    Record<string, Fields>
  >;
  const looks: Readonly<Record<string, Look>> = {
    figure: (id): Figure | undefined => known.get(id)?.figure,
    wasRead: (id) => readings?.[id] !== undefined,
    zeroedOn: (id) => (readings?.[id] as { readonly zeroedOn?: string } | undefined)?.zeroedOn,
    fact: (id) => facts?.[id],
    limit: (id) => limitIn(limits as Plan['limits'], id as LimitId),
    choice: (key) => choices?.[key],
    part: (key) => (plan as unknown as Fields)[key],
    field: (key, within = '') => ((plan as unknown as Fields)[key] as Fields)[within],
    verdict: (on) => verdicts?.[on],
    search: (id) => searches?.[id],
    accepted: (check) => accepted?.[check],
    told: () => told,
    name: (id) => {
      const q = findQuantity(id);
      return q ? quantityInSentence(q) : placeName(id);
    },
    today: () => today,
  };
  const roots: Readonly<Record<string, unknown>> = {
    figure: known,
    wasRead: readings,
    zeroedOn: readings,
    fact: facts,
    limit: limits,
    choice: choices,
    part: plan,
    field: plan,
    verdict: verdicts,
    search: searches,
    accepted,
    told,
    today,
  };
  return {
    look: (kind, key, within) => looks[kind]?.(key, within),
    root: (kind) => roots[kind],
    moved: (kind) => (OF_READINGS.includes(kind) ? edited : undefined),
  };
}

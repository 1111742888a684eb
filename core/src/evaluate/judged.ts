import type { Check } from '../stage';
import type { Results } from './results';

/** What is judged of a plan: plain data, that can be handed from one thread to another. */
export type Judged = Pick<Results, 'checks' | 'contradicted' | 'decisions' | 'stages'>;

/** What is judged of a plan, taken out of its results. */
export const judgedOf = ({ checks, contradicted, decisions, stages }: Results): Judged => ({
  checks,
  contradicted,
  decisions,
  stages,
});

/**
 * Results of which what is judged was worked out elsewhere, from the same plan; all else is worked out as it is asked for.
 *
 * @param judged of the same plan and day
 */
export const withJudged = (results: Results, judged: Judged): Results =>
  Object.create(
    results,
    Object.fromEntries(
      Object.entries(judged).map(([key, value]) => [key, { value: value as unknown, enumerable: true }]),
    ),
  ) as Results;

/** What is judged otherwise than before; a check by its place in the list before where it says the same. */
export interface JudgedChange {
  readonly checks: readonly (Check | number)[];
  readonly rest: Omit<Judged, 'checks'>;
}

/** What changed from one judgement to the next; everything where there is none before. */
export function judgedChange(before: Judged | undefined, now: Judged): JudgedChange {
  const { checks, ...rest } = now;
  if (!before) return { checks, rest };
  const texts = new Map(before.checks.map((check, i) => [JSON.stringify(check), i]));
  return { checks: checks.map((check) => texts.get(JSON.stringify(check)) ?? check), rest };
}

/**
 * The judgement that a change leads to.
 *
 * @throws RangeError where the change goes by another judgement than this one
 */
export function judgedAfter(before: Judged | undefined, { checks, rest }: JudgedChange): Judged {
  return {
    ...rest,
    checks: checks.map((check) => {
      if (typeof check !== 'number') return check;
      const known = before?.checks[check];
      if (!known) throw new RangeError(`There is no check ${check} in the judgement before.`);
      return known;
    }),
  };
}

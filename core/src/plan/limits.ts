import type { CheckLimit, Limit, LimitChange } from '../stage';
import { LIMIT_IDS, LIMITS, type LimitId } from './catalogue';

type Changes = Readonly<Partial<Record<LimitId, LimitChange>>>;

const limitOf = (id: LimitId, change: LimitChange | undefined): CheckLimit => {
  const { unit, fallback } = LIMITS[id] as Limit;
  const base = { id, unit, fallback, value: change?.value ?? fallback };
  return change?.reason === undefined ? base : { changedBecause: change.reason, ...base };
};
const DEFAULTS: ReadonlyMap<string, CheckLimit> = new Map(LIMIT_IDS.map((id) => [id, limitOf(id, undefined)]));
const changed = new WeakMap<LimitChange, CheckLimit>();

/** The limit in force: the project’s, else the default; the same object for the same change. */
export function limitIn(changes: Changes, id: LimitId): CheckLimit {
  const change = changes[id];
  if (!change) return DEFAULTS.get(id) as CheckLimit;
  const known = changed.get(change) ?? limitOf(id, change);
  changed.set(change, known);
  return known;
}

/** All limits in force of a plan. */
export const limitsOf =
  (changes: Changes) =>
  (id: LimitId): CheckLimit =>
    limitIn(changes, id);

/** The value in force. */
export const limitValue = (changes: Changes, id: LimitId): number => limitIn(changes, id).value;

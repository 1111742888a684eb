import type { Plan } from './plan';

type Fields = Readonly<Record<string, unknown>>;

/** What is otherwise in one plan than in another: whole parts, and single entries of parts that both have. */
export interface PlanChange {
  readonly parts: Fields;
  readonly entries: Readonly<Record<string, Fields>>;
  /** Entries that are gone, by part. */
  readonly gone: Readonly<Record<string, readonly string[]>>;
}

const isRecord = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Of its own: an entry may be called as something that every object has. */
const has = (of: Fields, key: string): boolean => Object.prototype.hasOwnProperty.call(of, key);

/**
 * What changed from one plan to the next, where what stayed is the same object: as small as the edit was.
 *
 * @example planChange(plan, { ...plan, readings: { ...plan.readings, 'wheel.et': et } }).entries // { readings: { 'wheel.et': et } }
 */
export function planChange(before: Plan, now: Plan): PlanChange {
  const [from, to] = [before as unknown as Fields, now as unknown as Fields];
  const parts: Record<string, unknown> = {};
  const entries: Record<string, Fields> = {};
  const gone: Record<string, readonly string[]> = {};
  for (const [part, value] of Object.entries(to)) {
    const was = from[part];
    if (Object.is(was, value)) continue;
    if (isRecord(was) && isRecord(value)) {
      entries[part] = Object.fromEntries(
        Object.entries(value).filter(([key, entry]) => !has(was, key) || !Object.is(was[key], entry)),
      );
      const left = Object.keys(was).filter((key) => !has(value, key));
      if (left.length) gone[part] = left;
    } else parts[part] = value;
  }
  return { parts, entries, gone };
}

/** The plan that a change leads to; what stayed is the same object. */
export function planAfter(before: Plan, { parts, entries, gone }: PlanChange): Plan {
  const changed = Object.fromEntries(
    Object.entries(entries).map(([part, now]) => {
      const kept = Object.entries((before as unknown as Record<string, Fields>)[part] ?? {}).filter(
        ([key]) => !gone[part]?.includes(key),
      );
      return [part, { ...Object.fromEntries(kept), ...now }];
    }),
  );
  return { ...before, ...(parts as Partial<Plan>), ...(changed as Partial<Plan>) };
}

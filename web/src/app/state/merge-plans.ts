import { EMPTY_PLAN, type Plan, type Reading, type Repeat } from '@intervex/core';

export type Section = keyof Plan & string;
export const SECTIONS = Object.keys(EMPTY_PLAN) as Section[];
type Fields = Readonly<Record<string, unknown>>;

/** A field that both changed, differently. Undefined means that the field is not there. */
export interface PlanConflict {
  readonly section: Section;
  readonly key: string;
  /** What stood there before either. */
  readonly base?: unknown;
  readonly mine: unknown;
  readonly theirs: unknown;
}

export interface MergedPlan {
  /** Theirs, with my changes where only I changed a field. */
  readonly plan: Plan;
  readonly conflicts: readonly PlanConflict[];
}

/**
 * Three-way merge, field by field: a reading, a fact, a joint, a photo, a limit, an acceptance, a choice
 * or a line of the brief is one field. What only one side changed is taken; what both changed alike is no conflict.
 *
 * @param base the plan both started from
 */
export function mergePlans(base: Plan, mine: Plan, theirs: Plan): MergedPlan {
  const conflicts: PlanConflict[] = [];
  const merged = { ...theirs };
  for (const section of SECTIONS) {
    const [b, m, t] = [base[section], mine[section], theirs[section]] as [Fields, Fields, Fields];
    const fields: Record<string, unknown> = { ...t };
    for (const key of new Set([...Object.keys(b), ...Object.keys(m), ...Object.keys(t)])) {
      if (same(m[key], b[key]) || same(m[key], t[key])) continue;
      const both = section === 'readings' ? bothAdded(b[key], m[key], t[key]) : undefined;
      if (same(t[key], b[key])) put(fields, key, m[key]);
      else if (both) put(fields, key, both);
      else conflicts.push({ section, key, base: b[key], mine: m[key], theirs: t[key] });
    }
    Object.assign(merged, { [section]: fields });
  }
  return { plan: merged, conflicts };
}

/** Where and with what a reading was taken; repeats of two are one reading’s only where these are alike. */
const taken = ({ repeats: _repeats, ...rest }: Reading): unknown => rest;

const goesOn = (repeats: readonly Repeat[], from: readonly Repeat[]): boolean =>
  repeats.length > from.length && same(repeats.slice(0, from.length), from);

/** Both only put further repeats to the same reading: all of them stay. */
function bothAdded(base: unknown, mine: unknown, theirs: unknown): Reading | undefined {
  const [b, m, t] = [base, mine, theirs] as (Reading | undefined)[];
  if (!b || !m || !t || !same(taken(b), taken(m)) || !same(taken(b), taken(t))) return undefined;
  if (!goesOn(m.repeats, b.repeats) || !goesOn(t.repeats, b.repeats)) return undefined;
  return { ...t, repeats: [...t.repeats, ...m.repeats.slice(b.repeats.length)] };
}

/** Both readings of a question as repeats of one; nothing where they were taken with other instruments or from other places. */
export function bothOf({ section, base, mine, theirs }: PlanConflict): Reading | undefined {
  const [b, m, t] = [base, mine, theirs] as (Reading | undefined)[];
  if (section !== 'readings' || !m || !t || !same(taken(m), taken(t))) return undefined;
  const own = b && goesOn(m.repeats, b.repeats) ? m.repeats.slice(b.repeats.length) : m.repeats;
  return { ...t, repeats: [...t.repeats, ...own] };
}

/** Questions that stay open beside new ones, with what the others have there now; answered where they have the same. */
export const stillAsked = (
  open: readonly PlanConflict[],
  now: readonly PlanConflict[],
  theirs: Plan,
): readonly PlanConflict[] =>
  open
    .filter(({ section, key }) => !now.some((c) => c.section === section && c.key === key))
    .map((c) => ({ ...c, theirs: (theirs[c.section] as Fields)[c.key] }))
    .filter((c) => !same(c.mine, c.theirs));

/** The plan with each field that is asked about as one side has it. */
export const withSide = (plan: Plan, conflicts: readonly PlanConflict[], side: 'base' | 'mine'): Plan =>
  conflicts.reduce((made, c) => withField(made, c.section, c.key, c[side]), plan);

/**
 * What both started from, once what was sent from here has arrived there: such a field is nobody else’s change, whatever
 * was typed here since.
 *
 * @param sent what was sent and not answered, made from `base`
 */
export function baseOnceArrived(base: Plan, sent: Plan, theirs: Plan): Plan {
  const sections = SECTIONS.map((section) => {
    const [b, s, t] = [base[section], sent[section], theirs[section]] as [Fields, Fields, Fields];
    const fields: Record<string, unknown> = { ...b };
    for (const key of new Set([...Object.keys(b), ...Object.keys(s), ...Object.keys(t)]))
      if (same(s[key], t[key])) put(fields, key, t[key]);
    return [section, fields] as const;
  });
  return Object.fromEntries(sections) as unknown as Plan;
}

/** The plan with one field set, or taken out where the value is undefined. */
export function withField(plan: Plan, section: Section, key: string, value: unknown): Plan {
  const fields: Record<string, unknown> = { ...plan[section] };
  put(fields, key, value);
  return { ...plan, [section]: fields };
}

/**
 * The next plan with the same objects as the present one wherever they say the same, so that only what really
 * changed is computed and drawn again.
 */
export function keepParts(now: Plan, next: Plan): Plan {
  const kept: Record<string, unknown> = { ...next };
  for (const section of SECTIONS) {
    const [before, after] = [now[section], next[section]] as [Fields, Fields];
    const fields = Object.fromEntries(
      Object.entries(after).map(([key, value]) => [key, same(before[key], value) ? before[key] : value]),
    );
    const unchanged =
      Object.keys(before).length === Object.keys(after).length &&
      Object.keys(fields).every((key) => Object.is(before[key], fields[key]));
    kept[section] = unchanged ? before : fields;
  }
  return kept as unknown as Plan;
}

function put(fields: Record<string, unknown>, key: string, value: unknown): void {
  if (value === undefined) Reflect.deleteProperty(fields, key);
  else fields[key] = value;
}

/** Same as data, whatever the order of keys. */
export function same(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  const [x, y] = [a as Fields, b as Fields];
  const keys = new Set([...Object.keys(x), ...Object.keys(y)]);
  return Array.isArray(a) === Array.isArray(b) && [...keys].every((key) => same(x[key], y[key]));
}

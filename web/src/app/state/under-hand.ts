import type { Plan } from '@intervex/core';
import { same, SECTIONS, type MergedPlan, type PlanConflict, type Section } from './merge-plans';

/** So long after another’s change came in, whoever enters the same field has not seen it, ms. */
const SEEN_MS = 2000;

/** Readings and texts are typed, key by key: what is sent meanwhile is not the whole entry yet. A choice is made at once. */
const isTyped = (section: Section, value: unknown): boolean =>
  section === 'readings' || (section !== 'choices' && typeof value === 'string');

interface Came {
  readonly at: number;
  readonly before: unknown;
}

type Fields = Readonly<Record<string, unknown>>;
const fieldOf = (plan: Plan, section: Section, key: string): unknown => (plan[section] as Fields)[key];
const nameOf = (section: Section, key: string): string => `${section}.${key}`;

const holds = (list: readonly unknown[], item: unknown): boolean => list.some((other) => same(other, item));
const areFields = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/**
 * What is entered leaves all that came in as it is: a repeat more, or one of one’s own taken out, goes over nothing of theirs.
 *
 * @param before what stood before theirs came
 * @param now what stands with theirs
 */
function leaves(before: unknown, now: unknown, mine: unknown): boolean {
  if (same(before, now) || same(now, mine)) return true;
  if (Array.isArray(before) && Array.isArray(now) && Array.isArray(mine))
    return (
      now.every((item) => holds(before, item) || holds(mine, item)) &&
      before.every((item) => holds(now, item) || !holds(mine, item))
    );
  if (!areFields(before) || !areFields(now) || !areFields(mine)) return false;
  const keys = new Set([...Object.keys(before), ...Object.keys(now)]);
  return [...keys].every((key) => leaves(before[key], now[key], mine[key]));
}

/**
 * Fields under the hand of whoever sits here: those being entered, and those that another page changed a moment ago. Where
 * both sides have one in hand, neither silently wins.
 */
export class UnderHand {
  /** What stood in a field before its entry began. */
  private readonly entered = new Map<string, unknown>();
  private readonly came = new Map<string, Came>();

  /**
   * A field is entered here.
   *
   * @returns a question, where another changed it so lately that it cannot have been seen
   */
  enters(plan: Plan, section: Section, key: string, value: unknown): PlanConflict | undefined {
    const name = nameOf(section, key);
    const now = fieldOf(plan, section, key);
    const came = this.came.get(name);
    this.came.delete(name);
    const begun = this.entered.has(name);
    if (!begun && isTyped(section, value)) this.entered.set(name, now);
    if (begun || !came || Date.now() - came.at > SEEN_MS || leaves(came.before, now, value)) return undefined;
    return { section, key, base: came.before, mine: value, theirs: now };
  }

  /** All entries are finished. */
  finished(): void {
    this.entered.clear();
  }

  forget(): void {
    this.entered.clear();
    this.came.clear();
  }

  /**
   * What others changed is taken over: asked about where it meets an entry under way, although what was typed of that so
   * far was saved; noted else.
   *
   * @param common what both started from
   */
  meets(common: Plan, mine: Plan, theirs: Plan, { plan, conflicts }: MergedPlan): MergedPlan {
    const asked: PlanConflict[] = [];
    for (const section of SECTIONS)
      for (const key of new Set([...Object.keys(common[section]), ...Object.keys(theirs[section])])) {
        const [b, m, t] = [common, mine, theirs].map((of) => fieldOf(of, section, key));
        const known = conflicts.some((c) => c.section === section && c.key === key);
        if (same(b, t) || same(m, t) || known) continue;
        const name = nameOf(section, key);
        if (this.entered.has(name))
          asked.push({ section, key, base: this.entered.get(name), mine: m, theirs: t });
        else this.came.set(name, { at: Date.now(), before: b });
      }
    return { plan, conflicts: [...conflicts, ...asked] };
  }
}

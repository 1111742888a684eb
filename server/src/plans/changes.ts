import { largerThan, planPartsSchema } from '@intervex/contract';
import { BENCH_PARTS, PART_FIELDS, type Plan } from '@intervex/core';
import { createPatch } from 'rfc6902';
import { same } from './same-json';
import { refused, valid } from '../http/refusal';

type Fields = Readonly<Record<string, unknown>>;

const isFields = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Parts of a plan whose entries stand for themselves; the fields of others have to go together. */
const byEntry = (key: string): boolean => PART_FIELDS[key]?.shape.kind !== 'object';

/** A plan without what stands in the other just so; empty parts stay only where the other lacks them. */
function without(plan: Fields, other: Fields): Fields {
  const kept: [string, unknown][] = [];
  for (const [key, value] of Object.entries(plan)) {
    const theirs = other[key];
    if (Object.hasOwn(other, key) && same(value, theirs)) continue;
    if (!isFields(value) || !isFields(theirs) || !byEntry(key)) kept.push([key, value]);
    else kept.push([key, entriesWithout(value, theirs)]);
  }
  return Object.fromEntries(kept);
}

const entriesWithout = (part: Fields, theirs: Fields): Fields =>
  Object.fromEntries(
    Object.entries(part).filter(([id, entry]) => !(Object.hasOwn(theirs, id) && same(entry, theirs[id]))),
  );

/** Places that differ between two plans, as JSON pointers. */
export function changedBetween(from: Plan, to: Plan): readonly string[] {
  const [a, b] = [from as unknown as Fields, to as unknown as Fields];
  return [...new Set(createPatch(without(a, b), without(b, a)).map((o) => o.path))];
}

/** Most entries of the parts that are counted. */
const MOST: Readonly<Record<string, number>> = { accepted: 200, photos: 500 };

/** Values that are looked through at once; more of them are looked through where nobody waits for it. */
const AT_ONCE = 1500;

/** Checks parts of a plan. @throws Refused with every problem found */
export function checkParts(parts: Fields): void {
  valid(planPartsSchema, { plan: parts }, 'plan');
}

/**
 * Checks a plan that was sent against the one it was made from: what stands in that just so was checked when it was
 * kept, by the rules of that day.
 *
 * @param beside looks through many changes beside this process
 * @throws Refused with every problem found
 */
export async function checkedAgainst(
  sent: Fields,
  before: Plan,
  beside?: (parts: Fields) => Promise<unknown>,
): Promise<Plan> {
  const known = before as unknown as Fields;
  const changed = without(sent, known);
  if (beside && largerThan(changed, AT_ONCE)) await beside(changed);
  else checkParts(changed);
  const missing = [
    ...Object.keys(known).filter((key) => !Object.hasOwn(sent, key)),
    ...Object.keys(before.choices)
      .filter((key) => !Object.hasOwn(isFields(sent['choices']) ? sent['choices'] : {}, key))
      .map((key) => `choices.${key}`),
  ];
  if (missing.length)
    throw refused(
      'invalid',
      `The plan is refused: plan.${missing[0] ?? ''} is missing.`,
      missing.map((key) => ({ field: `plan.${key}`, wrong: 'is required', right: 'give this field' })),
    );
  for (const [key, most] of Object.entries(MOST)) {
    const part = sent[key];
    if (isFields(part) && Object.keys(part).length > most)
      throw refused('invalid', `The plan is refused: plan.${key} has too many entries.`, [
        { field: `plan.${key}`, wrong: `has more than ${most} entries`, right: `at most ${most} entries` },
      ]);
  }
  return sent as unknown as Plan;
}

/** Refuses what a helper may not write. @param changed JSON pointers */
export function benchOnly(changed: readonly string[]): void {
  const other = changed.filter((pointer) => !BENCH_PARTS.includes(pointer.split('/')[1] ?? ''));
  if (other.length === 0) return;
  throw refused(
    'forbidden',
    'A helper writes readings, photos and steps at the bench. Nothing was changed.',
    other.slice(0, 20).map((pointer) => ({
      field: `plan${pointer.replaceAll('/', '.')}`,
      wrong: 'is not a helper’s to change',
      right: 'to ask the owner or a builder',
    })),
  );
}

/**
 * The plan with a name of the server’s wherever what somebody changed carries one: nobody writes in another’s name.
 *
 * @example stamped({ who: 'Birk', … }, before, 'Ansa') // { who: 'Ansa', … } where it stands otherwise in `before`
 */
export function stamped(plan: Plan, before: Plan, who: string): Plan {
  return stamp(plan, before, who) as Plan;
}

function stamp(now: unknown, before: unknown, who: string): unknown {
  if (typeof now !== 'object' || now === null || same(now, before)) return now;
  if (Array.isArray(now)) {
    const old: readonly unknown[] = Array.isArray(before) ? before : [];
    // A repeat that stood before stays its reader’s, wherever it stands now.
    return now.map((one: unknown, i) => (old.some((o) => same(o, one)) ? one : stamp(one, old[i], who)));
  }
  const old: Fields = isFields(before) ? before : {};
  return Object.fromEntries(
    Object.entries(now).map(([key, value]) =>
      key === 'who' && typeof value === 'string' ? [key, who] : [key, stamp(value, old[key], who)],
    ),
  );
}

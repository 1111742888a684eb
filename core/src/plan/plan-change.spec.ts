import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import hauler from '../../../examples/hauler.json';
import packhorse from '../../../examples/packhorse.json';
import ladder from '../../../examples/tern-ladder.json';
import tern from '../../../examples/tern.json';
import { EMPTY_PLAN, type Plan } from './plan';
import { planAfter, planChange } from './plan-change';

const at = (file: { readonly plan: unknown }): Plan => file.plan as Plan;
/** As it comes to another thread. */
const sent = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
const plans: readonly Plan[] = [EMPTY_PLAN, at(tern), at(hauler), at(packhorse), at(ladder)];

describe('a change from plan to plan', () => {
  it('leads to the other plan, from any to any', () => {
    for (const from of plans)
      for (const to of plans) expect(planAfter(from, sent(planChange(from, to)))).toEqual(to);
  });

  it('is as small as the edit, and leaves all else the same objects', () => {
    const before = at(tern);
    const et = { instrument: 'rule' as const, repeats: [{ value: 31 }] };
    const { 'donor.tube.left': gone, ...others } = before.readings;
    expect(gone).toBeDefined();
    const next: Plan = { ...before, readings: { ...others, 'wheel.et': et } };
    const change = planChange(before, next);
    expect(change).toEqual({
      parts: {},
      entries: { readings: { 'wheel.et': et } },
      gone: { readings: ['donor.tube.left'] },
    });
    const after = planAfter(before, change);
    expect(after).toEqual(next);
    expect(after.arms).toBe(before.arms);
    expect(after.readings['wheel.rim']).toBe(before.readings['wheel.rim']);
    expect(planChange(before, before)).toEqual({ parts: {}, entries: {}, gone: {} });
  });

  it('tells an entry that is gone though every object has something of that name', () => {
    const before = { ...EMPTY_PLAN, readings: { toString: { instrument: 'rule', repeats: [{ value: 3 }] } } };
    const change = sent(planChange(before as unknown as Plan, EMPTY_PLAN));
    expect(change.gone).toEqual({ readings: ['toString'] });
    expect(Object.keys(planAfter(before as unknown as Plan, change).readings)).toEqual([]);
  });

  it('holds for any edit of any part, one after the other', () => {
    const start = at(packhorse);
    const parts = Object.keys(start) as (keyof Plan)[];
    const edit = fc.record({
      part: fc.constantFrom(...parts),
      drop: fc.nat(60),
      put: fc.option(fc.tuple(fc.string({ maxLength: 9 }), fc.jsonValue({ maxDepth: 2 })), { nil: undefined }),
    });
    fc.assert(
      fc.property(fc.array(edit, { maxLength: 9 }), (edits) => {
        let [mine, theirs] = [start, start];
        for (const { part, drop, put } of edits) {
          const value = mine[part] as unknown;
          if (typeof value !== 'object' || value === null || Array.isArray(value)) continue;
          const kept = Object.entries(value).filter((_, i) => i !== drop);
          const now = {
            ...mine,
            [part]: { ...Object.fromEntries(kept), ...(put ? { [put[0]]: put[1] } : {}) },
          };
          theirs = planAfter(theirs, sent(planChange(mine, now as Plan)));
          mine = now as Plan;
        }
        expect(theirs).toEqual(mine);
      }),
      { numRuns: 60 },
    );
  });
});

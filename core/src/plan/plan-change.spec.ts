import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { EMPTY_PLAN, type Plan } from './plan';
import { planAfter, planChange } from './plan-change';

const at = (name: string): Plan =>
  (
    JSON.parse(readFileSync(join(import.meta.dirname, `../../../examples/${name}.json`), 'utf8')) as {
      plan: Plan;
    }
  ).plan;
const plans: readonly Plan[] = [EMPTY_PLAN, at('tern'), at('hauler'), at('packhorse'), at('tern-ladder')];

describe('a change from plan to plan', () => {
  it('leads to the other plan, from any to any', () => {
    for (const from of plans)
      for (const to of plans) expect(planAfter(from, structuredClone(planChange(from, to)))).toEqual(to);
  });

  it('is as small as the edit, and leaves all else the same objects', () => {
    const tern = at('tern');
    const et = { instrument: 'rule' as const, repeats: [{ value: 31 }] };
    const { 'donor.tube.left': gone, ...others } = tern.readings;
    expect(gone).toBeDefined();
    const next: Plan = { ...tern, readings: { ...others, 'wheel.et': et } };
    const change = planChange(tern, next);
    expect(change).toEqual({
      parts: {},
      entries: { readings: { 'wheel.et': et } },
      gone: { readings: ['donor.tube.left'] },
    });
    const after = planAfter(tern, change);
    expect(after).toEqual(next);
    expect(after.arms).toBe(tern.arms);
    expect(after.readings['wheel.rim']).toBe(tern.readings['wheel.rim']);
    expect(planChange(tern, tern)).toEqual({ parts: {}, entries: {}, gone: {} });
  });

  it('holds for any edit of any part, one after the other', () => {
    const start = at('packhorse');
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
          theirs = planAfter(theirs, structuredClone(planChange(mine, now as Plan)));
          mine = now as Plan;
        }
        expect(theirs).toEqual(mine);
      }),
      { numRuns: 60 },
    );
  });
});

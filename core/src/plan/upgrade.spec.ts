import { describe, expect, it } from 'vitest';
import { EMPTY_PLAN } from './plan';
import { PLAN_VERSION, planFromStore } from './upgrade';

const half = { instrument: 'tape', repeats: [{ value: 790.4 }] };

describe('a plan as it was kept', () => {
  it('is the plan itself where it is of this version', () => {
    const plan = {
      ...EMPTY_PLAN,
      readings: { 'donor.half.left': half },
      choices: { ...EMPTY_PLAN.choices, datum: 'housingEnd' },
    };
    expect(planFromStore(PLAN_VERSION, plan)).toEqual({ plan, dropped: [] });
  });

  it('leaves out what this version does not know, part by part, and names it', () => {
    const { plan, dropped } = planFromStore(PLAN_VERSION, {
      ...EMPTY_PLAN,
      readings: { 'donor.half.left': half, 'donor.gone': half },
      facts: { gone: { value: 'x' } },
      limits: { 'gone.limit': { value: 1, reason: 'because' } },
      searches: { gone: {} },
      verdicts: { gone: {} },
      choices: { ...EMPTY_PLAN.choices, gone: 'x', datum: 'theMoon' },
      gonePart: { x: 1 },
    });
    expect(plan).toEqual({ ...EMPTY_PLAN, readings: { 'donor.half.left': half } });
    expect([...dropped].sort()).toEqual([
      'choices datum=theMoon',
      'choices gone',
      'facts gone',
      'gonePart',
      'limits gone.limit',
      'readings donor.gone',
      'searches gone',
      'verdicts gone',
    ]);
  });

  it('starts empty where nothing of use was kept', () => {
    for (const data of [undefined, null, 7, 'text', []])
      expect(planFromStore(PLAN_VERSION, data).plan).toEqual(EMPTY_PLAN);
  });
});

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

  it('gives a plan of version 4 what came after it: choices beside its own, each as it begins', () => {
    const choices = { school: 'keepOffset', retention: 'boltIn', datum: 'pinion' };
    const { plan, dropped } = planFromStore(4, { choices, readings: { 'donor.half.left': half } });
    // What will hold the shafts began as what holds them; the tyre’s size and the spacer were not known then.
    expect(plan.choices).toEqual({ ...EMPTY_PLAN.choices, ...choices, retentionTo: 'boltIn' });
    expect(plan.readings).toEqual({ 'donor.half.left': half });
    expect(dropped).toEqual([]);
  });

  it('keeps a later choice that an earlier plan holds already', () => {
    const choices = { retention: 'boltIn', retentionTo: 'fullFloat', tyre: '205/60R15' };
    expect(planFromStore(4, { choices }).plan.choices).toMatchObject(choices);
  });

  it('starts empty where nothing of use was kept', () => {
    for (const data of [undefined, null, 7, 'text', []])
      expect(planFromStore(PLAN_VERSION, data).plan).toEqual(EMPTY_PLAN);
  });
});

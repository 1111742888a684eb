import { describe, expect, it } from 'vitest';
import { evaluate } from '../evaluate';
import type { Plan } from '../plan';
import { reading, workedPlan } from '../testing/plans';
import { readingsLog } from './readings-log';

const log = (plan: Plan, unit: 'mm' | 'in' | 'frac' = 'mm') => readingsLog(plan, evaluate(plan), unit);
const row = (plan: Plan, id: string, unit: 'mm' | 'in' | 'frac' = 'mm') =>
  log(plan, unit).find((r) => r.id === id);

describe('readings log', () => {
  it('has a row for every reading and none for a default', () => {
    const plan = workedPlan();
    expect(log(plan)).toHaveLength(Object.keys(plan.readings).length);
    expect(row(plan, 'cut.gap')).toBeUndefined();
  });

  it('stands in walking order, whatever the order in the plan', () => {
    const plan = workedPlan();
    const turned = { ...plan, readings: Object.fromEntries(Object.entries(plan.readings).reverse()) };
    expect(log(turned).map((r) => r.id)).toEqual(log(plan).map((r) => r.id));
  });

  it('says value, uncertainty, agreement and instrument', () => {
    const plan = workedPlan({ 'donor.brakeSpace.right': reading('caliper', 76.02, 75.41) });
    expect(row(plan, 'donor.brakeSpace.right')).toMatchObject({
      name: 'Brake space, right',
      value: '75.72 mm',
      repeats: 2,
      agreement: 'disagree',
      instrument: 'caliper',
    });
    // Twice a caliper's 0.02/√3.
    expect(row(plan, 'donor.brakeSpace.left')).toMatchObject({ uncertainty: '0.02 mm', agreement: 'single' });
    expect(row(plan, 'brief.targetWidth')).toMatchObject({ uncertainty: '', agreement: 'chosen' });
    expect(row(plan, 'donor.brakeSpace.left', 'in')).toMatchObject({ value: '2.992 in' });
  });

  it('names who read last', () => {
    const at = (hour: number) => `2026-11-02T1${hour}:00:00Z`;
    const half = {
      repeats: [
        { value: 792.2, who: 'Ansa', at: at(1) },
        { value: 792.4, who: 'Birk', at: at(3) },
        { value: 792.3 },
      ],
      instrument: 'tape' as const,
      note: 'Wheel off',
    };
    expect(row(workedPlan({ 'donor.half.left': half }), 'donor.half.left')).toMatchObject({
      who: 'Birk',
      at: at(3),
      note: 'Wheel off',
    });
    expect(row(workedPlan(), 'donor.half.left')).toMatchObject({ who: '', at: '' });
  });
});

import { describe, expect, it } from 'vitest';
import ladder from '../../../../examples/tern-ladder.json';
import { evaluate } from '../../evaluate';
import type { Plan } from '../../plan';
import { reading, wholePlan } from '../../testing/plans';
import { arms } from './figures/arms';

const base = wholePlan(ladder.plan);
const of = (readings: Plan['readings'], more: Partial<Plan> = {}) =>
  evaluate({ ...base, ...more, readings: { ...base.readings, ...readings } });
const check = (id: string, readings: Plan['readings'], more: Partial<Plan> = {}) =>
  of(readings, more).checks.find((c) => c.id === id);
const bar = of({})
  .of(arms)
  .find(({ member }) => member.kind === 'lateral');
const long = bar?.length?.value ?? 0;

describe('what is said twice', () => {
  it('of the lateral bar has to be the same: its length, and between its ends', () => {
    expect(long).toBeGreaterThan(100);
    expect(check('twice.bar.length', { 'bar.length': reading('tape', long + 1) })?.level).toBe('ok');
    const off = check('twice.bar.length', { 'bar.length': reading('tape', long + 14) });
    expect(off).toMatchObject({ level: 'stop', contradicts: expect.arrayContaining(['bar.length']) });
    expect(check('twice.bar.length', {})).toBeUndefined();
    const axle = base.arms[bar?.member.key ?? ''];
    const rise = (axle?.cz ?? 0) - (axle?.az ?? 0);
    expect(check('twice.bar.rise', { 'bar.rise': reading('tape', rise + 0.5) })?.level).toBe('ok');
    expect(check('twice.bar.rise', { 'bar.rise': reading('tape', rise - 12) })?.level).toBe('stop');
  });

  it('of the axle’s height: it stands on its tyre', () => {
    const D = base.readings['brief.tyreDiameter']?.repeats[0]?.value ?? 0;
    const at = (share: number) =>
      check('twice.axleHeight', { 'drive.axleHeight': reading('tape', (share * D) / 2) })?.level;
    expect([at(0.96), at(1.06), at(0.7)]).toEqual(['ok', 'stop', 'stop']);
  });

  it('holds what rests on it', () => {
    const { contradicted } = of({ 'bar.length': reading('tape', long + 14) });
    expect(Object.keys(contradicted)).toContain('bar.length');
  });

  it('of a bolt: the link’s and its bracket’s', () => {
    const key = bar?.member.key ?? '';
    const link = { ...base.arms[key], bolt: 14, bracket: 'b' } as Plan['arms'][string];
    const bracket = (bolt: number) =>
      ({
        b: {
          name: 'Bar’s bracket',
          kind: 'lateral',
          side: 'left',
          hold: 'welded',
          edge: 'middle',
          wide: 40,
          round: 50,
          bolt,
        },
      }) as unknown as Plan['brackets'];
    const level = (bolt: number) =>
      check(`twice.bolt.${key}`, {}, { arms: { ...base.arms, [key]: link }, brackets: bracket(bolt) })?.level;
    expect([level(14), level(12)]).toEqual(['ok', 'stop']);
  });
});

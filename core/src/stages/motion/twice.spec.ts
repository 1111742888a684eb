import { describe, expect, it } from 'vitest';
import packhorse from '../../../../examples/packhorse.json';
import ladder from '../../../../examples/tern-ladder.json';
import { evaluate } from '../../evaluate';
import type { Plan } from '../../plan';
import { reading, wholePlan } from '../../testing/plans';
import type { Bracket } from '../brackets/choices';
import { pulls } from '../brackets/figures/pulls';
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

describe('what pulls at a bracket', () => {
  const plain = wholePlan(packhorse.plan);
  const car: Plan = {
    ...plain,
    readings: { ...plain.readings, 'wheel.et': reading('chosen', 18) },
  };
  type Arms = Plan['arms'];
  const kinds = (kind: string) =>
    Object.entries(car.arms).find(([, arm]) => arm.kind === kind) as [string, Arms[string]];
  const [barKey, lateral] = kinds('lateral');
  const [, lower] = kinds('lower');
  const pullOf = (bracket: string | undefined, arms: Arms = {}): number =>
    evaluate({ ...car, arms: { ...car.arms, ...arms } }).of(pulls)?.byBracket[bracket ?? '']?.value ?? NaN;
  const bar = (side: 'left' | 'right' | 'single'): Arms => ({ [barKey]: { ...lateral, side } });

  it('is the load of its bar, on whichever side the bar is said to be', () => {
    const single = pullOf(lateral.bracket, bar('single'));
    expect(single).toBeGreaterThan(0);
    expect(pullOf(lateral.bracket, bar('right'))).toBeCloseTo(single, 6);
    expect(pullOf(lateral.bracket, bar('left'))).toBeCloseTo(single, 6);
  });

  it('is of each of a pair at its own bracket, and the harder of both where one stands for both', () => {
    const all = evaluate(car).of(pulls)?.byKind;
    const [left, right] = [all?.['lower.left']?.value ?? NaN, all?.['lower.right']?.value ?? NaN];
    expect(Math.abs(left - right)).toBeGreaterThan(1);
    expect([pullOf('lowerL'), pullOf('lowerR')]).toEqual([left, right]);
    const { lowerR: _, ...brackets } = car.brackets;
    expect(evaluate({ ...car, brackets }).of(pulls)?.byBracket['lowerL']?.value).toBe(Math.max(left, right));
  });

  it('is at a bracket that was turned another link: a stop, and a look at each', () => {
    const turned = (by: number): Plan => {
      const { lowerR } = car.brackets as Readonly<Record<string, Bracket>> & { lowerR: Bracket };
      const place = { ...(lowerR.place as NonNullable<Bracket['place']>) };
      return {
        ...car,
        brackets: {
          ...car.brackets,
          lowerR: { ...lowerR, place: { ...place, clock: (place.clock ?? 0) + by } },
        },
      };
    };
    const pair = (plan: Plan) => evaluate(plan).checks.find(({ id }) => id === 'arm.lower.pair');
    expect(pair(car)?.level).toBe('ok');
    const off = pair(turned((20 * Math.PI) / 180));
    expect(off?.level).toBe('stop');
    // By coordinates: its bolt on a circle about the tube, from 178° turned by 20° forward or back.
    const link = evaluate(turned((20 * Math.PI) / 180)).of(arms);
    const [l, r] = (['left', 'right'] as const).map(
      (side) => link.find(({ member }) => member.key === 'lower' && member.side === side)?.length?.value ?? NaN,
    ) as [number, number];
    expect(off?.figure?.value).toBeCloseTo(l - r, 9);
    expect(Math.abs(l - r)).toBeGreaterThan(30);
    const { lowerR: _, ...brackets } = car.brackets;
    expect(pair({ ...car, brackets })?.level).toBe('unknown');
    // Said by its id, whatever its name.
    const arm = { ...lower, bracketRight: 'upperL' };
    expect(pair({ ...car, arms: { ...car.arms, lower: arm } })?.level).toBe('stop');
  });
});

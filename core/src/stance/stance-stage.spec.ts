import { describe, expect, it } from 'vitest';
import { given, type Figure } from '../measure';
import type { Fact } from '../plan';
import { RAD_PER_DEGREE } from '../units';
import { stanceChecks, stanceStage, tightest, type StanceInput } from './index';

const mm = (id: string, value: number): Figure => given(id, id, value, 0.4, 'mm', 'test');
const seen = (value: string): Fact => ({ value, evidence: 'seen' });
const figures = (values: Readonly<Record<string, number>>): Record<string, Figure> =>
  Object.fromEntries(Object.entries(values).map(([id, value]) => [id, mm(id, value)]));

const ROOM = {
  'room.in.ride.low.left': 541.6,
  'room.in.ride.top.left': 547.5,
  'room.in.bump.top.left': 552.3,
  'room.out.ride.left': 793.7,
  'room.out.bump.left': 786.4,
  'room.lip.left': 352.6,
  'room.in.ride.low.right': 538.1,
  'room.in.bump.top.right': 549.2,
  'room.out.bump.right': 783.3,
  'room.lip.right': 349.4,
  'spring.bump': 72,
  'spring.droop': 88,
};
const WHEEL = { 'wheel.rim': 5.5, 'wheel.et': 30, 'stance.shift': 3, 'brief.tyreDiameter': 600.5 };
const LEAN = { 'stance.lean': given('stance.lean', 'lean', 1.5 * RAD_PER_DEGREE, 0, 'rad', 'test') };

const input = (
  more: Partial<StanceInput> = {},
  values: Readonly<Record<string, number>> = {},
): StanceInput => ({
  width: mm('width', 1402),
  figures: { ...figures({ ...ROOM, ...WHEEL, ...values }), ...LEAN },
  facts: { 'room.kind.low.left': seen('spring'), 'room.kind.top.left': seen('arch') },
  tyre: '165R13',
  spacer: 'none',
  limits: { inboard: 19, spring: 25, outboard: 13, radial: 25 },
  ...more,
});
const gap = (result: ReturnType<typeof stanceStage>, id: string) =>
  result.clearances.find((c) => c.gap.id === `gap.${id}`)?.gap.value;

describe('stance', () => {
  const result = stanceStage(input());

  it('grows the tyre with its rim and places it: 165 on 5.5 is 170 wide, its middle at 671', () => {
    expect(result.section?.value).toBeCloseTo(170, 9);
    expect(result.backspace?.value).toBeCloseTo((5.5 * 25.4 + 25.4) / 2 + 30, 9);
    expect(result.edges?.left).toMatchObject({ centre: 671, tyreIn: 586, tyreOut: 756 });
  });

  it('gives the gap in every pose, less what the axle moves, leans and bulges', () => {
    // By hand: 671 − 85 − 547.5; at bump less 3 of give; in a corner less bulge 6.8, give 3, lean 300.25·sin 1.5°.
    expect(gap(result, 'ride.room.in.ride.top.left')).toBeCloseTo(38.5, 9);
    expect(gap(result, 'bump.room.in.bump.top.left')).toBeCloseTo(671 - 85 - 552.3 - 3, 9);
    expect(gap(result, 'corner.room.in.ride.top.left')).toBeCloseTo(38.5 - 6.8 - 3 - 7.8596, 3);
    expect(gap(result, 'bump.room.out.bump.left')).toBeCloseTo(786.4 - 671 - 85 - 3, 9);
    expect(result.clearances.find((c) => c.place === 'room.in.ride.low.left')?.limit).toBe('spring');
  });

  it('holds the lip only where the tyre comes up to it', () => {
    // At ride height the tyre’s top stands 352.6 − 300.25 below the lip, more than 25.
    expect(gap(result, 'ride.room.out.ride.left')).toBeUndefined();
    const low = stanceStage(input({}, { 'room.lip.left': 318.4 }));
    expect(gap(low, 'ride.room.out.ride.left')).toBeCloseTo(793.7 - 671 - 85, 9);
    expect(result.radial.left?.value).toBeCloseTo(352.6 - 72 - 300.25, 9);
  });

  it('moves the axle by its lateral bar, out on one side and in on the other', () => {
    const bar = { 'bar.length': 880, 'bar.rise': 20, 'stance.shift': 0 };
    const withBar = stanceStage(input({ facts: { 'bar.side': seen('right') } }, bar));
    // Toward its chassis end on the right by 4.916 at 72 of bump less 75: √(880² − 92²) − √(880² − 20²) = −4.595.
    expect(gap(withBar, 'bump.room.in.bump.top.left')).toBeCloseTo(671 - 85 - 552.3 - 4.595, 2);
    expect(gap(withBar, 'bump.room.in.bump.top.right')).toBeCloseTo(671 - 85 - 549.2 + 4.595, 2);
    expect(stanceStage(input({}, { ...bar, 'bar.length': 60 })).clearances.length).toBeGreaterThan(0);
  });

  it('stands off centre on purpose, and behind a spacer', () => {
    const off = stanceStage(input({}, { 'stance.offCentre': 4 }));
    expect(gap(off, 'ride.room.in.ride.top.left')).toBeCloseTo(42.5, 9);
    expect(gap(off, 'bump.room.in.bump.top.right')).toBeCloseTo(671 - 85 - 549.2 - 3 - 4, 9);
    const spaced = stanceStage(input({ spacer: 'plain' }, { 'spacer.thick': 5 }));
    expect(spaced.et?.value).toBe(25);
    expect(spaced.backspace?.value).toBe(result.backspace?.value);
  });

  it('solves for width and offset: the tighter end of either side decides', () => {
    // Inboard: left in a corner 547.5 + 19 + 85 + 6.8 + 3 + 7.8596; outboard: right at bump 783.3 − 13 − 85 − 3.
    const [least, most] = [669.1596, 682.3];
    expect(result.spans?.half.least).toBeCloseTo(least + 30, 3);
    expect(result.spans?.half.most).toBeCloseTo(most + 30, 3);
    expect(result.spans?.et.least).toBeCloseTo(701 - most, 3);
    expect(result.spans?.et.most).toBeCloseTo(701 - least, 3);
    expect(result.archWork).toEqual({ left: 0, right: 0 });
    const wide = stanceStage(input({ tyre: '245/45R13' }, { 'wheel.rim': 9 }));
    expect(wide.archWork.left).toBeGreaterThan(30);
  });

  it('keeps a wrong size for what it is, and says nothing of what is not known', () => {
    expect(stanceStage(input({ tyre: '920/60R15' }))).toMatchObject({
      tyre: undefined,
      clearances: [],
      spans: undefined,
    });
    expect(stanceStage(input({ tyre: '920/60R15' })).tyreProblem).toContain('A section of 920 mm');
    const empty = stanceStage({ ...input(), figures: {}, width: undefined, tyre: '' });
    expect(empty).toMatchObject({ tyreProblem: '', clearances: [], edges: undefined, caliper: undefined });
  });

  it('takes a measured section before the size’s own', () => {
    expect(stanceStage(input({}, { 'tyre.section': 173.4 })).section?.value).toBe(173.4);
  });
});

describe('checks of stance', () => {
  const checks = (more: Partial<StanceInput> = {}, values: Readonly<Record<string, number>> = {}) =>
    stanceChecks(
      {
        stance: stanceStage(input(more, values)),
        spacer: more.spacer ?? 'none',
        spacerThick: figures(values)['spacer.thick'],
      },
      {},
    );
  const level = (id: string, more: Partial<StanceInput> = {}, values: Readonly<Record<string, number>> = {}) =>
    checks(more, values).find((c) => c.id === id)?.level;

  it('finds the tightest place of a side over all poses', () => {
    const { clearances } = stanceStage(input());
    expect(tightest(clearances, 'left', 'inboard', {})?.gap.id).toBe('gap.corner.room.in.ride.top.left');
  });

  it('cautions near the lip and stops where the tyre touches it', () => {
    expect(level('stance.outboard.right')).toBe('ok');
    expect(level('stance.outboard.right', {}, { 'wheel.et': 12 })).toBe('caution');
    const touching = checks({}, { 'wheel.et': 2 }).find((c) => c.id === 'stance.outboard.right');
    expect(touching).toMatchObject({ level: 'stop', title: 'Right tyre touches the arch lip' });
    // 783.3 − 699 − 85 − 3.
    expect(touching?.figure?.value).toBeCloseTo(-3.7, 9);
    expect(touching?.todo).toContain('Take 16.7 mm more offset');
  });

  it('says how much metal must move where nothing clears', () => {
    const [check] = checks({ tyre: '245/45R13' }, { 'wheel.rim': 9 }).filter(
      (c) => c.id === 'stance.inboard.left',
    );
    expect(check?.todo).toMatch(/No place clears on this side: \d+\.\d mm of metal/);
  });

  it('holds the rim round the brake', () => {
    const brake = (radius: number) =>
      level('stance.caliper', {}, { 'rim.inside': 306.2, 'brake.radius': radius });
    expect([brake(146), brake(151), brake(153.4)]).toEqual(['ok', 'caution', 'stop']);
  });

  it('holds spacers to their limits', () => {
    const spacer = (kind: 'plain' | 'adapter', thick: number) =>
      level('stance.spacer', { spacer: kind }, { 'spacer.thick': thick });
    expect([spacer('plain', 5.5), spacer('plain', 7), spacer('adapter', 22), spacer('adapter', 16)]).toEqual([
      'ok',
      'stop',
      'ok',
      'stop',
    ]);
  });

  it('stops at a size that is none, in its words', () => {
    expect(checks({ tyre: 'fifteen' }).find((c) => c.id === 'stance.tyre')?.reason).toContain('no tyre size');
  });
});

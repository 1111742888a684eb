import { inMm } from '../../testing/in-mm';
import { lookIn } from '../../testing/plans';
import { limitsOf } from '../../plan';
import { describe, expect, it } from 'vitest';
import { given, type Figure } from '../../measure';
import { RAD_PER_DEGREE } from '../../units';
import { stanceChecks, tightest } from './stance-checks';
import { stanceStage } from './stance-stage';
import type { StanceInput } from './stance-result';
import type { Fact } from '../../stage';

const mm = (id: string, value: number): Figure => given(id, id, value, 0.4, 'mm', 'test');
const seen = (value: string): Fact => ({ value, evidence: 'seen' });
const figures = (values: Readonly<Record<string, number>>): Record<string, Figure> =>
  Object.fromEntries(Object.entries(values).map(([id, value]) => [id, mm(id, value)]));

const ROOM = {
  'room.in.ride.low.left': 541.6,
  'room.in.ride.axle.left': 536.2,
  'room.in.ride.top.left': 547.5,
  'room.in.bump.low.left': 540.8,
  'room.in.bump.axle.left': 536.6,
  'room.in.bump.top.left': 552.3,
  'room.out.ride.left': 793.7,
  'room.out.bump.left': 786.4,
  'room.lip.left': 352.6,
  'room.in.ride.low.right': 538.1,
  'room.in.ride.axle.right': 533.6,
  'room.in.ride.top.right': 544.8,
  'room.in.bump.low.right': 537.5,
  'room.in.bump.axle.right': 534,
  'room.in.bump.top.right': 549.2,
  'room.out.ride.right': 790.6,
  'room.out.bump.right': 783.3,
  'room.lip.right': 349.4,
  'spring.bump': 72,
  'spring.droop': 88,
};
const WHEEL = { 'wheel.rim': 5.5, 'wheel.et': 30, 'stance.shift': 3, 'brief.tyreDiameter': 600.5 };
const lean = (degrees: number) => given('stance.lean', 'lean', degrees * RAD_PER_DEGREE, 0, 'rad', 'test');
const KINDS = Object.fromEntries(
  ['left', 'right'].flatMap((side) => [
    [`room.kind.low.${side}`, seen('spring')],
    [`room.kind.axle.${side}`, seen('rail')],
    [`room.kind.top.${side}`, seen('arch')],
  ]),
);

const input = (
  more: Partial<StanceInput> = {},
  values: Readonly<Record<string, number>> = {},
  without: readonly string[] = [],
  degrees = 1.5,
): StanceInput => {
  const all: Record<string, Figure | undefined> = {
    ...figures({ ...ROOM, ...WHEEL, ...values }),
    'stance.lean': lean(degrees),
  };
  // A rim is told in inches, which are a plain number.
  if (all['wheel.rim'])
    all['wheel.rim'] = given('wheel.rim', 'rim', all['wheel.rim'].value, 0.1, 'count', 'test');
  for (const id of without) all[id] = undefined;
  return {
    width: mm('width', 1402),
    figures: lookIn(all),
    facts: lookIn(KINDS),
    tyre: '165R13',
    spacer: 'none',
    camberLeft: undefined,
    camberRight: undefined,
    limits: { inboard: 19, spring: 25, outboard: 13, radial: 25 },
    outward: undefined,
    ...more,
  };
};
const gap = (result: ReturnType<typeof stanceStage>, id: string) =>
  result.clearances.find((c) => c.gap.id === `gap.${id}`)?.gap.value;

/** The left wheel wants out, the right one in. */
const UNEVEN = { 'room.in.bump.top.left': 560, 'room.out.bump.right': 777 };

// By hand: 165 + 0.4·25.4·(5.5 − 4.5) = 175.16, half of it 87.58, bulging 0.54·175.16 = 94.5864; middle at 701 − 30.
describe('stance', () => {
  const result = stanceStage(input());

  it('grows the tyre with its rim and places it: 165 on 5.5 is 175.16 wide, its middle at 671', () => {
    expect(result.section?.value).toBeCloseTo(175.16, 9);
    expect(result.backspace?.value).toBeCloseTo((5.5 * 25.4 + 25.4) / 2 + 30, 9);
    expect(result.edges?.left).toMatchObject({
      centre: 671,
      tyreIn: expect.closeTo(583.42, 9),
      tyreOut: expect.closeTo(758.58, 9),
    });
    expect(result.track?.value).toBeCloseTo(1342, 9);
  });

  it('counts the rim where it is wider than its tyre: 195 on 9.5 inch is 230.56, the rim 266.7', () => {
    const wide = stanceStage(input({ tyre: '195/60R15' }, { 'wheel.rim': 9.5, 'wheel.et': 0 }));
    expect(wide.section?.value).toBeCloseTo(230.56, 9);
    expect(wide.edges?.left).toMatchObject({ tyreIn: 701 - 133.35, tyreOut: 701 + 133.35 });
    expect(gap(wide, 'ride.room.in.ride.top.left')).toBeCloseTo(701 - 133.35 - 547.5, 9);
  });

  it('gives the gap in every pose, less what the axle moves, leans and bulges', () => {
    expect(gap(result, 'ride.room.in.ride.top.left')).toBeCloseTo(35.92, 9);
    expect(gap(result, 'bump.room.in.bump.top.left')).toBeCloseTo(671 - 87.58 - 552.3 - 3, 9);
    // Lean 300.25 · sin 1.5° = 7.8596.
    expect(gap(result, 'corner.room.in.ride.top.left')).toBeCloseTo(671 - 94.5864 - 547.5 - 3 - 7.8596, 3);
    expect(gap(result, 'bump.room.out.bump.left')).toBeCloseTo(786.4 - 671 - 87.58 - 3, 9);
    expect(result.clearances.find((c) => c.place === 'room.in.ride.low.left')?.limit).toBe('spring');
  });

  it('compresses, leans and bulges the outer wheel of a bend at once, between what was read at ride and bump', () => {
    // 547.5 + 0.8·4.8 = 551.34; lip 793.7 − 0.8·7.3 = 787.86, 352.6 − 57.6 = 295 above the hub.
    expect(gap(result, 'outer.room.in.bump.top.left')).toBeCloseTo(671 - 94.5864 - 551.34 - 3 - 7.8596, 3);
    expect(gap(result, 'outer.room.out.bump.left')).toBeCloseTo(787.86 - 671 - 94.5864 - 3 - 7.7222, 3);
    // The inner wheel hangs: its lip stands 352.6 + 44 above, clear of the tyre’s top.
    expect(gap(result, 'inner.room.out.ride.left')).toBeUndefined();
    expect(gap(result, 'inner.room.in.ride.top.left')).toBeCloseTo(671 - 87.58 - 547.5 - 3 - 7.8596, 3);
  });

  it('moves the tyre’s top by built-in camber: out on the outside, away from what stands inboard', () => {
    const cambered = stanceStage(
      input({ camberLeft: given('float.camber.left', 'camber', -0.8 * RAD_PER_DEGREE, 0, 'rad', 'test') }),
    );
    // 300.25 · sin 0.8° = 4.1921: leaning in, the top comes nearer inboard and leaves the lip.
    expect(gap(cambered, 'ride.room.in.ride.top.left')).toBeCloseTo(35.92 - 4.1921, 3);
    expect(gap(cambered, 'ride.room.in.ride.top.right')).toBeCloseTo(671 - 87.58 - 544.8, 9);
    // 280.6 · sin 0.8° = 3.9178.
    expect(gap(cambered, 'bump.room.out.bump.left')).toBeCloseTo(24.82 + 3.9178, 3);
  });

  it('holds the lip only where the tyre comes up to it', () => {
    // At ride height the tyre’s top stands 352.6 − 300.25 below the lip, more than 25.
    expect(gap(result, 'ride.room.out.ride.left')).toBeUndefined();
    const low = stanceStage(input({}, { 'room.lip.left': 318.4 }));
    expect(gap(low, 'ride.room.out.ride.left')).toBeCloseTo(793.7 - 671 - 87.58, 9);
    expect(result.radial.left?.value).toBeCloseTo(352.6 - 72 - 300.25, 9);
  });

  it('moves the axle by its lateral bar, out on one side and in on the other', () => {
    const bar = { 'bar.length': 880, 'bar.rise': 20, 'stance.shift': 0 };
    const facts = lookIn({ ...KINDS, 'bar.side': seen('right') });
    const withBar = stanceStage(input({ facts }, bar));
    // Toward its chassis end on the right: √(880² − 92²) − √(880² − 20²) = −4.595.
    expect(gap(withBar, 'bump.room.in.bump.top.left')).toBeCloseTo(671 - 87.58 - 552.3 - 4.595, 2);
    expect(gap(withBar, 'bump.room.in.bump.top.right')).toBeCloseTo(671 - 87.58 - 549.2 + 4.595, 2);
    const short = stanceStage(input({ facts }, { ...bar, 'bar.length': 60 }));
    expect([short.lateralBar, withBar.lateralBar, stanceStage(input()).lateralBar]).toEqual([
      'short',
      'reaches',
      undefined,
    ]);
    expect(short.lacks.left.inboard).toContain('bar.length');
  });

  it('stands off centre on purpose, and behind a spacer', () => {
    const off = stanceStage(input({}, { 'stance.offCentre': 4 }));
    expect(gap(off, 'ride.room.in.ride.top.left')).toBeCloseTo(39.92, 9);
    expect(gap(off, 'bump.room.in.bump.top.right')).toBeCloseTo(671 - 87.58 - 549.2 - 3 - 4, 9);
    const spaced = stanceStage(input({ spacer: 'plain' }, { 'spacer.thick': 5 }));
    expect(spaced.et?.value).toBe(25);
    expect(spaced.backspace?.value).toBe(result.backspace?.value);
  });

  it('knows no offset behind a spacer whose thickness nobody read', () => {
    const spaced = stanceStage(input({ spacer: 'plain' }));
    expect(spaced).toMatchObject({ et: undefined, clearances: [], spans: undefined, proven: false });
    expect(spaced.lacks.right.outboard).toContain('spacer.thick');
  });

  it('solves for width and offset: the tighter end of either side decides', () => {
    const level = stanceStage(input({}, {}, [], 0));
    // Outer wheel, left: 551.34 + 19 + 94.5864 + 3; right, 790.6 − 0.8·7.3 = 784.76 − 13 − 94.5864 − 3.
    const [least, most] = [667.9264, 674.1736];
    expect(level.spans?.half.least).toBeCloseTo(least + 30, 3);
    expect(level.spans?.half.most).toBeCloseTo(most + 30, 3);
    expect(level.spans?.et.least).toBeCloseTo(701 - most, 3);
    expect(level.spans?.et.most).toBeCloseTo(701 - least, 3);
    expect(level.archWork).toEqual({ left: 0, right: 0 });
    const wide = stanceStage(input({ tyre: '245/45R13' }, { 'wheel.rim': 9 }));
    expect(wide.archWork.left).toBeGreaterThan(30);
  });

  it('says how far the axle itself must move where the sides want unlike offsets', () => {
    // Left least 557.5 + 19 + 94.5864 + 3 = 674.0864, right most 779.72 − 110.5864 = 669.1336, the middle at 671.
    expect(stanceStage(input({}, UNEVEN, [], 0)).axleMove).toBeCloseTo((3.0864 + 1.8664) / 2, 4);
    expect(stanceStage(input({}, {}, [], 0)).axleMove).toBeUndefined();
  });

  it('carries all that a gap rests on: room, width, shift', () => {
    const found = result.clearances.find((c) => c.gap.id === 'gap.bump.room.in.bump.top.left');
    expect(Object.keys(found?.gap.contributions ?? {}).sort()).toEqual(
      ['room.in.bump.top.left', 'stance.shift', 'wheel.et', 'wheel.rim', 'width'].sort(),
    );
  });

  it.each([
    ['room.in.bump.top.left', 'inboard'],
    ['room.in.ride.low.left', 'inboard'],
    ['room.out.bump.left', 'outboard'],
    ['room.lip.left', 'outboard'],
    ['spring.bump', 'outboard'],
    ['spring.droop', 'inboard'],
  ] as const)('proves nothing without %s', (id, from) => {
    const open = stanceStage(input({}, {}, [id], 0));
    expect(open.lacks.left[from]).toContain(id);
    expect(open).toMatchObject({
      proven: false,
      spans: undefined,
      archWork: { left: undefined, right: undefined },
      widest: { left: undefined },
    });
  });

  it('keeps a wrong size for what it is, and says nothing of what is not known', () => {
    expect(stanceStage(input({ tyre: '920/60R15' }))).toMatchObject({
      tyre: undefined,
      clearances: [],
      spans: undefined,
    });
    expect(stanceStage(input({ tyre: '920/60R15' })).tyreProblem).toContain('A section of 920 mm');
    const empty = stanceStage({ ...input(), figures: lookIn({}), width: undefined, tyre: '' });
    expect(empty).toMatchObject({ tyreProblem: '', clearances: [], edges: undefined, caliper: undefined });
  });

  it('takes a measured section before the size’s own', () => {
    expect(stanceStage(input({}, { 'tyre.section': 173.4 })).section?.value).toBe(173.4);
  });
});

describe('checks of stance', () => {
  const checks = (
    more: Partial<StanceInput> = {},
    values: Readonly<Record<string, number>> = {},
    without: readonly string[] = [],
    degrees = 0,
  ) => {
    const all = input(more, values, without, degrees);
    return stanceChecks(
      {
        stance: stanceStage(all),
        spacer: more.spacer ?? 'none',
        spacerThick: figures(values)['spacer.thick'],
        facts: all.facts,
      },
      limitsOf({}),
    );
  };
  const level = (id: string, ...from: Parameters<typeof checks>) =>
    checks(...from).find((c) => c.id === id)?.level;

  it('finds the tightest place of a side over all poses', () => {
    const { clearances } = stanceStage(input());
    expect(tightest(clearances, 'left', 'inboard', limitsOf({}))?.gap.id).toBe(
      'gap.outer.room.in.bump.top.left',
    );
  });

  it('cautions near the lip and stops where the tyre touches it', () => {
    expect(level('stance.outboard.right')).toBe('ok');
    expect(level('stance.outboard.right', {}, { 'wheel.et': 20 })).toBe('caution');
    const touching = checks({}, { 'wheel.et': 2 }).find((c) => c.id === 'stance.outboard.right');
    expect(touching).toMatchObject({ level: 'stop', title: 'Right tyre touches the arch lip' });
    // 784.76 − 699 − 94.5864 − 3.
    expect(touching?.figure?.value).toBeCloseTo(-11.8264, 9);
    expect(inMm(touching?.todo)).toContain('Take 24.8 mm more offset');
  });

  it('proposes to move the axle where one offset cannot suit both sides', () => {
    const list = checks({}, UNEVEN).filter((c) => /stance\.(in|out)board/.test(c.id) && c.level !== 'ok');
    expect(list.map((c) => c.id)).toEqual(['stance.inboard.left', 'stance.outboard.right']);
    for (const check of list) expect(inMm(check.todo)).toContain('set the axle 2.5 mm further to the left');
  });

  it('says how much metal must move where nothing clears', () => {
    const [check] = checks({ tyre: '245/45R13' }, { 'wheel.rim': 9 }).filter(
      (c) => c.id === 'stance.inboard.left',
    );
    expect(inMm(check?.todo)).toMatch(/No place clears on this side: \d+\.\d mm of metal/);
  });

  it('never calls clear what was not read: the lip at bump, the travel, what stands at the tyre’s top', () => {
    const lip = checks({}, {}, ['room.out.bump.left']);
    const of = (list: ReturnType<typeof checks>, id: string) => list.find((c) => c.id === id);
    expect(of(lip, 'stance.outboard.left')).toMatchObject({ level: 'unknown', lacks: ['room.out.bump.left'] });
    expect(of(lip, 'stance.inboard.left')?.level).toBe('ok');
    // 38.7 above the lip, and nothing is known of how far it stands out.
    const high = checks({}, { 'room.lip.left': 333.55 }, ['room.out.bump.left']);
    expect(of(high, 'stance.radial.left')).toMatchObject({
      level: 'unknown',
      figure: { value: expect.closeTo(-38.7, 9) },
    });
    const travel = checks({}, {}, ['spring.bump']);
    expect(of(travel, 'stance.radial.right')?.level).toBe('unknown');
    expect(of(travel, 'stance.outboard.right')?.level).toBe('unknown');
    expect(of(checks({}, {}, ['room.in.bump.top.right']), 'stance.inboard.right')?.level).toBe('unknown');
    expect(of(checks({ spacer: 'adapter' }), 'stance.spacer')?.level).toBe('unknown');
  });

  it('still stops where what is known touches already', () => {
    expect(level('stance.outboard.right', {}, { 'wheel.et': 2 }, ['room.in.bump.top.right'])).toBe('stop');
  });

  it('keeps the wider gap to a thing of which nobody said what it is', () => {
    const { 'room.kind.top.left': _kind, ...facts } = KINDS;
    const at = (f: typeof facts) => checks({ facts: lookIn(f) }).find((c) => c.id === 'stance.inboard.left');
    // 671 − 94.5864 − 551.34 − 3 = 22.07: more than 19, less than 25.
    expect(at(KINDS)?.level).toBe('ok');
    expect(at(facts)).toMatchObject({ level: 'caution', limit: { id: 'stance.spring' } });
    expect(at(facts)?.reason).toContain('was not said');
  });

  it('holds the tyre’s diameter against its size', () => {
    // 165R13 stands 330.2 + 2·0.82·165 = 600.8.
    expect(level('tyre.size')).toBe('ok');
    expect(level('tyre.size', {}, { 'brief.tyreDiameter': 640 })).toBe('stop');
  });

  it('stops at a lateral bar that does not reach, and holds both its readings for it', () => {
    const bar = { 'bar.length': 880, 'bar.rise': 20 };
    const facts = lookIn({ ...KINDS, 'bar.side': seen('right') });
    const found = (values: Readonly<Record<string, number>>) =>
      checks({ facts }, values).find((c) => c.id === 'stance.bar');
    expect(found(bar)).toMatchObject({ level: 'ok', todo: '' });
    expect(found(bar)?.contradicts).toBeUndefined();
    expect(found({ ...bar, 'bar.length': 60 })).toMatchObject({
      level: 'stop',
      contradicts: ['bar.length', 'bar.rise'],
    });
    expect(found({})).toBeUndefined();
    // One of its sizes, or the way it droops, is not known: nobody can tell yet.
    expect(found({ 'bar.length': 880 })?.level).toBe('unknown');
    expect(checks({ facts }, bar, ['spring.droop']).find((c) => c.id === 'stance.bar')).toMatchObject({
      level: 'unknown',
      lacks: expect.arrayContaining(['spring.droop']) as unknown,
    });
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

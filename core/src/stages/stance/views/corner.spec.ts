import { describe, expect, it } from 'vitest';
import { reading, workedPlan } from '../../../testing/plans';
import { flangeView, jigView } from '../../hubs/views/flange';
import { cornerViews } from './corner';
import { evaluate } from '../../../evaluate';
import { EMPTY_PLAN, type Plan } from '../../../plan';
import { captionText } from '../../../drawing';

const tape = (value: number) => reading('tape', value);
const caliper = (value: number) => reading('caliper', value);
const tern: Plan = workedPlan(
  {
    'wheel.rim': reading('chosen', 5.5),
    'wheel.et': reading('chosen', 30),
    'brief.tyreDiameter': tape(600.5),
    'spring.bump': tape(72),
    'room.in.ride.low.left': tape(541.6),
    'room.in.ride.top.left': tape(547.5),
    'room.out.bump.left': tape(786.7),
    'room.lip.left': tape(352.6),
    'room.in.ride.low.right': tape(538.1),
    'room.in.ride.top.right': tape(544.8),
    'room.out.bump.right': tape(783.3),
    'room.lip.right': tape(349.4),
    'donor.flangeHoles': reading('count', 5),
    'donor.flangePcd': caliper(107.96),
    'donor.flangeHole': caliper(13.92),
    'car.wheelHoles': reading('count', 5),
    'car.wheelPcd': caliper(108.04),
  },
  { tyre: '165R13' },
);
const packhorse: Plan = {
  ...workedPlan({
    'donor.flangeHoles': reading('count', 5),
    'donor.flangePcd': caliper(120.02),
    'donor.flangeHole': caliper(14),
    'donor.flangeRim': caliper(158.4),
    'donor.pilot': caliper(72.6),
    'car.wheelHoles': reading('count', 5),
    'car.wheelPcd': caliper(108.04),
  }),
  keepOuts: { screw: { name: 'rotor screw', radius: 46.2, angle: 0.3142, diameter: 8.1 } },
};

describe('rear corner', () => {
  it('draws tyre and rim where offset and width put them, mirrored on the left', () => {
    // 1402/2 − 30 = 671; 165 + 10.16 wide.
    const tyre = (side: 'left' | 'right') => {
      const views = evaluate(tern).of(cornerViews);
      const shape = views[side].shapes.find((s) => s.style === 'tyre');
      if (shape?.kind !== 'outline') throw new Error('no tyre');
      const us = shape.points.map((p) => p[0]);
      return [Math.min(...us), Math.max(...us)];
    };
    const near = (list: readonly number[]) => list.map((v) => expect.closeTo(v, 9));
    expect(tyre('right')).toEqual(near([583.42, 758.58]));
    expect(tyre('left')).toEqual(near([-758.58, -583.42]));
  });

  it('lets the wheel move with its offset and the face with the width, the way the mouse goes', () => {
    for (const side of ['left', 'right'] as const) {
      const before = evaluate(tern).of(cornerViews)[side].handles;
      expect(before.map((h) => h.quantityId)).toEqual(['wheel.et', 'brief.targetWidth']);
      for (const handle of before) {
        const moved = {
          ...tern,
          readings: { ...tern.readings, [handle.quantityId]: reading('chosen', handle.value + 4) },
        };
        const views = evaluate(moved).of(cornerViews);
        const after = views[side].handles.find((h) => h.quantityId === handle.quantityId);
        expect((after?.at[0] ?? 0) - handle.at[0]).toBeCloseTo(4 * handle.direction, 9);
      }
    }
  });

  it('names the tightest gaps with their pose', () => {
    const dims = evaluate(tern).of(cornerViews).left.dimensions;
    const strong = (list: typeof dims) => list.filter((d) => d.strong);
    expect(strong(dims).map((d) => d.name)).toEqual(['corner', 'bump']);
    // Each place has its tightest gap where it is.
    expect(dims.filter((d) => d.row === 0).length).toBeGreaterThanOrEqual(3);
    expect(dims.filter((d) => d.row !== 0).map((d) => d.name)).toEqual(['ET', 'backspace']);
    // By hand: 671 − 94.5864 − 547.5 − 3 − 300.25·sin 1.5°.
    expect(strong(dims)[0]?.value).toBeCloseTo(18.054, 2);
    // A spring at the rim’s bottom that the project keeps farther off has less left over its limit.
    const facts: Plan['facts'] = {
      'room.kind.low.left': { value: 'spring', evidence: 'seen' },
      'room.kind.top.left': { value: 'arch', evidence: 'seen' },
    };
    const results = evaluate({ ...tern, facts });
    const limits: Plan['limits'] = { 'stance.spring': { value: 61, reason: 'Coil that bows out' } };
    const inboard = (list: typeof dims) => strong(list)[0]?.figureId;
    expect(inboard(results.of(cornerViews).left.dimensions)).toContain('.top.left');
    expect(inboard(evaluate({ ...tern, facts, limits }).of(cornerViews).left.dimensions)).toContain(
      '.low.left',
    );
  });

  it('does not let a width be dragged that follows from the cut', () => {
    const short = { ...tern, choices: { ...tern.choices, school: 'shortShaft' as const } };
    expect(
      evaluate(short)
        .of(cornerViews)
        .right.handles.map((h) => h.quantityId),
    ).toEqual(['wheel.et']);
  });

  it('draws the room alone while no wheel is chosen, and nothing of nothing', () => {
    const view = evaluate({ ...tern, choices: { ...tern.choices, tyre: '' } }).of(cornerViews).right;
    expect(view.shapes.some((s) => s.style === 'tyre')).toBe(false);
    expect(view.shapes.some((s) => s.style === 'room')).toBe(true);
    expect(evaluate(EMPTY_PLAN).of(cornerViews).left.bounds).toMatchObject({ left: -860, right: -420 });
  });
});

describe('flange and jig', () => {
  it('show old holes, new ones and what must stay whole', () => {
    const view = evaluate(packhorse).of(flangeView);
    const count = (style: string) => view?.shapes.filter((s) => s.style === style).length;
    expect([count('hole'), count('newHole'), count('keep'), count('casting')]).toEqual([5, 5, 1, 2]);
    const words = view?.captions.map((c) => captionText(c, (mm) => mm.toFixed(1))) ?? [];
    expect(words.slice(0, 2)).toEqual(['5 × 120.0 there', '5 × 108.0 new']);
    // Holes are numbered, new ones apart, with the angle from the first old hole to the first new one.
    const first = view?.shapes.find((s) => s.style === 'newHole');
    const [u, v] = first?.kind === 'circle' ? first.centre : [0, 0];
    expect(words[2]).toBe(`${((Math.atan2(v, u) * 180) / Math.PI).toFixed(2)}°`);
    expect(words.slice(3)).toEqual(['n1', 'n2', 'n3', 'n4', 'n5', '1', '2', '3', '4', '5']);
    expect([count('pitch'), count('clock')]).toEqual([2, 3]);
  });

  it('show one pattern where both agree, and nothing while none is known', () => {
    const view = evaluate(tern).of(flangeView);
    expect(view?.shapes.filter((s) => s.style === 'newHole')).toHaveLength(0);
    expect(evaluate(EMPTY_PLAN).of(flangeView)).toBeUndefined();
    expect(evaluate(tern).of(jigView)).toBeUndefined();
  });

  it('show the jig as it is cut', () => {
    const view = evaluate(packhorse).of(jigView);
    expect(view?.shapes.filter((s) => s.style === 'newHole')).toHaveLength(5);
    expect((view?.bounds.right ?? 0) - (view?.bounds.left ?? 0)).toBeCloseTo(158.4 + 24, 6);
  });

  it('give a jig that is longer than wide its room, 12 mm round it', () => {
    const stepped: Plan = { ...packhorse, choices: { ...packhorse.choices, jig: 'step' } };
    const view = evaluate(stepped).of(jigView);
    if (!view) throw new Error('no jig');
    const reach = view.shapes.map((s) =>
      s.kind === 'circle'
        ? {
            to: [s.centre[0] + s.radius, s.centre[1] + s.radius],
            from: [s.centre[0] - s.radius, s.centre[1] - s.radius],
          }
        : {
            to: [0, 1].map((i) => Math.max(...s.points.map((p) => p[i] ?? 0))),
            from: [0, 1].map((i) => Math.min(...s.points.map((p) => p[i] ?? 0))),
          },
    );
    const most = (i: number) => Math.max(...reach.map(({ to }) => to[i] ?? 0));
    const least = (i: number) => Math.min(...reach.map(({ from }) => from[i] ?? 0));
    expect(view.bounds).toEqual({
      left: least(0) - 12,
      right: most(0) + 12,
      top: most(1) + 12,
      bottom: least(1) - 12,
    });
    expect(view.bounds.right - view.bounds.left).not.toBeCloseTo(view.bounds.top - view.bounds.bottom, 0);
  });
});

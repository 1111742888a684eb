import { inMm } from '../../testing/in-mm';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { allFigures, evaluate, restsOnLevel } from '../../evaluate';
import type { Figure } from '../../measure';
import { EMPTY_PLAN, type Plan } from '../../plan';
import { reading } from '../../testing/plans';
import { captionText } from '../../drawing';
import { endView, LEAN_DRAWN } from './views/end';
import { topView } from './views/top';
import { level } from './figures/car';
import { spread } from '../../testing/spread';

const heights = (leftFront: number, rightFront: number, leftRear: number, rightRear: number) =>
  Object.fromEntries(
    Object.entries({ leftFront, rightFront, leftRear, rightRear }).map(([c, mm]) => [
      `level.height.${c}`,
      reading('tape', mm),
    ]),
  );
const plan = (...parts: Record<string, ReturnType<typeof reading>>[]): Plan => ({
  ...EMPTY_PLAN,
  readings: Object.assign({}, ...parts) as Plan['readings'],
});
const value = (p: Plan, id: string) => allFigures(evaluate(p)).get(id)?.value;
const check = (p: Plan, id: string) => evaluate(p).checks.find((c) => c.id === id);
const square = {
  'level.wheelbase.left': reading('tape', 2453.6),
  'level.wheelbase.right': reading('tape', 2448.2),
  'level.track': reading('tape', 1318),
  'level.sillLength': reading('tape', 1640),
};

describe('leans and twist', () => {
  it('are left less right, front less rear', () => {
    const p = plan(heights(251.3, 242.1, 247.8, 245.6), square);
    expect(value(p, 'level.frontLean')).toBeCloseTo(9.2, 9);
    expect(value(p, 'level.rearLean')).toBeCloseTo(2.2, 9);
    expect(value(p, 'level.twist')).toBeCloseTo(7, 9);
    // Means 246.7 and 246.7: no pitch. Raise the front by 11.4 mm in the mean, over the 1640 between the readings.
    expect(value(p, 'level.pitch')).toBeCloseTo(0, 9);
    expect(value(plan(heights(262.7, 253.5, 247.8, 245.6), square), 'level.pitch')).toBeCloseTo(0.0069511, 6);
    const { 'level.sillLength': _length, ...rest } = square;
    expect(value(plan(heights(262.7, 253.5, 247.8, 245.6), rest), 'level.pitch')).toBeUndefined();
  });

  it('do not change when the whole car is lifted, and a lean in one piece is no twist', () => {
    const mm = spread(150, 400);
    fc.assert(
      fc.property(mm, mm, mm, spread(-50, 50), (a, b, c, up) => {
        const of = (lift: number, id: string) =>
          value(plan(heights(a + lift, b + lift, c + lift, c - (a - b) + lift), square), id);
        expect(of(0, 'level.twist')).toBeCloseTo(0, 9);
        expect(of(up, 'level.twist')).toBeCloseTo(0, 9);
        expect(of(up, 'level.pitch')).toBeCloseTo(of(0, 'level.pitch') ?? Number.NaN, 9);
      }),
      { numRuns: 40 },
    );
  });
});

describe('thrust angle', () => {
  it('is to the left when the left wheelbase is longer: atan(5.4/1318)', () => {
    expect(value(plan(square), 'level.thrust')).toBeCloseTo(0.00409709, 7);
    // A point on the axle's normal, built from the two hubs, lies on the same side.
    const [left, right] = [
      [-2453.6, 659],
      [-2448.2, -659],
    ] as const;
    const along = [left[0] - right[0], left[1] - right[1]] as const;
    const forward = [along[1], -along[0]] as const;
    expect(Math.atan2(forward[1], forward[0])).toBeCloseTo(
      value(plan(square), 'level.thrust') ?? Number.NaN,
      9,
    );
    expect(check(plan(square), 'level.thrust')).toMatchObject({ level: 'caution' });
  });
});

describe('front first', () => {
  it('is said where the front leans too, and for the rear alone not', () => {
    const both = plan(heights(254.2, 241.1, 249.9, 241.8));
    expect(check(both, 'level.lean.front')).toMatchObject({ level: 'caution' });
    expect(check(both, 'level.lean.rear')?.todo).toMatch(/^Front first/);
    const rear = plan(heights(247.1, 245.2, 252.9, 241.8));
    expect(check(rear, 'level.lean.front')).toMatchObject({ level: 'ok' });
    expect(check(rear, 'level.lean.rear')?.todo).toMatch(/^Put the rear level/);
    expect(check(rear, 'level.twist')).toMatchObject({ level: 'caution', limit: { value: 8 } });
  });
});

describe('a car that is not level', () => {
  const off = plan(heights(254.2, 241.1, 249.9, 241.8), {
    'survey.left': reading('tape', 702.6),
    'survey.right': reading('tape', 698.1),
    'survey.gearbox': reading('tape', -12.2),
    'donor.half.left': reading('tape', 792.4),
    'donor.half.right': reading('tape', 741.2),
    'brief.targetWidth': reading('chosen', 1402),
  });

  it('makes every number doubtful that rests on a plumb line, and no other', () => {
    const results = evaluate(off);
    expect(inMm(results.notLevel)).toMatch(/not level: front leans by 13\.1 mm, rear leans by 8\.1 mm/);
    const figures = allFigures(results);
    const doubtful = (id: string) => restsOnLevel(figures.get(id) as Figure);
    expect(doubtful('survey.offset')).toBe(true);
    expect(doubtful('survey.gearbox')).toBe(true);
    expect(doubtful('driveline.cut.left')).toBe(true);
    expect(doubtful('evenUp.cut.left')).toBe(false);
    expect(doubtful('donor.sum')).toBe(false);
  });

  it('is trusted again once it is level, or the lean is accepted with a reason', () => {
    expect(evaluate(plan(heights(247.1, 245.2, 246.9, 243.8))).notLevel).toBeUndefined();
    const acceptance = { reason: 'Leaned for the oval', figure: null, who: 'Ansa', at: '2026-11-02T10:00:00Z' };
    const accepted = { 'level.lean.front': acceptance, 'level.lean.rear': acceptance };
    expect(evaluate({ ...off, accepted }).notLevel).toBeUndefined();
  });
});

describe('false floor', () => {
  it('packs every tyre up to the highest place', () => {
    const p = plan({
      'level.floor.leftFront': reading('tape', 812.4),
      'level.floor.rightFront': reading('tape', 806.1),
      'level.floor.rightRear': reading('tape', 819.7),
      'level.floor.leftRear': reading('tape', 810.2),
    });
    const { packing } = evaluate(p).of(level);
    expect(packing.leftFront?.value).toBeCloseTo(6.3, 9);
    expect(packing.rightFront?.value).toBeCloseTo(0, 9);
    expect(packing.rightRear?.value).toBeCloseTo(13.6, 9);
    expect(packing.leftRear?.value).toBeCloseTo(4.1, 9);
    const { 'level.floor.leftRear': _, ...three } = p.readings;
    expect(evaluate({ ...p, readings: three }).of(level).packing).toEqual({});
  });
});

describe('drawings', () => {
  it('lean as much larger as they say', () => {
    const view = evaluate(plan(heights(254.2, 241.1, 249.9, 241.8))).of(endView);
    const sills = view.shapes.filter((s) => s.kind === 'outline' && s.style === 'casting');
    const front = sills[0];
    if (front?.kind !== 'outline') throw new Error('no front');
    const [left, right] = front.points;
    expect((left?.[1] ?? 0) - (right?.[1] ?? 0)).toBeCloseTo(13.1 * LEAN_DRAWN, 6);
  });

  it('say the sills’ heights as lengths, in whichever unit they are looked at', () => {
    const view = evaluate(plan(heights(254.2, 241.1, 249.9, 241.8))).of(endView);
    const said = view.captions.flatMap((c) =>
      c.length === undefined ? [] : [captionText(c, (mm) => `${mm}`)],
    );
    expect(said).toEqual(['254.2', '241.1', '249.9', '241.8']);
    expect(
      evaluate(EMPTY_PLAN)
        .of(endView)
        .captions.filter((c) => c.text === 'not read'),
    ).toHaveLength(4);
  });

  it('draw both wheelbases as long as they are', () => {
    const view = evaluate(plan(square)).of(topView);
    expect(view.dimensions.map((d) => [d.name, d.to[0] - d.from[0]])).toEqual([
      ['right', expect.closeTo(2448.2, 6)],
      ['left', expect.closeTo(2453.6, 6)],
    ]);
    expect(evaluate(EMPTY_PLAN).of(topView).dimensions).toEqual([]);
  });
});

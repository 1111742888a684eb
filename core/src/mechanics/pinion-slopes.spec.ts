import { describe, expect, it } from 'vitest';
import { accelerationOf, angleOf, axisBetween, chainMotion, type Axis, type Vector } from './joint-chain';
import { motionAt, pinionSlopes, USUAL_SLOPE_LIMITS, type SlopeQuestion } from './pinion-slopes';

const RAD = Math.PI / 180;
const deg = (rad: number | undefined) => (rad ?? NaN) / RAD;

/** A shaft of 1200 mm at a slope and in plan, held at both ends. */
function question(
  gearboxDeg: number,
  shaftDeg: number,
  planDeg = 0,
  more: Partial<SlopeQuestion> = {},
): SlopeQuestion {
  const [s, p] = [shaftDeg * RAD, planDeg * RAD];
  const end: Vector = [-1200, 1200 * Math.tan(p), -1200 * Math.tan(s)];
  return {
    gearbox: { slope: gearboxDeg * RAD, plan: 0 },
    centres: [[0, 0, 0]],
    last: () => end,
    pinionPlan: 0,
    rpm: 5500,
    aim: 'parallel',
    limits: USUAL_SLOPE_LIMITS,
    ...more,
  };
}

/** Axes as they lie, from the places alone. */
function axesAt({ gearbox, centres, last, pinionPlan }: SlopeQuestion, slope: number): readonly Axis[] {
  const places = [...centres, last(slope)];
  const shafts = places.slice(1).map((p, i) => axisBetween(places[i] as Vector, p));
  return [gearbox, ...shafts, { slope, plan: pinionPlan }];
}

/** Whether a slope keeps every limit, asked of the axes alone. */
function keeps(axes: readonly Axis[], rpm: number): boolean {
  const { joints, equivalent, drive, coast } = chainMotion(axes);
  return (
    joints.every((j) => j <= angleOf(1000, rpm)) &&
    accelerationOf(equivalent, rpm) <= 400 &&
    [...drive, ...coast].every((a) => accelerationOf(a, rpm) <= 1000)
  );
}

/** Ranges that a scan in steps of a thousandth of a degree finds. */
function scanned(q: SlopeQuestion, middle: number): number[][] {
  const found: number[][] = [];
  let open = false;
  for (let d = middle - 40; d <= middle + 40; d += 0.002) {
    const ok = keeps(axesAt(q, d * RAD), q.rpm ?? Number.NaN);
    if (ok && !open) found.push([d, d]);
    else if (ok) (found.at(-1) as number[])[1] = d;
    open = ok;
  }
  return found;
}

describe('pinion’s slope, both ends alike', () => {
  it('is the gearbox’s own', () => {
    expect(deg(pinionSlopes(question(3, 1.2)).best)).toBeCloseTo(3, 4);
    // With the shaft to one side too: parallel in both views.
    expect(deg(pinionSlopes(question(3, 1.2, 1.146)).best)).toBeCloseTo(3, 4);
  });

  it('is parallel to the gearbox however straight the joints then are', () => {
    // The gearbox’s joint stands at 0.6°; the pinion’s may mirror it to either side, the gearbox’s side is taken.
    expect(deg(pinionSlopes(question(1.8, 1.2)).best)).toBeCloseTo(1.8, 4);
    // At 0.3° needles hardly roll: that is told of the joint, and is no reason to aim elsewhere.
    const { best, allowed } = pinionSlopes(question(1.5, 1.2));
    expect(deg(best)).toBeCloseTo(1.5, 6);
    expect(allowed.some(([from, to]) => from <= 1.5 * RAD && to >= 1.5 * RAD)).toBe(true);
    expect(deg(pinionSlopes(question(2.8, 2.75)).best)).toBeCloseTo(2.8, 6);
  });

  it('needs no speed: without one there is a best, and nothing is called allowed', () => {
    const { best, allowed } = pinionSlopes(question(3, 1.2, 0, { rpm: undefined }));
    expect(deg(best)).toBeCloseTo(3, 4);
    expect(allowed).toEqual([]);
  });

  it('swings the joint’s centre with the pinion', () => {
    const axle: Vector = [-1480, 0, -25];
    const nose = 260;
    const q = question(2.4, 0, 0, {
      last: (s) => [axle[0] + nose * Math.cos(s), 0, axle[2] + nose * Math.sin(s)],
    });
    const { best } = pinionSlopes(q);
    expect(deg(best)).toBeCloseTo(2.4, 4);
    // Atan of (25 − 260 sin 2.4°)/(1480 − 260 cos 2.4°).
    expect(deg(axesAt(q, best ?? 0)[1]?.slope)).toBeCloseTo(0.66261, 4);
  });

  it.each([
    [3, 1.2, 0, 5500],
    [3, 1.2, 1.146, 5500],
    [4.1, 1.3, -0.9, 3300],
    [-1.2, 1.4, 0.3, 6200],
    [6.5, 1.2, 0, 5500],
    [2.2, 1.4, 0.02, 7400],
  ])('allows what a scan finds: gearbox %s°, shaft %s° and %s° in plan, %s rpm', (g, s, p, rpm) => {
    const q = question(g, s, p, { rpm });
    const { allowed } = pinionSlopes(q);
    const scan = scanned(q, s);
    expect(allowed.map((range) => range.map(deg))).toEqual(
      scan.map(([from = NaN, to = NaN]) => [expect.closeTo(from - 0.001, 2), expect.closeTo(to + 0.001, 2)]),
    );
  });

  it('finds windows narrower than its first steps', () => {
    // At 20 000 rpm a joint may have 0.865°: never less than √(0.8² − 0.547²) = 0.584°.
    const q = question(2, 1.2, 0, { rpm: 20_000 });
    const { allowed } = pinionSlopes(q);
    expect(allowed.map((range) => range.map(deg))).toEqual([
      [expect.closeTo(0.3349, 2), expect.closeTo(0.6164, 3)],
      [expect.closeTo(1.7836, 3), expect.closeTo(2.0651, 2)],
    ]);
  });
});

describe('pinion’s slope, other ways', () => {
  it('lines up with the shaft behind an even joint', () => {
    const { best, allowed } = pinionSlopes(question(6, 1.2, 0, { aim: 'cv' }));
    expect(deg(best)).toBeCloseTo(1.2, 6);
    expect(allowed.map((range) => range.map(deg))).toEqual([[expect.closeTo(0.2, 6), expect.closeTo(2.2, 6)]]);
  });

  it('finds the slope that quiets two shafts with a centre bearing', () => {
    const places: readonly Vector[] = [
      [0, 0, 0],
      [-700, 6, -18],
    ];
    const q = question(2.6, 0, 0, { centres: places, last: () => [-1560, -14, -62], rpm: 5200 });
    const { best } = pinionSlopes(q);
    const at = (d: number) => motionAt(q, d * RAD).equivalent;
    let scan = NaN;
    let least = Infinity;
    for (let d = -8; d < 12; d += 0.001) {
      if (motionAt(q, d * RAD).joints.some((j) => j < 0.5 * RAD)) continue;
      if (at(d) < least) [least, scan] = [at(d), d];
    }
    expect(deg(best)).toBeCloseTo(scan, 2);
  });

  it('refuses a shaft that stands still', () => {
    expect(() => pinionSlopes(question(3, 1, 0, { rpm: 0 }))).toThrow(RangeError);
  });
});

import { inMm } from '../../testing/in-mm';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { canDrill } from './can-drill';
import { jigPlan, newHoles, steppedHoles } from './jig';
import { nearestAt, redrill, type DrilledFace, type Holes } from './redrill';
import { spread } from '../../testing/spread';

const LIMITS = { ligament: 6, ligamentShare: 0.5, edgeShare: 1.25 };
const holes = (count: number, pcd: number, hole = 14): Holes => ({ count, pcd, hole });
const DEGREE = Math.PI / 180;

describe('re-drill', () => {
  it('turns 5×120 to 5×108 between the old holes: 36°, 21.69 mm', () => {
    const found = redrill({ old: holes(5, 120), wanted: holes(5, 108) }, LIMITS);
    expect(found.clockRad / DEGREE).toBeCloseTo(36, 5);
    expect(found.ligament).toBeCloseTo(21.69, 2);
    expect(found.possible).toBe(true);
  });

  it.each([
    [holes(4, 108), holes(5, 108), -5.53],
    [holes(6, 139.7), holes(5, 120.65), -2.3],
  ])('refuses %o to %o with its figure', (old, wanted, metal) => {
    const found = redrill({ old, wanted }, LIMITS);
    expect(found.nearest.metal).toBeCloseTo(metal, 2);
    expect(found.possible).toBe(false);
    expect(inMm(found.reasons.join())).toContain(`${(-metal).toFixed(2)} mm into an old stud hole`);
  });

  it('stands at half a turn over the least common multiple of both counts, where only old holes are in the way', () => {
    const count = fc.integer({ min: 3, max: 8 });
    const pcd = spread(95, 180);
    const common = (m: number, n: number): number => {
      let k = m;
      while (k % n) k += m;
      return k;
    };
    fc.assert(
      fc.property(count, count, pcd, pcd, (n, m, a, b) => {
        const apart = Math.PI / common(n, m);
        const metal = Math.sqrt((a / 2) ** 2 + (b / 2) ** 2 - ((a * b) / 2) * Math.cos(apart)) - 13;
        const found = redrill({ old: holes(n, a, 12), wanted: holes(m, b, 14) }, LIMITS);
        // Unless two of the new holes stand nearer each other.
        expect(found.nearest.metal).toBeCloseTo(Math.min(metal, b * Math.sin(Math.PI / m) - 14), 6);
      }),
      { numRuns: 60 },
    );
  });

  it('keeps clear of rotor screws and access holes, and names what is nearest', () => {
    const screw = { name: 'rotor screw', radius: 53, angle: 31 * DEGREE, diameter: 8.4 };
    const face: DrilledFace = { old: holes(5, 120), wanted: holes(5, 108), keepOuts: [screw] };
    const found = redrill(face, LIMITS);
    // Away from the screw, until the old holes are as near as it.
    expect(found.clockRad / DEGREE).toBeGreaterThan(40);
    expect(found.nearest.metal).toBeLessThan(21.69);
    expect(nearestAt(face, 36 * DEGREE)).toEqual({
      what: 'rotor screw',
      metal: expect.closeTo(-6.427, 3) as number,
    });
  });

  it('holds rim and pilot: centre 15.6 mm from a rim of 139.2, 17.5 are needed', () => {
    const found = redrill({ old: holes(5, 120), wanted: holes(5, 108), rim: 139.2, pilot: 63.4 }, LIMITS);
    expect(found.toRim).toBeCloseTo(15.6, 9);
    expect(found.toPilot).toBeCloseTo(22.3, 9);
    expect(found.reasons).toEqual([
      'A hole’s centre stands {15.6 mm 2} from the flange’s rim; {17.5 mm 2} are needed.',
    ]);
    expect(redrill({ old: holes(5, 120), wanted: holes(5, 108), pilot: 76 }, LIMITS).reasons[0]).toContain(
      'pilot',
    );
  });

  it('finds no worse clocking than trying every hundredth of a degree by coordinates', () => {
    const count = fc.integer({ min: 3, max: 8 });
    const pcd = spread(90, 180);
    const size = spread(9, 20);
    const keep = fc.record({
      name: fc.constant('screw'),
      radius: spread(30, 90),
      angle: spread(0, 6),
      diameter: spread(5, 25),
    });
    fc.assert(
      fc.property(
        count,
        pcd,
        size,
        count,
        pcd,
        size,
        fc.array(keep, { maxLength: 3 }),
        (...[m, a, s, n, b, t, k]) => {
          const face = { old: holes(m, a, s), wanted: holes(n, b, t), keepOuts: k };
          const found = redrill(face, LIMITS);
          let best = -Infinity;
          for (let angle = 0; angle < 360 / n; angle += 0.05)
            best = Math.max(best, byCoordinates(face, angle * DEGREE));
          expect(found.nearest.metal).toBeGreaterThanOrEqual(best - 1e-6);
          expect(byCoordinates(face, found.clockRad)).toBeCloseTo(found.nearest.metal, 6);
        },
      ),
      { numRuns: 25 },
    );
  });

  it('turns away from holes on its own circle: 4×108 over 4×108 stands 45° between', () => {
    const found = redrill({ old: holes(4, 107.3), wanted: holes(4, 107.3) }, LIMITS);
    expect(found.clockRad / DEGREE).toBeCloseTo(45, 5);
    // 107.3·sin 22.5° less one hole.
    expect(found.ligament).toBeCloseTo(27.06, 2);
  });

  it('refuses what is no pattern', () => {
    expect(() => redrill({ old: holes(2, 100), wanted: holes(5, 108) }, LIMITS)).toThrow(RangeError);
    expect(() => redrill({ old: holes(5, 100), wanted: holes(5, 108, 0) }, LIMITS)).toThrow('hole size');
    expect(nearestAt({ old: holes(5, 120), wanted: holes(5, 120) }, 0).metal).toBeCloseTo(-14, 9);
  });
});

/** Least metal by the distances of points, the other way round than by angles; new holes beside each other count too. */
function byCoordinates({ old, wanted, keepOuts = [] }: DrilledFace, clock: number): number {
  const spots = newHoles(wanted, clock);
  const [one, next] = spots as [readonly [number, number], readonly [number, number]];
  const beside = Math.hypot(one[0] - next[0], one[1] - next[1]) - wanted.hole;
  const others = [
    ...newHoles(old, 0).map((at) => ({ at, d: old.hole })),
    ...keepOuts.map((k) => ({
      at: [k.radius * Math.cos(k.angle), k.radius * Math.sin(k.angle)] as const,
      d: k.diameter,
    })),
  ];
  return Math.min(
    beside,
    ...spots.flatMap((p) =>
      others.map((o) => Math.hypot(p[0] - o.at[0], p[1] - o.at[1]) - (wanted.hole + o.d) / 2),
    ),
  );
}

describe('flange of a stock shaft', () => {
  const wanted = { teeth: 31, holes: 5, pcd: 108, drill: { hole: 14, ...LIMITS } };

  it.each([
    [{ holes: 5, pcd: 120, hole: 14 }, true],
    [{ holes: 5, pcd: 114.3 }, true],
    [{ holes: 4, pcd: 108, hole: 12.8 }, false],
    [{ holes: 6, pcd: 139.7, hole: 14.3 }, false],
    [{}, false],
  ])('%o can be re-drilled to 5×108: %s', (size, can) => {
    const drills = canDrill(wanted);
    expect(drills(size)).toBe(can);
    // Asked again it says the same.
    expect(drills({ ...size })).toBe(can);
  });

  it('is never drilled where that is not wanted, or against the limits', () => {
    const size = { holes: 5, pcd: 120, hole: 14 };
    const { drill, ...plain } = wanted;
    expect(canDrill(plain)(size)).toBe(false);
    // 21.69 are left.
    expect(canDrill({ ...wanted, drill: { ...drill, ligament: 22 } })(size)).toBe(false);
  });
});

describe('drilling jig', () => {
  const wanted = {
    old: holes(5, 120),
    wanted: holes(5, 108),
    clockRad: 36 * DEGREE,
    drill: 5,
    play: 0.1,
    stud: 12,
    pilot: 72.5,
    rim: 158,
  };
  const circles = (layer: string, jig: 'ring' | 'step') =>
    jigPlan({ ...wanted, jig }).shapes.flatMap((s) => (s.kind === 'circle' && s.layer === layer ? [s] : []));

  it('is a ring on the pilot, pinned in two old holes, with a drill at every new one', () => {
    const plan = jigPlan({ ...wanted, jig: 'ring' });
    expect([plan.width, plan.height, plan.steps]).toEqual([158, 158, 1]);
    const drills = circles('drill', 'ring');
    expect(drills).toHaveLength(5);
    for (const { centre, radius } of drills) {
      expect(Math.hypot(...centre)).toBeCloseTo(54, 9);
      expect(radius).toBe(2.5);
    }
    // First new hole by hand: 54·cos 36°, 54·sin 36°.
    expect(drills[0]?.centre[0]).toBeCloseTo(43.6869, 4);
    expect(drills[0]?.centre[1]).toBeCloseTo(31.7404, 4);
    expect(circles('locate', 'ring').map((c) => c.radius)).toEqual([36.3, 6.05, 6.05]);
  });

  it('steps on two studs beside each other and guides one drill', () => {
    const plan = jigPlan({ ...wanted, jig: 'step' });
    expect(plan.steps).toBe(5);
    const [a, b] = circles('locate', 'step');
    // 120·sin 36° = 70.534 from stud to stud.
    expect(
      Math.hypot((a?.centre[0] ?? 0) - (b?.centre[0] ?? 0), (a?.centre[1] ?? 0) - (b?.centre[1] ?? 0)),
    ).toBeCloseTo(70.534, 3);
    expect(circles('drill', 'step')).toHaveLength(1);
    const outline = plan.shapes.find((s) => s.kind === 'path' && s.closed);
    // Every locating hole keeps its wall: nothing of the outline comes nearer than 18 mm to a stud’s middle.
    if (outline?.kind !== 'path') throw new Error('no outline');
    for (const p of outline.points)
      for (const c of circles('locate', 'step'))
        expect(Math.hypot(p[0] - c.centre[0], p[1] - c.centre[1])).toBeGreaterThanOrEqual(18 - 1e-9);
  });

  it('does not step a pattern of another count', () => {
    expect(() => jigPlan({ ...wanted, wanted: holes(4, 108), jig: 'step' })).toThrow('drills 5 holes, not 4');
  });

  it('keeps the pattern round and in the middle whatever the jig is off by', () => {
    const off = spread(-2, 2);
    fc.assert(
      fc.property(fc.integer({ min: 3, max: 10 }), off, off, (count, dx, dy) => {
        const { holes: real, middle } = steppedHoles(holes(count, 108), 0.41, [dx, dy]);
        expect(Math.hypot(...middle)).toBeLessThan(1e-9);
        const radii = real.map((h) => Math.hypot(...h));
        expect(Math.max(...radii) - Math.min(...radii)).toBeLessThan(1e-9);
      }),
    );
  });
});

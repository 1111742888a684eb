import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { accelerationOf, angleOf, axisBetween, chainMotion, type Axis } from './joint-chain';
import { exactUnevenness } from './exact-chain';
import { criticalSpeed } from './critical-speed';
import { spread } from '../testing/spread';

const RAD = Math.PI / 180;
const axes = (slopes: readonly number[], plans: readonly number[] = []): Axis[] =>
  slopes.map((s, i) => ({ slope: s * RAD, plan: (plans[i] ?? 0) * RAD }));
const deg = (rad: number) => rad / RAD;

describe('chain of joints', () => {
  it('gives angles, residual and accelerations of one shaft in a plane', () => {
    const { joints, equivalent, drive, coast } = chainMotion(axes([3, 1.2, 2.5]));
    expect(joints.map(deg)).toEqual([expect.closeTo(1.8, 9), expect.closeTo(1.3, 9)]);
    expect(deg(equivalent)).toBeCloseTo(1.245, 3);
    expect(accelerationOf(equivalent, 5500)).toBeCloseTo(156.6, 1);
    expect(accelerationOf(drive[0] ?? 0, 5500)).toBeCloseTo(327.4, 1);
    // The other way round the pinion’s joint drives the shaft: (1.3°)² ω².
    expect(accelerationOf(coast[0] ?? 0, 5500)).toBeCloseTo(170.77, 1);
  });

  it('takes the shaft’s angle in plan into both joints', () => {
    const { joints, equivalent } = chainMotion(axes([3, 1.2, 2.5], [0, 1.146, 0]));
    expect(joints.map(deg)).toEqual([expect.closeTo(2.1336, 4), expect.closeTo(1.7328, 4)]);
    expect(deg(equivalent)).toBeCloseTo(1.388, 3);
  });

  it('sums three joints of two shafts', () => {
    const { joints, equivalent, drive } = chainMotion(axes([2.6, 1.1, 3.4, 2.2], [0, 0.35, -0.8, -0.3]));
    expect(joints.map(deg)).toEqual([
      expect.closeTo(1.5403, 4),
      expect.closeTo(2.5708, 4),
      expect.closeTo(1.2995, 4),
    ]);
    expect(deg(equivalent)).toBeCloseTo(1.7622, 4);
    expect(accelerationOf(equivalent, 5200)).toBeCloseTo(280.5, 1);
    expect(drive).toHaveLength(2);
  });

  it('turns what follows by twice the phase of a shaft', () => {
    // A quarter turn makes both joints add up: √(1.8² + 1.3²).
    const { equivalent } = chainMotion(axes([3, 1.2, 2.5]), { phases: [Math.PI / 2] });
    expect(deg(equivalent)).toBeCloseTo(Math.hypot(1.8, 1.3), 9);
  });

  it('has one sense of the turn with the exact chain: anticlockwise from behind', () => {
    // A shaft that rises forward and runs to the left, turned each way: worked by turning crosses elsewhere.
    const chain = axes([3, 1.2, 2.5], [0, 1.5, -0.7]);
    const both = (d: number) => [
      chainMotion(chain, { phases: [d * RAD] }).equivalent ** 2 * 1e6,
      exactUnevenness(chain, [d * RAD]) * 1e6,
    ];
    expect(both(10)).toEqual([expect.closeTo(686.1, 1), expect.closeTo(686.3, 1)]);
    expect(both(-10)).toEqual([expect.closeTo(1829.2, 1), expect.closeTo(1829.7, 1)]);
  });

  it('leaves out a joint that turns evenly', () => {
    expect(deg(chainMotion(axes([6, 1, 2.4]), { even: [true] }).equivalent)).toBeCloseTo(1.4, 9);
  });

  it('has the axis of a shaft from its ends', () => {
    const { slope, plan } = axisBetween([0, 0, 0], [-1000, 20, -30]);
    expect(deg(plan)).toBeCloseTo(Math.atan(0.02) / RAD, 9);
    expect(Math.tan(slope)).toBeCloseTo(0.03, 12);
  });

  it('refuses a single axis', () => {
    expect(() => chainMotion(axes([1]))).toThrow(RangeError);
  });

  it('knows the angle of an acceleration', () => {
    expect(accelerationOf(angleOf(1000, 4321), 4321)).toBeCloseTo(1000, 9);
    expect(chainMotion(axes([1, 1])).equivalent).toBe(0);
  });
});

describe('exact chain of crosses', () => {
  it('has one cross as its own formula says', () => {
    // ω_out = ω cos θ/(1 − sin² θ cos² α): its greatest slope over α, looked for finely.
    const theta = 5 * RAD;
    const speed = (a: number) => Math.cos(theta) / (1 - Math.sin(theta) ** 2 * Math.cos(a) ** 2);
    let peak = 0;
    for (let a = 0; a < Math.PI; a += 0.0005)
      peak = Math.max(peak, Math.abs(speed(a + 1e-5) - speed(a - 1e-5)) / 2e-5);
    expect(exactUnevenness(axes([5, 0]))).toBeCloseTo(peak, 6);
  });

  it('agrees with what was worked out of two shafts', () => {
    const w = (5200 * Math.PI) / 30;
    const exact = exactUnevenness(axes([2.6, 1.1, 3.4, 2.2], [0, 0.35, -0.8, -0.3])) * w * w;
    expect(exact).toBeCloseTo(280.68, 1);
  });

  it('is what the second-order sum gives, below 6° to a hundredth of what its joints could', () => {
    const angle = spread(-2.9, 2.9);
    const plan = spread(-1.4, 1.4);
    const turn = spread(-1.5, 1.5);
    fc.assert(
      fc.property(fc.array(fc.tuple(angle, plan, turn), { minLength: 2, maxLength: 5 }), (drawn) => {
        const chain = axes(
          drawn.map(([s]) => s),
          drawn.map(([, p]) => p),
        );
        const phases = drawn.slice(1, -1).map(([, , t]) => t);
        const { joints, equivalent } = chainMotion(chain, { phases });
        const whole = joints.reduce((sum, j) => sum + j * j, 0);
        return Math.abs(equivalent ** 2 - exactUnevenness(chain, phases)) <= 0.01 * whole + 2e-7;
      }),
      { seed: 11, numRuns: 60 },
    );
  });
});

describe('critical speed', () => {
  it('is that of a tube held at its ends', () => {
    expect(criticalSpeed(76.2, 1.65, 1320)).toBeCloseTo(7319, 0);
    // Twice as long, a quarter of it.
    expect(criticalSpeed(76.2, 1.65, 2640) / criticalSpeed(76.2, 1.65, 1320)).toBeCloseTo(0.25, 12);
  });
});

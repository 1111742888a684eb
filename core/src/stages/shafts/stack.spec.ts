import { describe, expect, it } from 'vitest';
import { outcomeOf, runStack } from './stack';
import type { StackKey, StackPart, StackSide } from './stack-parts';

const part = (id: string, value: number, u: number, shape: StackPart['shape'] = 'normal'): StackPart => ({
  id,
  label: id,
  value,
  u,
  shape,
});
const SIDE: Readonly<Partial<Record<StackKey, StackPart>>> = {
  half: part('donor.half.left', 701.3, 0.46),
  scribe: part('scribed.left', 0, 0.2, 'flat'),
  weld: part('cut.shrink', 0, 0.29, 'flat'),
  shaft: part('ordered', 684.5, 0),
  made: part('shaft.made', 0, 0.23, 'flat'),
  gearStart: part('donor.sideGear.left', 18.3, 0.012, 'flat'),
  gearSpline: part('donor.sideGearSpline', 33.6, 0.012, 'flat'),
  shaftSpline: part('shaft.spline', 50, 0.1),
  crossShaft: part('donor.crossShaft', 22.2, 0.012, 'flat'),
  float: part('donor.endFloatMax', 0.46, 0.003, 'flat'),
};
const LIMITS = { engagement: 0.9, gap: 3, inboard: 19, outboard: 13, align: 0.75 };
const run = (parts: StackSide['parts'], draws = 100_000, seed = 7) => runStack({ parts }, LIMITS, draws, seed);

/** Share of the normal distribution above z, by Abramowitz and Stegun 26.2.17. */
function above(z: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(z));
  const poly = t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  const tail = (Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI)) * poly;
  return z >= 0 ? tail : 1 - tail;
}

describe('tolerance stack', () => {
  it('spreads the gap as first-order propagation says', () => {
    const gap = run(SIDE).outcomes.find((o) => o.id === 'gap');
    // 701.3 − 684.5 − 22.2/2; √(0.46² + 0.2² + 0.29² + 0.23² + (0.012/2)²).
    expect(gap?.mean).toBeCloseTo(5.7, 2);
    expect((gap?.s ?? 0) / Math.sqrt(0.2116 + 0.04 + 0.0841 + 0.0529 + 0.000036)).toBeCloseTo(1, 2);
    expect(gap?.holds).toBeGreaterThan(0.9999);
  });

  it('gives the chance that the normal distribution gives', () => {
    const parts = {
      half: part('half', 701.3, 0.6),
      shaft: part('shaft', 686.6, 0),
      crossShaft: part('pin', 22.2, 0),
    };
    // Gap 3.6 ± 0.6 against 3: one standard uncertainty above the limit.
    expect(run(parts).outcomes[0]?.holds).toBeCloseTo(1 - above(1), 2);
    expect(run({ ...parts, half: part('half', 700.1, 0.6) }).all).toBeCloseTo(above(1), 2);
  });

  it('says which reading to improve first: the shares of the variances', () => {
    const { worst, blame } = run({ ...SIDE, shaft: part('ordered', 687, 0) });
    expect(worst).toBe('gap');
    const total = 0.2116 + 0.04 + 0.0841 + 0.0529;
    expect(blame[0]?.id).toBe('donor.half.left');
    expect(blame[0]?.share).toBeCloseTo(0.2116 / total, 1);
    expect(blame[1]?.id).toBe('cut.shrink');
    expect(blame[1]?.share).toBeCloseTo(0.0841 / total, 1);
    expect(blame.map((b) => b.id)).not.toContain('donor.sideGear.left');
  });

  it('lets the lesser of fully home and fully out engage', () => {
    const sizes = {
      half: 701,
      shaft: 684.4,
      gearStart: 18.3,
      gearSpline: 33.6,
      shaftSpline: 35.4,
      float: 0.46,
    };
    // Inner end at 16.6: home it reaches to 52.0, over 51.9; out it still does.
    expect(outcomeOf('engagement', sizes)).toBeCloseTo(1, 9);
    expect(outcomeOf('engagement', { ...sizes, shaftSpline: 30 })).toBeCloseTo((46.6 - 18.3) / 33.6, 9);
    expect(outcomeOf('engagement', { ...sizes, half: 706 })).toBeCloseTo((51.9 - 22.06) / 33.6, 9);
  });

  it('places wheel and brake', () => {
    const wheel = { half: 701, et: 30, section: 170, inboard: 558.2, outboard: 776.4 };
    expect(outcomeOf('inboard', wheel)).toBeCloseTo(27.8, 9);
    expect(outcomeOf('outboard', wheel)).toBeCloseTo(20.4, 9);
    expect(outcomeOf('align', { rotor: 41.3, caliper: 40.4 })).toBeCloseTo(0.9, 9);
  });

  it('moves the wheel by the shaft and the brake by the housing where a clip holds the inner end', () => {
    const v = {
      half: 701,
      scribe: 0.3,
      weld: -0.7,
      shaft: 684.5,
      ordered: 684.5,
      made: 1.1,
      crossShaft: 22.2,
      et: 30,
      section: 170,
      inboard: 558.2,
      outboard: 776.4,
      rotor: 41.3,
      caliper: 40.4,
    };
    // 701 − 684.5 − 11.1, whatever shaft and housing are off by.
    expect(outcomeOf('gap', v, true)).toBeCloseTo(5.4, 9);
    // 701 + 0.3 − 0.7 − 684.5 − 1.1 − 11.1.
    expect(outcomeOf('gap', v)).toBeCloseTo(3.9, 9);
    // 701 + 1.1 − 30 − 85 − 558.2, and 701 − 0.4 − 30 − 85 − 558.2.
    expect(outcomeOf('inboard', v, true)).toBeCloseTo(28.9, 9);
    expect(outcomeOf('inboard', v)).toBeCloseTo(27.4, 9);
    expect(outcomeOf('outboard', v, true)).toBeCloseTo(19.3, 9);
    // 41.3 + 1.1 + 0.4 − 40.4.
    expect(outcomeOf('align', v, true)).toBeCloseTo(2.4, 9);
    expect(outcomeOf('align', v)).toBeCloseTo(0.9, 9);
    // How long a shaft was ordered says nothing while the old one’s length is not known.
    const { shaft: _shaft, ...without } = v;
    expect(outcomeOf('inboard', { ...without, ordered: 684.1 }, true)).toBeCloseTo(28.9, 9);
    // The old shaft was really 0.4 shorter than read: its clip stands so much further out, and the wheel with it.
    const misread = { ...v, shaft: 684.1 };
    expect(outcomeOf('gap', misread, true)).toBeCloseTo(5.8, 9);
    expect(outcomeOf('inboard', misread, true)).toBeCloseTo(29.3, 9);
    expect(outcomeOf('align', misread, true)).toBeCloseTo(2.8, 9);
    const gap = runStack({ parts: SIDE, clip: true }, LIMITS, 40_000, 7).outcomes.find((o) => o.id === 'gap');
    // Only the half and the cross shaft spread it.
    expect((gap?.s ?? 0) / Math.sqrt(0.2116 + 0.000036)).toBeCloseTo(1, 2);
  });

  it('draws the same for the same seed, and leaves out what is not known', () => {
    expect(run(SIDE, 2000, 3)).toEqual(run(SIDE, 2000, 3));
    expect(run(SIDE, 2000, 3).all).not.toBe(run({ ...SIDE, half: part('h', 700, 2) }, 2000, 4).all);
    expect(run({}, 10)).toMatchObject({ outcomes: [], all: 1, worst: undefined });
  });

  it('stops where it is told to, with what it has', () => {
    const seen: number[] = [];
    const result = runStack({ parts: SIDE }, LIMITS, 50_000, 1, (done) => {
      seen.push(done);
      return done < 0.3;
    });
    expect(result.draws).toBe(15_000);
    expect(seen).toEqual([0.1, 0.2, 0.3]);
  });

  it('refuses what cannot be drawn', () => {
    expect(() => run(SIDE, 0)).toThrow('at least one draw');
    expect(() => run({ half: part('half', 700, Number.NaN) })).toThrow('half needs a value');
  });
});

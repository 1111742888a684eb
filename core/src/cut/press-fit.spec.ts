import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fitRange, pressFit, type PressFit } from './press-fit';

/**
 * The same by another way: σr = A − B/r² and u = r/E·((1 − ν)·A + (1 + ν)·B/r²) in each ring, with the ends free and
 * the gap closed at the joint for a pressure of 1.
 */
function pressureByConstants({ inside: a, joint: b, outside: c, interference }: PressFit): number {
  const [E, nu] = [206_000, 0.29];
  const [ra, rb, rc] = [a / 2, b / 2, c / 2];
  const ring = (free: number) => {
    // σr(free) = 0, σr(rb) = −1.
    const B = 1 / (1 / rb ** 2 - 1 / free ** 2);
    return { A: B / free ** 2, B };
  };
  const u = ({ A, B }: { A: number; B: number }) => (rb / E) * ((1 - nu) * A + ((1 + nu) * B) / rb ** 2);
  return interference / 2 / (u(ring(rc)) - u(ring(ra)));
}

const fit: PressFit = { inside: 63.5, joint: 76.2, outside: 104, interference: 0.06, depth: 58 };

describe('press fit', () => {
  it('agrees with the constants of both rings', () => {
    expect(pressFit(fit).pressure).toBeCloseTo(pressureByConstants(fit), 9);
    const size = fc.double({ min: 1.05, max: 2.4, noNaN: true });
    fc.assert(
      fc.property(size, size, fc.double({ min: 0.005, max: 0.2, noNaN: true }), (x, y, interference) => {
        const any = { inside: 71.3 / x, joint: 71.3, outside: 71.3 * y, interference, depth: 44 };
        const expected = pressureByConstants(any);
        expect(pressFit(any).pressure / expected).toBeCloseTo(1, 8);
      }),
    );
  });

  it('takes force from pressure on the whole joint, and stresses by their own formulas (by hand)', () => {
    const { pressure, force, hub, tube } = pressFit(fit);
    // C_hub = (10816 + 5806.44)/(10816 − 5806.44) = 3.318144, C_tube = (5806.44 + 4032.25)/(1774.19) = 5.545454;
    // p = 0.06·206000/(76.2·8.863598) = 18.2999.
    expect(pressure).toBeCloseTo(18.3, 2);
    expect(force).toBeCloseTo(18.2999 * Math.PI * 76.2 * 58 * 0.12, -1);
    // √(3.318144² + 3.318144 + 1)·p = 3.91513·p, 2·5806.44/1774.19·p = 6.5455·p.
    expect(hub).toBeCloseTo(71.647, 2);
    expect(tube).toBeCloseTo(119.78, 1);
  });

  it('presses nothing with play, and twice with twice the interference', () => {
    expect(pressFit({ ...fit, interference: -0.04 })).toEqual({ pressure: 0, force: 0, hub: 0, tube: 0 });
    const twice = pressFit({ ...fit, interference: 0.12 });
    expect(twice.force / pressFit(fit).force).toBeCloseTo(2, 9);
  });

  it('takes a solid bar for a tube, and refuses what cannot be', () => {
    expect(pressFit({ ...fit, inside: 0 }).tube / pressFit({ ...fit, inside: 0 }).pressure).toBeCloseTo(2, 9);
    expect(() => pressFit({ ...fit, outside: 70 })).toThrow('follow one another');
    expect(() => pressFit({ ...fit, depth: 0 })).toThrow('depth');
  });
});

describe('fit of what is not round', () => {
  it('runs from the smallest tube in the largest bore to the opposite', () => {
    const range = fitRange([76.24, 76.27, 76.22], [76.18, 76.2, 76.21]);
    expect(range.least).toBeCloseTo(0.01, 9);
    expect(range.most).toBeCloseTo(0.09, 9);
    expect(range.tubeOval).toBeCloseTo(0.05, 9);
    expect(range.boreOval).toBeCloseTo(0.03, 9);
  });

  it('wants three readings of each', () => {
    expect(() => fitRange([76.2, 76.3], [76.1, 76.2, 76.3])).toThrow('three clock positions');
    expect(() => fitRange([76.2, 76.3, 76.2], [76.1])).toThrow(RangeError);
  });
});

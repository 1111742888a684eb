import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fitRingPlane } from '../numerics';
import { faceCamber, faceTilt, faceToe, farthestClock } from './face-tilt';
import { newHalf, schoolPinion, schoolWidth } from './school-halves';
import { looseSlug, scribeSpacing, tubeLeft } from './scribe';

const donor = { left: 792, right: 741.5, width: 1402, pinion: -12 };
const degrees = (rad: number) => (rad * 180) / Math.PI;
const cuts = (school: Parameters<typeof schoolWidth>[0], d = donor) => {
  const width = schoolWidth(school, d);
  const pinion = schoolPinion(school, d);
  return { left: d.left - newHalf('left', width, pinion), right: d.right - newHalf('right', width, pinion) };
};

describe('ways to cut, against the worked values', () => {
  it.each([
    ['evenUp', 91.0, 40.5],
    ['driveline', 79.0, 52.5],
    ['keepOffset', 65.75, 65.75],
    ['shortShaft', 50.5, 0],
  ] as const)('%s cuts %d and %d', (school, left, right) => {
    expect(cuts(school).left).toBeCloseTo(left, 9);
    expect(cuts(school).right).toBeCloseTo(right, 9);
  });

  it('puts the pinion where each school says', () => {
    expect(schoolPinion('keepOffset', donor)).toBeCloseTo(-25.25, 9);
    expect(schoolPinion('evenUp', donor)).toBe(0);
    expect(schoolPinion('driveline', donor)).toBe(-12);
    expect(schoolWidth('shortShaft', donor)).toBe(1483);
  });

  const half = fc.double({ min: 400, max: 1100, noNaN: true });
  const donors = fc.record({
    left: half,
    right: half,
    width: fc.double({ min: 900, max: 1800, noNaN: true }),
    pinion: fc.double({ min: -80, max: 80, noNaN: true }),
  });
  const schools = fc.constantFrom('evenUp', 'keepOffset', 'driveline', 'shortShaft') as fc.Arbitrary<'evenUp'>;

  it('cut and result add up to the donor, and the halves to the width', () => {
    fc.assert(
      fc.property(donors, schools, (d, school) => {
        const width = schoolWidth(school, d);
        const pinion = schoolPinion(school, d);
        const cut = cuts(school, d);
        expect(newHalf('left', width, pinion) + newHalf('right', width, pinion)).toBeCloseTo(width, 8);
        expect(cut.left + cut.right + width).toBeCloseTo(d.left + d.right, 8);
      }),
    );
  });

  it('schools agree when the donor is symmetric and the driveline is in the middle', () => {
    fc.assert(
      fc.property(half, (h) => {
        const d = { left: h, right: h, width: 1.7 * h, pinion: 0 };
        expect(cuts('keepOffset', d).left).toBeCloseTo(cuts('evenUp', d).left, 8);
        expect(cuts('driveline', d).right).toBeCloseTo(cuts('evenUp', d).right, 8);
        expect(cuts('shortShaft', d)).toEqual({ left: 0, right: 0 });
      }),
    );
  });
});

describe('marks', () => {
  it('meets the worked slug: spacing 92.2, loose 89.0', () => {
    expect(scribeSpacing({ cut: 91, gap: 2, shrink: 0.8 })).toBeCloseTo(92.2, 9);
    expect(looseSlug(92.2, 1.6)).toBeCloseTo(89, 9);
  });

  it('leaves the tube that end off and on needs: 497.0 − 60 − 2 + 0.8 = 435.8', () => {
    expect(tubeLeft({ tubeNew: 497, endPiece: 60, gap: 2, shrink: 0.8 })).toBeCloseTo(435.8, 9);
  });

  it('both methods end at the same length when the pieces are welded together', () => {
    const size = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(
        size(200, 900),
        size(0, 150),
        size(0, 4),
        size(0, 2),
        size(40, 80),
        size(45, 90),
        (tube, cut, gap, shrink, end, at) => {
          const spacing = scribeSpacing({ cut, gap, shrink });
          const slugWelded = at + gap + (tube - at - spacing) - shrink;
          const endWelded = tubeLeft({ tubeNew: tube - cut, endPiece: end, gap, shrink }) + gap + end - shrink;
          expect(slugWelded).toBeCloseTo(tube - cut, 8);
          expect(endWelded).toBeCloseTo(slugWelded, 8);
        },
      ),
    );
  });
});

const ring = (...pairs: [deg: number, r: number][]) =>
  pairs.map(([deg, distance]) => ({ clockRad: (deg * Math.PI) / 180, distance }));

describe('squareness', () => {
  it('meets the worked tilt 0.2287° at R 38.1', () => {
    const plane = fitRingPlane(ring([0, 601.2], [90, 601.05], [180, 600.9], [270, 601.0]));
    expect(plane).toBeDefined();
    expect(plane!.b).toBeCloseTo(0.15, 9);
    expect(plane!.c).toBeCloseTo(0.025, 9);
    expect(degrees(faceTilt(plane!.b, plane!.c, 38.1))).toBeCloseTo(0.2287, 4);
    // By hand: atan(0.15/38.1) = 0.22557°, −atan(0.025/38.1) = −0.03760°.
    expect(degrees(faceCamber(plane!.b, 38.1))).toBeCloseTo(0.22557, 5);
    expect(degrees(faceToe(plane!.c, 38.1))).toBeCloseTo(-0.0376, 4);
    // The four readings leave 601.2 + 600.9 − 601.05 − 601.0 = 0.05 crosswise: ±0.0125 each.
    expect(plane!.residual).toBeCloseTo(0.0125, 9);
  });

  it('recovers any tilted face from three or more uneven stations', () => {
    const part = fc.double({ min: -1.5, max: 1.5, noNaN: true });
    fc.assert(
      fc.property(
        part,
        part,
        fc.constantFrom([0, 90, 225], [10, 75, 160, 290], [0, 45, 135, 180, 270]),
        (b, c, at) => {
          const plane = fitRingPlane(
            ring(
              ...at.map((d): [number, number] => [
                d,
                487.3 + b * Math.cos((d * Math.PI) / 180) + c * Math.sin((d * Math.PI) / 180),
              ]),
            ),
          );
          expect(plane!.a).toBeCloseTo(487.3, 7);
          expect(plane!.b).toBeCloseTo(b, 7);
          expect(plane!.c).toBeCloseTo(c, 7);
          expect(plane!.residual).toBeCloseTo(0, 6);
        },
      ),
    );
  });

  it('says nothing where the stations do not fix a plane', () => {
    expect(fitRingPlane(ring([0, 601.2], [180, 600.9]))).toBeUndefined();
    expect(fitRingPlane(ring([90, 601.2], [90, 601.1], [270, 600.9]))).toBeUndefined();
  });

  it('points at the place that stands farthest out', () => {
    expect(degrees(farthestClock(0.15, 0.025))).toBeCloseTo(9.4623, 4);
    expect(degrees(farthestClock(-0.2, -0.1))).toBeCloseTo(206.5651, 4);
  });
});

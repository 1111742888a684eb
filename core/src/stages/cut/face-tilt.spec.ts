import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fitRingPlane } from '../../numerics';
import { farthestClock } from './face-tilt';
import { spread } from '../../testing/spread';

const degrees = (rad: number) => (rad * 180) / Math.PI;

const ring = (...pairs: [deg: number, r: number][]) =>
  pairs.map(([deg, distance]) => ({ clockRad: (deg * Math.PI) / 180, distance }));

describe('squareness', () => {
  it('meets the worked tilt 0.2287° at R 38.1', () => {
    const plane = fitRingPlane(ring([0, 601.2], [90, 601.05], [180, 600.9], [270, 601.0]));
    expect(plane).toBeDefined();
    expect(plane!.b).toBeCloseTo(0.15, 9);
    expect(plane!.c).toBeCloseTo(0.025, 9);
    // The four readings leave 601.2 + 600.9 − 601.05 − 601.0 = 0.05 crosswise: ±0.0125 each.
    expect(plane!.residual).toBeCloseTo(0.0125, 9);
  });

  it('recovers any tilted face from three or more uneven stations', () => {
    const part = spread(-1.5, 1.5);
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

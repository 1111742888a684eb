import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { engagement } from './engagement';
import { orderLength } from './order-length';
import { splineDiameters } from '../donor/spline';

describe('splines, against the worked values', () => {
  it.each([
    [31, 24, 32.808, 33.867, 31.38],
    [35, 24, 37.042, 38.1, 35.613],
  ])('%d/%d', (teeth, pitch, d, major, minor) => {
    const spline = splineDiameters(teeth, pitch);
    expect(spline.pitch).toBeCloseTo(d, 3);
    expect(spline.major).toBeCloseTo(major, 3);
    expect(spline.minor).toBeCloseTo(minor, 3);
  });

  it('refuses what is no spline', () => {
    expect(() => splineDiameters(0, 24)).toThrow(RangeError);
    expect(() => splineDiameters(31, 0)).toThrow(RangeError);
  });
});

describe('engagement', () => {
  const base = { shaftEnd: 16.6, shaftSpline: 41, gearStart: 18.2, gearSpline: 33.5, float: 0.4 };

  it.each([
    ['covers the whole side gear', {}, 33.5],
    ['runs out outboard: 33.5 − (24.7 + 0.4 − 18.2)', { shaftEnd: 24.7 }, 26.6],
    ['has too short a spline: 16.6 + 0.4 + 29 − 18.2', { shaftSpline: 29 }, 27.8],
    ['misses', { shaftEnd: 70 }, 0],
  ])('%s', (_, change, expected) => {
    expect(engagement({ ...base, ...change })).toBeCloseTo(expected, 9);
  });

  it('never exceeds either spline, and float never adds once the shaft is outboard of the gear’s start', () => {
    const mm = fc.double({ min: 0, max: 60, noNaN: true });
    fc.assert(
      fc.property(mm, mm, mm, mm, mm, (shaftEnd, shaftSpline, gearStart, gearSpline, float) => {
        const v = { shaftEnd, shaftSpline, gearStart, gearSpline, float };
        const length = engagement(v);
        expect(length).toBeLessThanOrEqual(Math.min(shaftSpline, gearSpline) + 1e-9);
        if (shaftEnd >= gearStart)
          expect(engagement({ ...v, float: float + 1 })).toBeLessThanOrEqual(length + 1e-9);
      }),
    );
  });
});

describe('order length', () => {
  it('rounds to the maker’s step, or not at all', () => {
    expect(orderLength(684.37, 0.5)).toBeCloseTo(684.5, 9);
    expect(orderLength(684.12, 0.5)).toBeCloseTo(684, 9);
    expect(orderLength(684.37, 0)).toBe(684.37);
  });
});

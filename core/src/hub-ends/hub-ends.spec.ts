import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  centresOf,
  chordOf,
  clampForce,
  engagementOf,
  fitPattern,
  FRICTION_RESERVE,
  frictionTorque,
  pcdOf,
  stressArea,
} from './index';
import type { ChordReading } from '../plan';

describe('bolt pattern', () => {
  it.each([
    [67.18, 5, 1, 114.29],
    [70.71, 4, 1, 100.0],
    [69.85, 6, 1, 139.7],
    // 108 · sin 72° = 102.714.
    [102.714, 5, 2, 108.0],
    // Three steps on are two steps back.
    [102.714, 5, 3, 108.0],
  ])('%d mm between two of %d holes, %d apart, lies on %d', (chord, holes, steps, pcd) => {
    expect(pcdOf(chord, holes, steps)).toBeCloseTo(pcd, 2);
  });

  it('goes there and back, and lies on the circle where holes really stand', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 10 }),
        fc.integer({ min: 1, max: 9 }),
        fc.double({ min: 80, max: 260, noNaN: true }),
        (holes, k, pcd) => {
          const steps = ((k - 1) % (holes - 1)) + 1;
          const angle = (2 * Math.PI * steps) / holes;
          const between = Math.hypot((pcd / 2) * (Math.cos(angle) - 1), (pcd / 2) * Math.sin(angle));
          expect(chordOf(pcd, holes, steps)).toBeCloseTo(between, 8);
          expect(pcdOf(between, holes, steps)).toBeCloseTo(pcd, 7);
        },
      ),
    );
  });

  it('takes the diameter off or on where edges were read', () => {
    expect(centresOf({ steps: 1, distance: 79.18, over: 'outside', diameter: 12 })).toBeCloseTo(67.18, 9);
    expect(centresOf({ steps: 1, distance: 52.73, over: 'inside', diameter: 14.45 })).toBeCloseTo(67.18, 9);
    expect(() => centresOf({ steps: 1, distance: 79, over: 'outside' })).toThrow('needs the diameter');
  });

  const read = (steps: number, distance: number): ChordReading => ({ steps, distance, over: 'centres' });

  it('is the mean of readings that agree', () => {
    // 63.48 / sin 36° = 107.998, 102.81 / sin 72° = 108.101.
    const fit = fitPattern(5, [read(1, 63.48), read(2, 102.81)]);
    expect(fit.pcd).toBeCloseTo(108.05, 2);
    expect(fit.off).toBeUndefined();
  });

  it('names the reading that no pattern explains, and leaves it out', () => {
    const fit = fitPattern(5, [read(1, 63.48), read(2, 104.9), read(1, 63.52), read(2, 102.75)]);
    expect(fit.off).toBe(1);
    expect(fit.pcd).toBeCloseTo((107.998 + 108.067 + 108.038) / 3, 2);
    expect(fit.each[1]).toBeCloseTo(110.299, 2);
  });

  it('cannot say which of two is wrong, and refuses what is no pattern', () => {
    expect(fitPattern(5, [read(1, 63.48), read(2, 104.9)]).off).toBeUndefined();
    expect(() => fitPattern(5, [])).toThrow('needs a reading');
    expect(() => pcdOf(60, 2, 1)).toThrow('3 to 10 holes');
    expect(() => pcdOf(60, 5, 5)).toThrow('1 to 4 steps');
    expect(() => pcdOf(60, 4.5, 1)).toThrow(RangeError);
  });
});

describe('studs and nuts', () => {
  it.each([
    // Tables of ISO 898-1.
    [12, 1.5, 88.1],
    [12, 1.25, 92.1],
    [14, 1.5, 125],
    [10, 1.25, 61.2],
  ])('M%d × %d carries on %d mm²', (diameter, pitch, area) => {
    expect(stressArea(diameter, pitch) / area).toBeCloseTo(1, 2);
  });

  it('clamps by its torque, and the face carries the wheel by friction', () => {
    expect(clampForce(110, 12)).toBeCloseTo(45_833.3, 1);
    // 5 · 45 833 · 0.15 · 0.054.
    expect(frictionTorque(5, 45_833.3, 108)).toBeCloseTo(1856.2, 1);
    expect(frictionTorque(5, 45_833.3, 108) / FRICTION_RESERVE).toBeCloseTo(1237.5, 1);
    expect(clampForce(110, 12, 0.16)).toBeCloseTo(57_291.7, 1);
    expect(engagementOf(17.5, 12)).toBeCloseTo(1.4583, 4);
  });

  it('refuses what is no thread', () => {
    expect(() => stressArea(12, 0)).toThrow('no thread');
    expect(() => stressArea(1.2, 1.5)).toThrow(RangeError);
    expect(() => clampForce(110, 0)).toThrow(RangeError);
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { centresOf, chordOf, fitPattern, pcdOf } from './pattern';
import type { ChordReading } from './choices';
import { spread } from '../../testing/spread';

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
        spread(80, 260),
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

  it('is the least-squares circle of readings that agree, not the mean of their circles', () => {
    // (63.48·sin 36° + 102.81·sin 72°)/(sin² 36° + sin² 72°) = 108.0726; the mean of both circles would be 108.050.
    const fit = fitPattern(5, [read(1, 63.48), read(2, 102.81)]);
    expect(fit.pcd).toBeCloseTo(108.0726, 3);
    expect(fit.off).toBeUndefined();
  });

  it('names the reading that no pattern explains, and leaves it out', () => {
    const fit = fitPattern(5, [read(1, 63.48), read(2, 104.9), read(1, 63.52), read(2, 102.75)]);
    expect(fit.off).toBe(1);
    // (63.48 + 63.52)·0.587785 + 102.75·0.951057 over 2·0.345492 + 0.904508.
    expect(fit.pcd).toBeCloseTo(108.035, 2);
    expect(fit.each[1]).toBeCloseTo(110.299, 2);
  });

  it('does not find contradictions in what a caliper cannot tell: ten holes, each chord off by a tenth', () => {
    // Neighbours of ten span 0.309 of the circle: a tenth in the chord is a third of a millimetre in their circle.
    const chords = [1, 2, 3, 4, 5].map((steps, i) =>
      read(steps, 139.7 * Math.sin((Math.PI * steps) / 10) + (i % 2 ? 0.11 : -0.09)),
    );
    const fit = fitPattern(10, chords);
    expect(fit.problem).toBeUndefined();
    expect(fit.pcd).toBeCloseTo(139.7, 1);
    expect(Math.max(...fit.each) - Math.min(...fit.each)).toBeGreaterThan(0.4);
  });

  it('cannot say which of two is wrong, and refuses what is no pattern', () => {
    expect(fitPattern(5, [read(1, 63.48), read(2, 104.9)]).off).toBeUndefined();
    expect(() => fitPattern(5, [])).toThrow('needs a reading');
    expect(() => pcdOf(60, 2, 1)).toThrow('3 to 10 holes');
    expect(() => pcdOf(60, 5, 5)).toThrow('1 to 4 steps');
    expect(() => pcdOf(60, 4.5, 1)).toThrow(RangeError);
  });
});

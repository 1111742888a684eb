import { describe, expect, it } from 'vitest';
import { seededDraws } from './draws';

const DRAWS = 400_000;
const SHAPES = [
  { middle: 0, flat: false, width: 1 },
  { middle: 0, flat: true, width: 1 },
  { middle: 0, flat: false, width: 2.5 },
] as const;

function drawn(seed: number, draws = DRAWS): readonly Float64Array[] {
  const rows = SHAPES.map(() => new Float64Array(draws));
  seededDraws(seed, SHAPES)(rows, 0, draws);
  return rows;
}
const mean = (values: Float64Array, of: (v: number, i: number) => number): number =>
  values.reduce((sum, v, i) => sum + of(v, i), 0) / values.length;

/** The normal distribution’s share below z, by Abramowitz and Stegun 26.2.17. */
function below(z: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(z));
  const poly = t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  const tail = (Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI)) * poly;
  return z >= 0 ? 1 - tail : tail;
}

describe('draws of several rows at once', () => {
  const [normal, even, wide] = drawn(20261) as [Float64Array, Float64Array, Float64Array];

  it('are the same for the same seed, however they are asked for, and others for another', () => {
    const rows = SHAPES.map(() => new Float64Array(30));
    seededDraws(20261, SHAPES)(rows, 0, 30);
    expect(rows).toEqual(drawn(20261, 30));
    expect(rows[0]).not.toEqual(drawn(7, 30)[0]);
  });

  it('lie as the bell does, corners of its layers and tail too', () => {
    // Four standard errors of a share: 4·√(p·(1 − p)/n).
    for (const z of [-4, -3.7, -3, -2.2, -1, -0.3, 0, 0.45, 1.3, 2, 3.3, 3.8]) {
      const p = below(z);
      const share = mean(normal, (v) => Number(v < z));
      expect(Math.abs(share - p), `z = ${z}`).toBeLessThan(4 * Math.sqrt((p * (1 - p)) / DRAWS) + 1e-7);
    }
    expect(mean(normal, (v) => v ** 4)).toBeCloseTo(3, 1);
    expect(mean(wide, (v) => v * v)).toBeCloseTo(6.25, 1);
    expect(normal.some((v) => v > 3.66) && normal.some((v) => v < -3.66)).toBe(true);
  });

  it('lie round their middle', () => {
    const row = new Float64Array(5000);
    seededDraws(3, [{ middle: 701.5, flat: true, width: 0.25 }])([row], 0, row.length);
    expect([Math.min(...row) >= 701.25, Math.max(...row) <= 701.75]).toEqual([true, true]);
    expect(mean(row, (v) => v)).toBeCloseTo(701.5, 1);
  });

  it('lie evenly within their width where that is asked', () => {
    expect(mean(even, (v) => v * v)).toBeCloseTo(1 / 3, 2);
    expect(mean(even, (v) => Number(v < -0.25))).toBeCloseTo(0.375, 2);
    expect(even.every((v) => v >= -1 && v <= 1)).toBe(true);
  });

  it('hang on nothing but themselves: neighbours and rows are uncorrelated', () => {
    const four = 4 / Math.sqrt(DRAWS);
    expect(Math.abs(mean(normal, (v, i) => v * (normal[i + 1] ?? 0)))).toBeLessThan(four);
    expect(Math.abs(mean(normal, (v, i) => (v * (wide[i] ?? 0)) / 2.5))).toBeLessThan(four);
    expect(Math.abs(mean(normal, (v, i) => v * (even[i] ?? 0) * Math.sqrt(3)))).toBeLessThan(four);
  });
});

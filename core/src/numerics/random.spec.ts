import { describe, expect, it } from 'vitest';
import { normalDraw, normalDraws, seededRandom } from './random';

const N = 60_000;

describe('seeded numbers', () => {
  it('are the same for the same seed and others for another', () => {
    const [a, b, c] = [seededRandom(7), seededRandom(7), seededRandom(8)];
    const first = Array.from({ length: 20 }, a);
    expect(Array.from({ length: 20 }, b)).toEqual(first);
    expect(Array.from({ length: 20 }, c)).not.toEqual(first);
  });

  it('fill 0 to 1 evenly: mean 1/2, variance 1/12, a tenth in each tenth', () => {
    const random = seededRandom(31);
    const draws = Array.from({ length: N }, random);
    const mean = draws.reduce((s, v) => s + v, 0) / N;
    expect(mean).toBeCloseTo(0.5, 2);
    expect(draws.reduce((s, v) => s + (v - mean) ** 2, 0) / N).toBeCloseTo(1 / 12, 2);
    for (let tenth = 0; tenth < 10; tenth += 1)
      expect(draws.filter((v) => Math.floor(v * 10) === tenth).length / N).toBeCloseTo(0.1, 2);
    expect(Math.min(...draws.slice(0, 9000))).toBeGreaterThanOrEqual(0);
    expect(Math.max(...draws.slice(0, 9000))).toBeLessThan(1);
  });

  it('are normal where they should be: 68.27 % within one, 95.45 % within two', () => {
    const random = seededRandom(-5);
    const draws = Array.from({ length: N }, () => normalDraw(random));
    const within = (k: number) => draws.filter((v) => Math.abs(v) < k).length / N;
    expect(within(1)).toBeCloseTo(0.6827, 2);
    expect(within(2)).toBeCloseTo(0.9545, 2);
    expect(draws.filter((v) => v > 0).length / N).toBeCloseTo(0.5, 2);
  });
});

describe('very many normal draws', () => {
  const many = (seed: number, n: number): number[] => {
    const draw = normalDraws(seededRandom(seed));
    return Array.from({ length: n }, draw);
  };

  it('have mean 0, standard deviation 1, and no link between the two of a pair', () => {
    const draws = many(20261, 40_000);
    const mean = draws.reduce((sum, v) => sum + v, 0) / draws.length;
    const square = draws.reduce((sum, v) => sum + v * v, 0) / draws.length;
    const pairs = draws.filter((_, i) => i % 2 === 0).map((v, i) => v * (draws[2 * i + 1] ?? 0));
    const link = pairs.reduce((sum, v) => sum + v, 0) / pairs.length;
    // Three standard errors: 3/√40 000, 3·√2/√40 000, 3/√20 000.
    expect(Math.abs(mean)).toBeLessThan(0.015);
    expect(Math.abs(square - 1)).toBeLessThan(0.0212);
    expect(Math.abs(link)).toBeLessThan(0.0212);
  });

  it('lie within one standard deviation as often as they should: 68.27 %', () => {
    const inside = many(7, 40_000).filter((v) => Math.abs(v) < 1).length / 40_000;
    expect(inside).toBeCloseTo(0.6827, 1);
    expect(Math.abs(inside - 0.6827)).toBeLessThan(0.007);
  });

  it('are the same for the same seed', () => {
    expect(many(3, 9)).toEqual(many(3, 9));
    expect(many(3, 9)).not.toEqual(many(4, 9));
  });
});

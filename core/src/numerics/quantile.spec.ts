import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seededRandom } from './random';
import { quantiles } from './quantile';
import { spread } from '../testing/spread';

const quantile = (values: Float64Array, share: number): number | undefined => quantiles(values, [share])[0];

describe('quantiles', () => {
  it('is the value at its place in the order, whatever the order was', () => {
    const value = spread(-1e6, 1e6);
    fc.assert(
      fc.property(fc.array(value, { minLength: 1, maxLength: 60 }), spread(0, 1), (list, share) => {
        const sorted = [...list].sort((a, b) => a - b);
        const at = Math.min(list.length - 1, Math.floor(share * list.length));
        expect(quantile(Float64Array.from(list), share)).toBe(sorted[at]);
      }),
    );
  });

  it('stands on equal values, one value, and either end', () => {
    expect(quantile(Float64Array.of(4.5, 4.5, 4.5, 4.5), 0.7)).toBe(4.5);
    expect(quantile(Float64Array.of(-3.25), 0.5)).toBe(-3.25);
    expect([quantile(Float64Array.of(3, 1, 2), 0), quantile(Float64Array.of(3, 1, 2), 1)]).toEqual([1, 3]);
    expect(() => quantile(new Float64Array(0), 0.5)).toThrow(RangeError);
  });

  it('is the same of very many values, crowded or far apart, and leaves their order', () => {
    const random = seededRandom(77);
    const shares = [0, 0.025, 0.31, 0.975, 1];
    const many = 5003;
    const lists = [
      Float64Array.from({ length: many }, () => random() * 40 - 7),
      Float64Array.from({ length: many }, () => Math.floor(random() * 5)),
      // One far away crowds all others into one bin.
      Float64Array.from({ length: many }, (_, i) => (i === 2001 ? 1e9 : random())),
      new Float64Array(many).fill(2.75),
      Float64Array.from({ length: many }, (_, i) => (i === 9 ? Infinity : i * 0.5)),
    ];
    for (const list of lists) {
      const before = [...list];
      const sorted = Float64Array.from(list).sort();
      const expected = shares.map((share) => sorted[Math.min(many - 1, Math.floor(share * many))]);
      expect(quantiles(list, shares)).toEqual(expected);
      expect([...list]).toEqual(before);
    }
  });
});

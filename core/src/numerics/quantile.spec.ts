import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { quantile } from './quantile';

describe('quantile', () => {
  it('is the value at its place in the order, whatever the order was', () => {
    const value = fc.double({ min: -1e6, max: 1e6, noNaN: true });
    fc.assert(
      fc.property(
        fc.array(value, { minLength: 1, maxLength: 60 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (list, share) => {
          const sorted = [...list].sort((a, b) => a - b);
          const at = Math.min(list.length - 1, Math.floor(share * list.length));
          expect(quantile(Float64Array.from(list), share)).toBe(sorted[at]);
        },
      ),
    );
  });

  it('stands on equal values, one value, and either end', () => {
    expect(quantile(Float64Array.of(4.5, 4.5, 4.5, 4.5), 0.7)).toBe(4.5);
    expect(quantile(Float64Array.of(-3.25), 0.5)).toBe(-3.25);
    expect([quantile(Float64Array.of(3, 1, 2), 0), quantile(Float64Array.of(3, 1, 2), 1)]).toEqual([1, 3]);
    expect(() => quantile(new Float64Array(0), 0.5)).toThrow(RangeError);
  });
});

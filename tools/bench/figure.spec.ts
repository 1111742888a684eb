import { describe, expect, it } from 'vitest';
import { figureOf, median, timed } from './figure';

describe('bench figures', () => {
  it.each([
    [[3.1], 3.1],
    [[9, 1.5, 4], 4],
    [[8, 1, 2.5, 4.5], 3.5],
  ])('the middle of %j is %d', (values, middle) => {
    expect(median(values)).toBe(middle);
  });

  it('has no middle of nothing', () => {
    expect(() => median([])).toThrow(RangeError);
  });

  it('says whether the target is met, and rounds for reading only', () => {
    const yardstick = { name: 'plain', value: 0.123456, unit: 'ms' };
    const figure = figureOf({ name: 'evaluate', value: 1.00049, unit: 'ms', target: 1, yardstick });
    expect(figure).toMatchObject({ value: 1, met: false, yardstick: { value: 0.123 } });
    expect(figureOf({ ...figure, value: 0.87654 }).met).toBe(true);
  });

  it('times each call after warming up', () => {
    const seen: number[] = [];
    expect(timed((i) => seen.push(i), { warm: 3, runs: 5 })).toBeGreaterThanOrEqual(0);
    expect(seen).toEqual([0, 1, 2, 0, 1, 2, 3, 4]);
  });
});

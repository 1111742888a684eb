import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BATCH, batchOf } from './batch';
import { formulaOf } from './formula';

const FORMULAS = [
  '{a} − {b}/2',
  'min({a}, {b}, 3)·max({c}, 1) + {a}²',
  '√(|{a}|) − round({b}) + atan({c})',
  'max(0, min({a} + {b}, {c} + 4) − max({a}, {c}))/5',
  '−({a} − {b}) + sin {c}·cos {a}',
];

describe('a formula over many values', () => {
  it.each(FORMULAS)('gives what it gives one by one: %s', (text) => {
    const [batch, one] = [batchOf(text), formulaOf(text)];
    expect(batch.symbols).toEqual(one.symbols);
    const value = fc.double({ min: -9, max: 9, noNaN: true });
    fc.assert(
      fc.property(fc.array(fc.tuple(value, value, value), { minLength: 1, maxLength: 20 }), (rows) => {
        const inputs = one.symbols.map((_, k) => Float64Array.from(rows, (row) => row[k] as number));
        const out = batch.over(inputs, rows.length);
        rows.forEach((row, i) => {
          expect(out[i]).toBeCloseTo(one.value(row), 12);
        });
      }),
    );
  });

  it('fills a whole batch, and leaves each its own room', () => {
    const [twice, thrice] = [batchOf('{x}·2'), batchOf('{x}·3')];
    const x = Float64Array.from({ length: BATCH }, (_, i) => i);
    const a = twice.over([x], BATCH);
    const b = thrice.over([x], BATCH);
    expect([a[BATCH - 1], b[BATCH - 1]]).toEqual([(BATCH - 1) * 2, (BATCH - 1) * 3]);
  });

  it('refuses what is no formula', () => {
    expect(() => batchOf('{a} +')).toThrow(SyntaxError);
  });
});

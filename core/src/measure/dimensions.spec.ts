import { describe, expect, it } from 'vitest';
import { derive, given } from './derive';
import { DimensionError, dimensionOf } from './dimensions';
import type { FigureUnit } from './figure';

const is = (unit: FigureUnit, value = 3.7) => given(unit, unit, value, 0, unit, 'Read');
const of = (formula: string, unit: FigureUnit, ...units: FigureUnit[]) =>
  derive({
    id: 'x',
    label: 'X',
    unit,
    formula,
    source: 's',
    inputs: Object.fromEntries(units.map((u, i) => ['abc'[i] as string, is(u)])),
  });

describe('a formula is held to its unit', () => {
  it.each([
    ['a length and an angle', '{a} + {b}', 'mm', ['mm', 'rad']],
    ['a length called a mass', '{a} − {b}', 'kg', ['mm', 'mm']],
    ['a product called a length', '{a}·{b}', 'mm', ['mm', 'mm']],
    ['a load over an area called a load', '{a}/{b}²', 'N', ['N', 'mm']],
    ['the greater of a length and a ratio', 'max({a}, {b})', 'mm', ['mm', 'ratio']],
    ['the sine of a length', '{a}·sin({b})', 'mm', ['mm', 'mm']],
    ['a mass called a load', '{a}/2', 'N', ['kg']],
    ['a root of a length', '√({a})', 'mm', ['mm']],
  ] as const)('refuses %s', (_what, formula, unit, units) => {
    expect(() => of(formula, unit, ...units)).toThrow(DimensionError);
  });

  it.each([
    ['16·1000·{a}/(π·{b}³)', 'MPa', ['Nm', 'mm']],
    ['{a}·9.80665/2', 'N', ['kg']],
    ['max(0, {a} − {b})', 'mm', ['mm', 'mm']],
    ['({a} + 1)/{b}·25.4', 'mm', ['count', 'count']],
    ['√({a}² + {b}²)', 'mm', ['mm', 'mm']],
    ['atan({a}/{b})', 'rad', ['mm', 'mm']],
    ['1000·{a}·{b}/(79300·π·{c}⁴/32)', 'rad', ['Nm', 'mm', 'mm']],
  ] as const)('takes %s for %s', (formula, unit, units) => {
    expect(() => of(formula, unit, ...units)).not.toThrow();
  });

  it('knows what a nought is not: it may be of anything', () => {
    expect(dimensionOf('0', {})).toBeUndefined();
    expect(dimensionOf('{a} − 0', { a: 'kg' })).toEqual([0, 1, 0, 0]);
  });
});

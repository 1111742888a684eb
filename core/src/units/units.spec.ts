import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { formatAngle } from './format-angle';
import { formatLength } from './format-length';
import { parseAngle } from './parse-angle';
import { parseLength } from './parse-length';
import { LENGTH_UNITS, tapeStep, type LengthUnit } from './definitions';
import { spread } from '../testing/spread';

const mm = (text: string, unit: LengthUnit = 'mm') => {
  const read = parseLength(text, unit);
  if (!read.ok) throw new Error(read.reason);
  return read.value;
};
const why = (text: string, unit: LengthUnit = 'mm') => {
  const read = parseLength(text, unit);
  return read.ok ? `accepted as ${read.value}` : read.reason;
};

describe('parseLength', () => {
  it.each([
    ['57 3/8', 'mm', 1457.325],
    ['57-3/8"', 'mm', 1457.325],
    ['57⅜″', 'mm', 1457.325],
    ['57 ⅜', 'frac', 1457.325],
    ['57 3⁄8', 'in', 1457.325],
    ["4' 9 3/8", 'mm', 1457.325],
    ['4’ 9 3/8”', 'mm', 1457.325],
    ["4'9-3/8''", 'mm', 1457.325],
    ["4'", 'mm', 1219.2],
    ['4ft 9.375in', 'mm', 1457.325],
    ['57.375in', 'mm', 1457.325],
    ['57.375', 'in', 1457.325],
    ['57.375', 'frac', 1457.325],
    ['57.375 inch', 'mm', 1457.325],
    ['1457.3', 'mm', 1457.3],
    ['1457.3 mm', 'in', 1457.3],
    ['145.7cm', 'mm', 1457],
    ['1.4573 m', 'mm', 1457.3],
    ['.063', 'in', 1.6002],
    ['63 thou', 'mm', 1.6002],
    ['1457,3', 'mm', 1457.3],
    ['0,063', 'in', 1.6002],
    ['3/8', 'mm', 9.525],
    ['−12', 'mm', -12],
    ['- 3/8', 'mm', -9.525],
    ['57 3/8 −0.3 mm', 'mm', 1457.025],
    ['57" +0.2 mm', 'mm', 1448],
    ['−57 3/8 +0.3 mm', 'mm', -1457.025],
    // 57.375 − 0.012 and 57 + 0.008 inch, and 27.625 − 0.028.
    ['57 3/8 −0.012 in', 'mm', 1457.0202],
    ['57 + .008', 'frac', 1448.0032],
    ['27 5⁄8 − .028', 'frac', 700.9638],
    ['57" +.008"', 'mm', 1448.0032],
    ['57 1/128', 'mm', 1447.9984375],
  ] as const)('reads %s in a field of %s', (text, unit, expected) => {
    expect(mm(text, unit)).toBeCloseTo(expected, 9);
  });

  it.each([
    ['57 3/0', /nothing below the line/],
    ['57 9/8', /one or more/],
    ['57 -3/8', /two ways/],
    ['57 - 3/8', /two ways/],
    ['57- 3/8', /two ways/],
    ["4' 9 -3/8", /two ways/],
    ['3/6', /halves, quarters/],
    ['5/1', /halves, quarters/],
    ['57 1/3', /halves, quarters/],
    ['57 1/256', /halves, quarters/],
    ['57 -0.3', /not a length/],
    ['57 −0.3 mm', /not a length/],
    ['', /Type a length/],
    ['abc', /not a length/],
    ['1e9', /not a length/],
    ['NaN', /not a length/],
    ['1,457', /write the decimal with a point/],
    ['1,457.3', /write the decimal with a point/],
    ['1.457.3', /not a number/],
    ['57 3', /not a length/],
    ["4' 13 3/8", /foot or more/],
    ['57 3/8 3/8', /not a length/],
    ['5 furlong', /not a length/],
    ['<script>', /not a length/],
    ['1'.repeat(60), /too long/],
  ])('refuses %s', (text, reason) => {
    expect(why(text)).toMatch(reason);
  });
});

describe('formatLength', () => {
  it.each([
    [1457.325, { unit: 'mm' }, '1457.3'],
    [1457.325, { unit: 'in' }, '57.375'],
    [1457.325, { unit: 'frac' }, '57 3⁄8'],
    [1457.025, { unit: 'frac' }, '57 3⁄8 − .012'],
    [1448, { unit: 'frac' }, '57 + .008'],
    [-1457.025, { unit: 'frac' }, '−57 3⁄8 + .012'],
    // 700.963 mm is 27.597 in: 27 5/8 less 28 thousandths.
    [700.9638, { unit: 'frac' }, '27 5⁄8 − .028'],
    [0, { unit: 'frac' }, '0'],
    [0.3, { unit: 'frac' }, '0.012'],
    [-0.3, { unit: 'frac' }, '−0.012'],
    [30.559375, { unit: 'frac64', digits: 2 }, '1 13⁄64'],
    // 30 mm is 1.1811 in: 1 3/16 less 6 thousandths, 1 3/16 again by 1/32, 1 12/64 less 6.
    [30, { unit: 'frac' }, '1 3⁄16 − .006'],
    // 23 mm is 0.9055 in: 14.49 sixteenths, 28.98 thirty-seconds, 57.95 sixty-fourths.
    [23, { unit: 'frac' }, '7⁄8 + .031'],
    [23, { unit: 'frac32' }, '29⁄32 − .001'],
    [23, { unit: 'frac64' }, '29⁄32 − .001'],
    [11.1125, { unit: 'frac', signed: true }, '+7⁄16'],
    [-0.04, { unit: 'mm' }, '0.0'],
    [-25.25, { unit: 'mm', digits: 2 }, '−25.25'],
    [7.5, { unit: 'mm', signed: true }, '+7.5'],
    [Number.NaN, { unit: 'frac' }, '–'],
  ] as const)('prints %d as %o', (value, style, expected) => {
    expect(formatLength(value, style)).toBe(expected);
  });
});

describe('parser and formatter are inverse', () => {
  const lengths = spread(-3000, 3000);
  const taped = fc.constantFrom<LengthUnit[]>('frac', 'frac32', 'frac64');

  it.each(LENGTH_UNITS)('to the digits printed, in %s', (unit) => {
    const digits = unit === 'mm' ? 2 : 3;
    const half = (unit === 'mm' ? 1 : 25.4) * 0.5 * 10 ** -digits;
    fc.assert(
      fc.property(lengths, (value) => {
        const back = mm(formatLength(value, { unit, digits }), unit);
        expect(Math.abs(back - value)).toBeLessThanOrEqual(half * (1 + 1e-6));
      }),
    );
  });

  it('for every tape fraction, exactly', () => {
    fc.assert(
      fc.property(fc.integer({ min: -6000, max: 6000 }), taped, (steps, unit) => {
        const inch = steps / (tapeStep(unit) ?? Number.NaN);
        const text = formatLength(inch * 25.4, { unit });
        expect(mm(text, unit)).toBeCloseTo(inch * 25.4, 9);
        expect(text).not.toContain('mm');
      }),
    );
  });

  it('never throws on any text, and a refusal says something', () => {
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.stringMatching(/^[\d/ '".,-]{1,12}$/)), (text) => {
        const read = parseLength(text, 'mm');
        if (read.ok) expect(Number.isFinite(read.value)).toBe(true);
        else expect(read.reason.length).toBeGreaterThan(10);
      }),
    );
  });
});

describe('parseAngle', () => {
  it.each([
    ["2°30'", 2.5],
    ['2° 30′ 18″', 2.505],
    ['2.5', 2.5],
    ['-1.2°', -1.2],
    ['2.5 deg', 2.5],
    ["45'", 0.75],
    ['0.04 rad', 2.2918311805],
  ])('reads %s', (text, degrees) => {
    const read = parseAngle(text);
    expect(read.ok && (read.value * 180) / Math.PI).toBeCloseTo(degrees, 8);
  });

  it.each(["1°90'", 'steep', '', '1,250', "2°30'99"])('refuses %s', (text) => {
    expect(parseAngle(text).ok).toBe(false);
  });

  it('prints what it reads', () => {
    fc.assert(
      fc.property(spread(-3, 3), (rad) => {
        const read = parseAngle(formatAngle(rad, 4));
        expect(read.ok && Math.abs(read.value - rad)).toBeLessThan(0.000051 * (Math.PI / 180));
      }),
    );
  });
});

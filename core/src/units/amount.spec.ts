import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { amountShown, amountWord, formatAmount, isAmountUnit, parseAmount, type AmountUnit } from './amount';

const value = (text: string, unit: AmountUnit, length: 'mm' | 'in' | 'frac' = 'mm'): number => {
  const read = parseAmount(text, unit, length);
  if (!read.ok) throw new Error(read.reason);
  return read.value;
};
const refused = (text: string, unit: AmountUnit): string => {
  const read = parseAmount(text, unit, 'mm');
  return read.ok ? `taken as ${read.value}` : read.reason;
};

describe('amounts as they are typed', () => {
  // From the tables of NIST SP 811, to the digits given there.
  it.each([
    ['2900 lb', 'kg', 1315.417873],
    ['1.25 t', 'kg', 1250],
    ['500 lbf', 'N', 2224.110808],
    ['310 kgf', 'N', 3040.0615],
    ['380 lbft', 'Nm', 515.2108204],
    ['380 ft-lb', 'Nm', 515.2108204],
    ['380 lb·ft', 'Nm', 515.2108204],
    ['25 in lb', 'Nm', 2.824620726],
    ['42,5 N·m', 'Nm', 42.5],
    ['0.42 kN·m', 'Nm', 420],
    ['110 ksi', 'MPa', 758.4233022],
    ['14.7 psi', 'MPa', 0.1013529322],
    ['8.5 bar', 'MPa', 0.85],
    ['640 N/mm²', 'MPa', 640],
    ['−12 N', 'N', -12],
    // 25 N/mm; 4.448 221 615 N on 25.4 mm is 0.175 126 835 N/mm.
    ['25 N/mm', 'N/mm', 25],
    ['143 lb/in', 'N/mm', 25.04313744],
    ['2.5 kgf/mm', 'N/mm', 24.516625],
  ] as const)('%s', (text, unit, expected) => {
    expect(value(text, unit)).toBeCloseTo(expected, 6);
  });

  it('take the field’s own unit where none is typed', () => {
    expect(value('420', 'Nm')).toBe(420);
    expect(value('310', 'Nm', 'frac')).toBeCloseTo(420.30356, 4);
    expect(value('2900', 'kg', 'in')).toBeCloseTo(1315.417873, 6);
  });

  it('are refused in a unit of something else, with what would be right', () => {
    expect(refused('1020 N', 'kg')).toBe('“N” is no unit of a mass. Write it like 1020 kg or 2250 lb.');
    expect(refused('420 kg', 'Nm')).toBe('“kg” is no unit of a torque. Write it like 420 N·m or 310 lbft.');
    expect(refused('heavy', 'kg')).toBe('“heavy” is not a mass. Write it like 1020 kg or 2250 lb.');
    expect(refused('', 'N')).toContain('is not a force');
    expect(refused('1,020 kg', 'kg')).toContain('could be thousands or a decimal');
    expect(refused('12 constructor', 'kg')).toContain('no unit of a mass');
  });
});

describe('amounts as they are shown', () => {
  it('go with the unit of lengths: pounds with inches', () => {
    expect(formatAmount(1315.417873, 'kg', 'frac')).toBe('2900 lb');
    expect(formatAmount(515.2108, 'Nm', 'in')).toBe('380 lb·ft');
    expect(formatAmount(2224.11, 'N', 'in')).toBe('500 lbf');
    expect(formatAmount(758.4233, 'MPa', 'in')).toBe('110.0 ksi');
    expect(formatAmount(515.2108, 'Nm', 'mm', 1)).toBe('515.2 N·m');
    expect(formatAmount(1.6, 'Hz', 'frac')).toBe('1.60 Hz');
    expect([amountWord('MPa', 'mm'), amountWord('MPa', 'frac')]).toEqual(['MPa', 'ksi']);
    expect(['kg', 'N', 'Nm', 'MPa', 'mm', 'toString'].map(isAmountUnit)).toEqual([
      true,
      true,
      true,
      true,
      false,
      false,
    ]);
  });

  it('are read again as what they were', () => {
    const unit = fc.constantFrom<AmountUnit>('kg', 'N', 'Nm', 'MPa', 'N/mm', 'Hz');
    const length = fc.constantFrom('mm' as const, 'in' as const, 'frac' as const);
    fc.assert(
      fc.property(unit, length, fc.double({ min: -9000, max: 9000, noNaN: true }), (u, l, amount) => {
        const text = formatAmount(amount, u, l, 6);
        expect(value(text, u, 'mm')).toBeCloseTo(amount, 4);
        expect(value(String(amountShown(amount, u, l).toFixed(9)), u, l)).toBeCloseTo(amount, 4);
      }),
    );
  });
});

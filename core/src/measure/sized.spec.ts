import { describe, expect, it } from 'vitest';
import { inUnits, sized, sizedAlong } from './sized';

describe('a size within words', () => {
  it('is told in the reader’s unit, along a tape as a fraction', () => {
    const said = `Cut at ${sizedAlong(201.6125)}, ${sized(0.254, 'mm', 2)} off, ${sized(515.2108, 'Nm')}.`;
    expect(inUnits(said, 'mm')).toBe('Cut at 201.6 mm, 0.25 mm off, 515 N·m.');
    // 201.6125 mm is 7 15/16 in.
    expect(inUnits(said, 'frac')).toBe('Cut at 7 15⁄16 in, 0.010 in off, 380 lb·ft.');
    expect(inUnits(said, 'in')).toBe('Cut at 7.938 in, 0.010 in off, 380 lb·ft.');
  });

  it('keeps its digits in mm only, and is a dash where there is none', () => {
    expect(inUnits(`${sized(40, 'mm', 0)} and ${sized(-12.7)}`, 'mm')).toBe('40 mm and −12.7 mm');
    expect(inUnits(`${sized(40, 'mm', 0)} and ${sized(-12.7)}`, 'in')).toBe('1.575 in and −0.500 in');
    expect(sized(Number.NaN)).toBe('–');
  });

  it('leaves other words in braces as they are', () => {
    const words = 'A {name}, {12 parsec}, {1.5}, {H_L} − {c}';
    expect(inUnits(words, 'frac64')).toBe(words);
  });
});

import { derive, given, showTerm, type LengthUnit } from '@intervex/core';
import { withNumbers, withSymbols } from './formula-text';

describe('formula text', () => {
  it('shows symbols as letters, subscripts by a low line', () => {
    expect(withSymbols('{T_new} − {e} − {g} + {w}')).toBe('T_new − e − g + w');
  });

  it('puts numbers in their places', () => {
    const half = given('H', 'Half', 792.3, 0, 'mm', '');
    const cut = given('s', 'Cut', -92.2, 0, 'mm', '');
    const { working } = derive({
      id: 'x',
      label: 'x',
      unit: 'mm',
      formula: '{H} − {s}',
      source: '',
      inputs: { H: half, s: cut },
    });
    const print = (unit: LengthUnit) => withNumbers(working, (i) => showTerm(i.value, i.unit, unit));
    expect(print('mm')).toBe('(792.3 mm) − (−92.2 mm)');
    // 792.3 is 31 3/16 and 0.005 in more, 92.2 is 3 5/8 and 0.005 in more: no sum without brackets.
    expect(print('frac')).toBe('(31 3⁄16 + .005 in) − (−3 5⁄8 − .005 in)');
  });
});

import { withNumbers, withSymbols } from './formula-text';

describe('formula text', () => {
  it('shows symbols as letters, subscripts by a low line', () => {
    expect(withSymbols('{T_new} − {e} − {g} + {w}')).toBe('T_new − e − g + w');
  });

  it('puts numbers in their places', () => {
    const input = (value: number) => ({ id: 'x', label: 'x', value, unit: 'mm' as const });
    const working = {
      formula: '{H} − {s}',
      source: '',
      inputs: { H: input(792.3), s: input(92.2) },
    };
    expect(withNumbers(working, (v) => v.toFixed(1))).toBe('792.3 − 92.2');
  });
});

import type { Working, WorkingInput } from '@intervex/core';

const SYMBOL = /\{([^}]+)\}/g;

/** A formula with its symbols as letters: `{H_L} − {W}/2` → `H_L − W/2`, subscripts by a low line. */
export const withSymbols = (formula: string): string => formula.replace(SYMBOL, '$1');

/**
 * A formula with numbers in place of its symbols.
 *
 * @param print prints a value as one term: with its unit, in brackets where it is more than a plain number
 * @example withNumbers({ formula: '{H} − {c}', … }, print) // '(792.00 mm) − (91.00 mm)'
 */
export function withNumbers(working: Working, print: (input: WorkingInput) => string): string {
  return working.formula.replace(SYMBOL, (whole, symbol: string) => {
    const found = working.inputs[symbol];
    return found ? print(found) : whole;
  });
}

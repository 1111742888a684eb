import type { FigureUnit, Working } from '@intervex/core';

const SYMBOL = /\{([^}]+)\}/g;

/** A formula with its symbols as letters: `{H_L} − {W}/2` → `H_L − W/2`, subscripts by a low line. */
export const withSymbols = (formula: string): string => formula.replace(SYMBOL, '$1');

/**
 * A formula with numbers in place of its symbols. Negative numbers stand in brackets.
 *
 * @param print prints a value without its unit
 * @example withNumbers({ formula: '{H} − {c}', … }, print) // '792.00 − 91.00'
 */
export function withNumbers(working: Working, print: (value: number, unit: FigureUnit) => string): string {
  return working.formula.replace(SYMBOL, (whole, symbol: string) => {
    const found = working.inputs[symbol];
    if (!found) return whole;
    const text = print(found.value, found.unit);
    return found.value < 0 ? `(${text})` : text;
  });
}

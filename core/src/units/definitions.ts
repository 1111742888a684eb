/** Millimetres in one inch. Exact by definition (international inch, 1959). */
export const MM_PER_INCH = 25.4;

/** Millimetres in one foot. Exact: 12 in. */
export const MM_PER_FOOT = 304.8;

/** Radians in one degree. */
export const RAD_PER_DEGREE = Math.PI / 180;

/**
 * How lengths are shown and how a bare number is read.
 * `mm` millimetres, `in` decimal inch, `frac` tape inch with fractions.
 */
export type LengthUnit = 'mm' | 'in' | 'frac';

/** Finest fraction printed for tape inches: 1/16, 1/32 or 1/64. */
export type TapeDenominator = 16 | 32 | 64;

/** Outcome of reading typed text: a value in core units, or the reason it was refused. */
export type Parsed =
  { readonly ok: true; readonly value: number } | { readonly ok: false; readonly reason: string };

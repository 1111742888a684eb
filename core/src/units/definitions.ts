/** Millimetres in one inch. Exact by definition (international inch, 1959). */
export const MM_PER_INCH = 25.4;

/** Millimetres in one foot. Exact: 12 in. */
export const MM_PER_FOOT = 304.8;

/** Radians in one degree. */
export const RAD_PER_DEGREE = Math.PI / 180;

/**
 * How lengths are shown and how a bare number is read: `mm` millimetres, `in` decimal inch; `frac`, `frac32` and
 * `frac64` inch as the instrument shows it: off a tape or rule as fractions to 1/16, 1/32 or 1/64, else decimal.
 */
export const LENGTH_UNITS = ['mm', 'in', 'frac', 'frac32', 'frac64'] as const;
export type LengthUnit = (typeof LENGTH_UNITS)[number];

/** Finest fraction printed for tape inches: 1/16, 1/32 or 1/64. */
export type TapeDenominator = 16 | 32 | 64;

const STEPS: Readonly<Partial<Record<LengthUnit, TapeDenominator>>> = { frac: 16, frac32: 32, frac64: 64 };

/**
 * The number below the line of the finest fraction a unit shows; nothing where it shows none.
 *
 * @example tapeStep('frac32') // 32
 */
export const tapeStep = (unit: LengthUnit): TapeDenominator | undefined => STEPS[unit];

/**
 * The same unit for what is told in decimals: by caliper, indicator and lathe, an uncertainty, a limit.
 *
 * @example decimalOf('frac32') // 'in'
 */
export const decimalOf = (unit: LengthUnit): 'mm' | 'in' => (unit === 'mm' ? 'mm' : 'in');

/** Outcome of reading typed text: a value in core units, or the reason it was refused. */
export type Parsed =
  { readonly ok: true; readonly value: number } | { readonly ok: false; readonly reason: string };

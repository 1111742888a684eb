import { MM_PER_INCH, tapeStep, type LengthUnit, type TapeDenominator } from './definitions';

/** How a length is printed. */
export interface LengthStyle {
  readonly unit: LengthUnit;
  /** Decimals: default 1 for mm, 3 for inch and for a tape’s remainder, which is in inch too. */
  readonly digits?: number;
  /** Print `+` in front of a positive value. */
  readonly signed?: boolean;
}

/** The real minus sign, as wide as a figure. */
export const MINUS = '\u2212';
/** Joins what stands over and under the line of a fraction; a font sets the figures small by it. */
export const FRACTION_SLASH = '\u2044';

/**
 * Prints a length without its unit. Tape inches print the fraction and, where it is not zero to the digits asked
 * for, what is more or less than that in decimals of an inch, so that nothing is rounded silently and one unit stands
 * for all of it.
 *
 * @param mm length in mm
 * @example formatLength(1457.025, { unit: 'frac' }) // '57 3⁄8 − .012'
 */
export function formatLength(mm: number, style: LengthStyle): string {
  const digits = style.digits ?? (style.unit === 'mm' ? 1 : 3);
  const step = tapeStep(style.unit);
  if (step) return formatTape(mm, step, digits, style.signed ?? false);
  return formatNumber(style.unit === 'mm' ? mm : mm / MM_PER_INCH, digits, style.signed);
}

/**
 * Prints a number with a fixed count of decimals and a real minus sign; never `−0`.
 *
 * @example formatNumber(-12.04, 1) // '−12.0'
 */
export function formatNumber(value: number, digits: number, signed = false): string {
  if (!Number.isFinite(value)) return '–';
  const text = Math.abs(value).toFixed(digits);
  if (Number(text) === 0) return text;
  if (value < 0) return MINUS + text;
  return signed ? `+${text}` : text;
}

function formatTape(mm: number, denominator: TapeDenominator, digits: number, signed: boolean): string {
  if (!Number.isFinite(mm)) return '–';
  const steps = Math.round((mm / MM_PER_INCH) * denominator);
  const rest = Number((mm / MM_PER_INCH - steps / denominator).toFixed(digits));
  // Less than half a step is no fraction: a decimal says it plainly.
  if (steps === 0 && rest !== 0) return formatNumber(mm / MM_PER_INCH, digits, signed);
  const sign = steps < 0 ? MINUS : signed && steps > 0 ? '+' : '';
  const fraction = `${sign}${tapeFraction(Math.abs(steps), denominator)}`;
  if (rest === 0) return fraction;
  return `${fraction} ${rest < 0 ? MINUS : '+'} ${Math.abs(rest).toFixed(digits).replace(/^0/, '')}`;
}

function tapeFraction(steps: number, denominator: number): string {
  const whole = Math.floor(steps / denominator);
  let over = steps % denominator;
  let under = denominator;
  if (over === 0) return String(whole);
  while (over % 2 === 0) {
    over /= 2;
    under /= 2;
  }
  return `${whole === 0 ? '' : `${whole} `}${over}${FRACTION_SLASH}${under}`;
}

/** Short name of the unit behind a printed length. */
export function lengthSuffix(unit: LengthUnit): string {
  return unit === 'mm' ? 'mm' : 'in';
}

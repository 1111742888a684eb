import {
  amountWord,
  formatAmount,
  formatAngle,
  formatLength,
  formatNumber,
  isAmountUnit,
  lengthSuffix,
  type LengthUnit,
} from '../units';
import type { FigureUnit } from './figure';

/** Limits below this are of something turned, ground or pressed: a tenth of a millimetre says nothing there. mm. */
const FINE_LIMIT = 1;

/**
 * Prints a figure of a check, or its limit, so that the two can be told apart: to a hundredth of a millimetre where
 * the limit is a fraction of one.
 *
 * @param limit the limit it is held against; left out where there is none
 * @example showAgainst(0.13, 0.08, 'mm') // '0.13 mm'
 */
export function showAgainst(
  value: number,
  limit: number | undefined,
  unit: FigureUnit,
  length: LengthUnit = 'mm',
): string {
  const fine = unit === 'mm' && limit !== undefined && Math.abs(limit) < FINE_LIMIT;
  if (!fine) return showValue(value, unit, length);
  return length === 'mm' ? showValue(value, 'mm', 'mm', 2) : showValue(value, 'mm', 'in', 4);
}

/**
 * What stands behind a field of a unit; nothing where a number says all.
 *
 * @example unitWord('Nm', 'mm') // 'N·m'
 */
export function unitWord(unit: FigureUnit, length: LengthUnit): string {
  if (unit === 'mm') return lengthSuffix(length);
  if (isAmountUnit(unit)) return amountWord(unit, length);
  return unit === 'rad' ? '°' : unit === 'ratio' ? '%' : '';
}

/**
 * Prints a value of any unit with its unit. Where lengths are in inches, amounts are in pounds and what goes with them.
 *
 * @example showValue(0.905, 'ratio') // '90.5 %'
 * @example showValue(515.2, 'Nm', 'in') // '380 lb·ft'
 */
export function showValue(value: number, unit: FigureUnit, length: LengthUnit = 'mm', digits?: number): string {
  if (isAmountUnit(unit)) return formatAmount(value, unit, length, digits);
  if (unit === 'rad') return formatAngle(value, digits ?? 2);
  if (unit === 'ratio') return `${(value * 100).toFixed(digits ?? 1)} %`;
  if (unit === 'money') return formatNumber(value, digits ?? 0);
  if (unit === 'count') return String(Number(value.toFixed(digits ?? 3)));
  return `${bareLength(value, length, digits)} ${lengthSuffix(length)}`;
}

/**
 * Prints a length without its unit, for a place that names the unit for all that stands in it.
 *
 * @example bareLength(701.675, 'frac') // '27 5/8'
 */
export const bareLength = (value: number, length: LengthUnit, digits?: number): string =>
  formatLength(value, digits === undefined ? { unit: length } : { unit: length, digits });

/**
 * Prints a value as one term of a formula: with its unit, and in brackets where it is more than a plain number, so
 * that no sum can be read two ways.
 *
 * @example showTerm(-12.3, 'mm') // '(−12.3 mm)'
 */
export function showTerm(value: number, unit: FigureUnit, length: LengthUnit = 'mm', digits?: number): string {
  const text = showValue(value, unit, length, digits);
  return /^[\d.]+$/.test(text) ? text : `(${text})`;
}

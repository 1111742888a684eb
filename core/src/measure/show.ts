import {
  amountWord,
  decimalOf,
  formatAmount,
  formatAngle,
  formatLength,
  formatNumber,
  isAmountUnit,
  lengthSuffix,
  type LengthUnit,
} from '../units';
import type { Figure, FigureUnit } from './figure';

/** Limits below this are of something turned, ground or pressed: a tenth of a millimetre says nothing there. mm. */
const FINE_LIMIT = 1;
const FINE_DIGITS = { mm: 2, in: 4 } as const;

/**
 * Prints a figure of a check, or its limit, so that the two can be told apart: to a hundredth of a millimetre where
 * the limit is a fraction of one. Both are decimals, so that they can be compared at sight.
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
  const style = decimalOf(length);
  if (!fine) return showValue(value, unit, style, tellingDigits(value, unit, style));
  const least = Math.min(...[value, limit].map(Math.abs).filter((mm) => mm >= NOTHING));
  return showValue(value, unit, style, FINE_DIGITS[style] + finerBy(least));
}

/** Below this a length is none, mm: half of what any gauge tells. */
const NOTHING = 5e-4;
/** Decimals beyond a hundredth that a small length wants, so that its first two figures are seen. */
const finerBy = (mm: number): number => (mm < 0.005 ? 2 : mm < 0.02 ? 1 : 0);

/**
 * Decimals for a length that is no tape’s and would print as nothing: as many as show it; undefined where the usual ones do.
 *
 * @example tellingDigits(0.0015, 'mm', 'mm') // 4
 */
export function tellingDigits(value: number, unit: FigureUnit, length: 'mm' | 'in'): number | undefined {
  const size = Math.abs(value);
  if (unit !== 'mm' || size >= 0.05 || size < NOTHING) return undefined;
  return FINE_DIGITS[length] + finerBy(size);
}

/**
 * Prints a figure with its unit, in inch work as its instrument shows it: in fractions what rests on a tape or rule, in
 * decimals what a caliper, an indicator or a lathe says.
 *
 * @example showFigure(shaftLength, 'frac') // '29 15⁄16 + .004 in'
 * @example showFigure(journal, 'frac') // '1.562 in'
 */
export const showFigure = (figure: Shown, length: LengthUnit = 'mm', digits?: number): string =>
  showValue(
    figure.value,
    figure.unit,
    styleOf(figure, length),
    digits ??
      (figure.byTape
        ? undefined
        : tellingDigits(figure.value, figure.unit, decimalOf(styleOf(figure, length)))),
  );

/** Unit in which a figure is told. */
export const styleOf = ({ byTape, inMm }: Pick<Figure, 'byTape' | 'inMm'>, length: LengthUnit): LengthUnit =>
  inMm ? 'mm' : byTape ? length : decimalOf(length);

/** Prints an uncertainty: always a decimal. */
export const showUncertainty = (
  u: number,
  unit: FigureUnit,
  length: LengthUnit = 'mm',
  digits?: number,
): string => showValue(u, unit, decimalOf(length), digits);

type Shown = Pick<Figure, 'value' | 'unit' | 'byTape' | 'inMm'>;

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
 * @example bareLength(701.675, 'frac') // '27 5⁄8'
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

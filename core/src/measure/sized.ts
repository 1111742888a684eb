import { decimalOf, type LengthUnit } from '../units';
import type { FigureUnit } from './figure';
import { showValue } from './show';

/**
 * What stands within words, as it is kept until somebody’s unit is known: `{12.7 mm}`, `{0.25 mm 2}`, along a tape
 * `{201.6 mm along}`.
 */
const SIZE = /\{(-?[\d.]+(?:e[+-]?\d+)?) ([A-Za-z]+)(?: (\d))?( along)?\}/g;
const UNITS: readonly string[] = ['mm', 'rad', 'kg', 'N', 'Nm', 'MPa', 'ratio'] satisfies FigureUnit[];
const KEPT = 9;

/**
 * A size within a sentence: whoever shows the sentence gives it the reader’s unit with `inUnits`.
 *
 * @param value in core units
 * @param digits decimals where it is told in mm, as `showValue` takes them
 * @example `The tube is ${sized(701.675)} long.` // 'The tube is {701.675 mm} long.'
 */
export function sized(value: number, unit: FigureUnit = 'mm', digits?: number): string {
  if (!Number.isFinite(value)) return '–';
  return `{${Number(value.toPrecision(KEPT))} ${unit}${digits === undefined ? '' : ` ${digits}`}}`;
}

/**
 * As `sized`, of a length that lies along a tape, such as a mark’s place: in inch work a fraction.
 *
 * @example sizedAlong(201.6125) // '{201.6125 mm along}'
 */
export const sizedAlong = (mm: number): string => sized(mm).replace('}', ' along}');

/**
 * Words with their sizes in somebody’s unit. In inch work a size within words is a decimal, to a thousandth.
 *
 * @example inUnits('The tube is {701.675 mm} long.', 'frac') // 'The tube is 27.625 in long.'
 */
export const inUnits = (text: string, length: LengthUnit): string =>
  text.replace(
    SIZE,
    (whole, value: string, unit: string, digits: string | undefined, along: string | undefined) => {
      if (!UNITS.includes(unit)) return whole;
      const style = along ? length : decimalOf(length);
      const finer = digits === undefined || (unit === 'mm' && style !== 'mm') ? undefined : Number(digits);
      return showValue(Number(value), unit as FigureUnit, style, finer);
    },
  );

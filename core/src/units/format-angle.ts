import { RAD_PER_DEGREE } from './definitions';
import { formatNumber } from './format-length';

/**
 * Prints an angle in decimal degrees with the degree sign.
 *
 * @param rad angle in rad
 * @example formatAngle(0.0039912) // '0.23°'
 */
export function formatAngle(rad: number, digits = 2, signed = false): string {
  return `${formatNumber(rad / RAD_PER_DEGREE, digits, signed)}°`;
}

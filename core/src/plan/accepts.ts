import { decimalOf, type LengthUnit } from '../units';
import { showValue, tellingDigits } from '../measure';
import { quantityName, type Quantity } from '../stage';

/**
 * Says why a value cannot be a reading of this quantity, or nothing when it can.
 *
 * @param quantity what is read
 * @param value in core units
 * @param unit in which the sentence gives lengths; default mm
 * @example refuseValue(quantity('donor.tube.left'), -588) // 'Casting to housing end, left must lie between …'
 */
export function refuseValue(quantity: Quantity, value: number, unit: LengthUnit = 'mm'): string | undefined {
  const name = quantityName(quantity);
  if (!Number.isFinite(value)) return `${name} must be a number.`;
  if (quantity.whole && !Number.isInteger(value)) return `${name} must be a whole number; ${value} is not.`;
  if (value >= quantity.min && value <= quantity.max) return undefined;
  const show = apart(quantity, value, unit);
  return `${name} must lie between ${show(quantity.min)} and ${show(quantity.max)}; this is ${show(value)}.`;
}

/** Prints values of a quantity with as many digits as show its limits, and tell a value from the limit it passes. */
function apart({ unit, min, max }: Quantity, value: number, length: LengthUnit): (v: number) => string {
  const limit = value < min ? min : max;
  const decimal = decimalOf(length);
  const small = [min, max].flatMap((v) => tellingDigits(v, unit, decimal) ?? []);
  const usual = (v: number) =>
    small.length ? showValue(v, unit, decimal, Math.max(...small)) : showValue(v, unit, length);
  if (usual(limit) !== usual(value)) return usual;
  const digits = [2, 3, 4, 5].find((n) => {
    const [a, b] = [limit, value].map((v) => showValue(v, unit, decimal, n));
    return a !== b;
  });
  return (v) => showValue(v, unit, decimal, digits ?? 6);
}

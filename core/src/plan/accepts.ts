import type { LengthUnit } from '../units';
import { showValue } from '../measure';
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
  const show = (v: number) => showValue(v, quantity.unit, unit);
  return `${name} must lie between ${show(quantity.min)} and ${show(quantity.max)}; this is ${show(value)}.`;
}

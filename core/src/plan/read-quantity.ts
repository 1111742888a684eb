import { isAmountUnit, parseAmount, parseAngle, parseLength, type LengthUnit, type Parsed } from '../units';
import { showValue } from '../measure';
import { refuseValue } from './accepts';
import type { Quantity } from '../stage';

/** A plain number: a count, or money. */
const NUMBER = /^\s*[+−-]?(\d+\.?\d*|\.\d+)\s*$/;

/**
 * Reads what somebody typed for a quantity, and refuses what cannot be one.
 *
 * @param quantity what is read
 * @param text as typed, such as `29 11/16`, `1020 kg` or `310 lbft`
 * @param unit of a length without a unit; with inches a bare mass, force, torque or pressure is in pounds’ units
 * @returns the value in core units, or the reason why not
 * @example readQuantity(quantity('donor.tube.left'), '23 1/8', 'frac') // { ok: true, value: 587.375 }
 */
export function readQuantity(quantity: Quantity, text: string, unit: LengthUnit): Parsed {
  const of = quantity.inMm ? 'mm' : unit;
  const parsed = parse(quantity, text, of);
  if (!parsed.ok) return parsed;
  const value = shownLimit(quantity, parsed.value, of);
  const reason = refuseValue(quantity, value, of);
  return reason === undefined ? { ok: true, value } : { ok: false, reason };
}

/** Most that what is shown of a limit may be off, as a share of it: 2 N/mm shown as 11 lbf/in are 1.93. */
const SHOWN_OFF = 0.05;

/**
 * Who types a limit as the refusal shows it means that limit: 200 mm are shown as 7.874 in, which are 199.9996.
 * Any other value is as it was.
 */
function shownLimit(quantity: Quantity, value: number, unit: LengthUnit): number {
  const { min, max } = quantity;
  if (value >= min && value <= max) return value;
  const limit = value < min ? min : max;
  const show = (v: number) => showValue(v, quantity.unit, unit);
  const near = Math.abs(value - limit) <= SHOWN_OFF * Math.abs(limit);
  return near && !quantity.whole && show(value) === show(limit) ? limit : value;
}

/** A share: `90 %`, `90` or `0.9`; a slope downhill is `-5 %`. */
function parseShare(text: string): Parsed {
  const share = /^\s*([+−-]?(?:\d+\.?\d*|\.\d+))\s*(%)?\s*$/.exec(text);
  if (!share) return { ok: false, reason: `“${text.trim()}” is not a share. Write it like 90 % or 0.9.` };
  const value = Number.parseFloat((share[1] ?? '').replace('−', '-'));
  return { ok: true, value: share[2] || Math.abs(value) > 1.5 ? value / 100 : value };
}

function parse({ unit: kind }: Quantity, text: string, unit: LengthUnit): Parsed {
  if (kind === 'mm') return parseLength(text, unit);
  if (kind === 'rad') return parseAngle(text);
  if (kind === 'ratio') return parseShare(text);
  if (isAmountUnit(kind)) return parseAmount(text, kind, unit);
  if (NUMBER.test(text)) return { ok: true, value: Number.parseFloat(text.trim().replace('−', '-')) };
  const example = kind === 'money' ? '1900' : '31';
  return { ok: false, reason: `“${text.trim()}” is not a number. Write it like ${example}.` };
}

import {
  amountShown,
  amountWord,
  halfResolutionOf,
  isAmountUnit,
  RAD_PER_DEGREE,
  showValue,
  unitWord,
  type FigureUnit,
  type InstrumentId,
  type LengthUnit,
} from '@intervex/core';

/** How far a single reading with an instrument may be off, as ± text; empty where it is taken at its word. */
export function offText(id: InstrumentId, unit: FigureUnit, lengths: LengthUnit): string {
  const half = halfResolutionOf(id, unit);
  if (half === 0) return '';
  if (unit === 'rad') return `± ${Number((half / RAD_PER_DEGREE).toFixed(2))}°`;
  if (unit === 'mm' && lengths !== 'mm') return `± ${showValue(half, 'mm', 'in', 4)}`;
  if (isAmountUnit(unit))
    return `± ${Number(amountShown(half, unit, lengths).toFixed(1))} ${amountWord(unit, lengths)}`;
  return `± ${half} ${unitWord(unit, lengths)}`.trim();
}

import {
  halfResolutionOf,
  RAD_PER_DEGREE,
  showValue,
  type FigureUnit,
  type InstrumentId,
  type LengthUnit,
} from '@intervex/core';

const LENGTH: readonly InstrumentId[] = [
  'tape',
  'rule',
  'caliper',
  'indicator',
  'straightedge',
  'estimate',
  'seen',
  'seller',
];
/** What each unit can be read with, firmest first; all end with what is not read at all. */
const BY_UNIT: Readonly<Partial<Record<FigureUnit, readonly InstrumentId[]>>> = {
  mm: LENGTH,
  rad: ['angleGauge', 'estimate', 'seen', 'seller'],
  kg: ['scale', 'estimate', 'seller'],
  count: ['count', 'seen', 'seller'],
  Nm: ['scale', 'estimate', 'seller'],
};

/** Instruments that a quantity of this unit can be read with. */
export const instrumentsFor = (unit: FigureUnit): readonly InstrumentId[] => [
  ...(BY_UNIT[unit] ?? ['estimate', 'seller']),
  'chosen',
];

/** How far a single reading with an instrument may be off, as ± text; empty where it is taken at its word. */
export function offText(id: InstrumentId, unit: FigureUnit, lengths: LengthUnit): string {
  const half = halfResolutionOf(id, unit);
  if (half === 0) return '';
  if (unit === 'rad') return `± ${Number((half / RAD_PER_DEGREE).toFixed(2))}°`;
  if (unit === 'mm' && lengths !== 'mm') return `± ${showValue(half, 'mm', 'in', 4)}`;
  return `± ${half} ${unit === 'Nm' ? 'N·m' : unit}`;
}

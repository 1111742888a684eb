import type { Quantity } from './quantity';

export type Extra = Partial<
  Pick<
    Quantity,
    'side' | 'whole' | 'fallback' | 'fallbackFor' | 'instrument' | 'datum' | 'unit' | 'needsLevel' | 'later'
  >
>;
export type Range = readonly [min: number, max: number];

/** Makes quantities of one heading: lengths by tape from the centreline, unless said otherwise. */
export function builder(stage: Quantity['stage'], group: string, base: Extra = {}) {
  return (id: string, label: string, hint: string, [min, max]: Range, extra: Extra = {}): Quantity => ({
    id,
    label,
    stage,
    group,
    hint,
    min,
    max,
    unit: 'mm',
    instrument: 'tape',
    datum: 'car centreline',
    ...base,
    ...extra,
  });
}

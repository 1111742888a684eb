import type { InstrumentId, Quantity, Reading, Repeat } from '@intervex/core';

/** How a repeat was taken, where it is not with the instrument that is usual for the quantity. */
interface TakenWith {
  readonly instrument?: InstrumentId;
  /** For an angle: what the gauge was zeroed on. */
  readonly zeroedOn?: string;
}

/**
 * A reading with one repeat more. Taken with another instrument, or a gauge zeroed on something else, it begins
 * anew: such values do not belong in one mean. What stood before stays in the history.
 */
export function withRepeat(
  now: Reading | undefined,
  { datum, instrument: usual }: Quantity,
  repeat: Repeat,
  { instrument, zeroedOn }: TakenWith = {},
): Reading {
  const used = instrument ?? now?.instrument ?? usual;
  const goesOn = now?.instrument === used && (instrument === undefined || now.zeroedOn === zeroedOn);
  if (now && goesOn) return { ...now, repeats: [...now.repeats, repeat] };
  return {
    repeats: [repeat],
    instrument: used,
    ...given('datum', now?.datum ?? datum, 'none'),
    ...given('note', now?.note),
    ...given('zeroedOn', zeroedOn),
  };
}

/** One field of a reading, left out where there is nothing to say. */
const given = (key: 'datum' | 'note' | 'zeroedOn', text: string | undefined, nothing = ''): Partial<Reading> =>
  text === undefined || text === nothing ? {} : { [key]: text };

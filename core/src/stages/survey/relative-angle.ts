/** One reading of an angle gauge: what it showed, and the angle it was zeroed on (nothing: level). */
export interface GaugeReading {
  /** rad, front higher is plus. */
  readonly shown: number;
  readonly zeroedOn?: string;
}

export type AbsoluteAngle =
  | {
      readonly status: 'known';
      readonly rad: number;
      /** Readings it is the sum of, itself first. */ readonly chain: readonly string[];
    }
  /** The angle it was zeroed on has not been read. */
  | { readonly status: 'lacks'; readonly lacks: string }
  /** It was zeroed, in the end, on itself. */
  | { readonly status: 'circular'; readonly chain: readonly string[] };

/**
 * Slope against level of an angle that was read with the gauge zeroed on another: the sum of what was shown
 * along the chain of zeros, down to one that was zeroed on level.
 *
 * @param id the angle wanted
 * @param readings all gauge readings by id; rad, front higher is plus
 * @example absoluteAngle('perch', { flat: { shown: 0.02 }, perch: { shown: -0.05, zeroedOn: 'flat' } }) // −0.03 rad
 * @source Slopes about one axis add
 */
export function absoluteAngle(id: string, readings: Readonly<Record<string, GaugeReading>>): AbsoluteAngle {
  const chain: string[] = [];
  let rad = 0;
  for (let at: string | undefined = id; at !== undefined;) {
    if (chain.includes(at)) return { status: 'circular', chain: [...chain, at] };
    const reading: GaugeReading | undefined = readings[at];
    if (!reading) return { status: 'lacks', lacks: at };
    chain.push(at);
    rad += reading.shown;
    at = reading.zeroedOn;
  }
  return { status: 'known', rad, chain };
}

/**
 * What the gauge would show on one slope after it was zeroed on another. Both slopes against level, rad.
 *
 * @example angleAgainst(-0.03, 0.02) // −0.05
 */
export const angleAgainst = (slope: number, zero: number): number => slope - zero;

/**
 * Slopes after the axle was rolled so that one of its flats has a new slope: all turn alike, so what they are
 * against one another stays.
 *
 * @param slope of the thing wanted before, rad
 * @param flatBefore slope of the flat before, rad
 * @param flatNow slope of the flat now, rad
 * @example slopeAfterRoll(-0.03, 0.02, 0) // −0.05
 */
export const slopeAfterRoll = (slope: number, flatBefore: number, flatNow: number): number =>
  flatNow + angleAgainst(slope, flatBefore);

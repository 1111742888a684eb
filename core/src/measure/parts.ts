/**
 * What makes a figure uncertain, packed: for each reading it rests on, by the reading’s place in one list of all, the
 * signed ∂value/∂reading × u(reading).
 */
export interface Parts {
  readonly at: readonly number[];
  readonly by: readonly number[];
}

const PLACES = new Map<string, number>();
const READINGS: string[] = [];

/** Place of a reading in the list of all that were ever met. */
function placeOf(id: string): number {
  const known = PLACES.get(id);
  if (known !== undefined) return known;
  PLACES.set(id, READINGS.length);
  return READINGS.push(id) - 1;
}

/** Id of the reading at a place of that list. */
export const readingAt = (place: number): string => READINGS[place] as string;

const NO_PARTS: Parts = { at: [], by: [] };

/** The one part of a reading itself. */
export const partOf = (id: string, u: number): Parts => (u > 0 ? { at: [placeOf(id)], by: [u] } : NO_PARTS);

/** Parts from a record of contributions by reading. */
export function packed(contributions: Readonly<Record<string, number>>): Parts {
  const ids = Object.keys(contributions);
  return { at: ids.map(placeOf), by: ids.map((id) => contributions[id] as number) };
}

/** Contributions by reading. */
export function unpacked({ at, by }: Parts): Record<string, number> {
  const record: Record<string, number> = {};
  at.forEach((place, i) => {
    record[READINGS[place] as string] = by[i] as number;
  });
  return record;
}

/** Parts that rest on different readings, together. */
export const summed = (a: Parts, b: Parts): Parts => ({ at: [...a.at, ...b.at], by: [...a.by, ...b.by] });

/** Root sum of squares. */
export function spreadOf({ by }: Parts): number {
  let sum = 0;
  for (let i = 0; i < by.length; i += 1) sum += (by[i] as number) * (by[i] as number);
  return Math.sqrt(sum);
}

// Room for the sums, by place; only places that were touched are read and cleared again.
let room = new Float64Array(256);
let touched = new Uint8Array(256);

/**
 * Parts of a function of several figures: the sum of each one’s parts times the function’s slope by it, so that what
 * two of them share stays one part.
 */
export function combined(all: readonly Parts[], slopes: ArrayLike<number>): Parts {
  if (room.length < READINGS.length) {
    room = new Float64Array(2 * READINGS.length);
    touched = new Uint8Array(2 * READINGS.length);
  }
  const at: number[] = [];
  for (let k = 0; k < all.length; k += 1) {
    const slope = slopes[k] as number;
    if (slope === 0) continue;
    const one = all[k] as Parts;
    for (let i = 0; i < one.at.length; i += 1) {
      const place = one.at[i] as number;
      if (touched[place] === 0) {
        touched[place] = 1;
        at.push(place);
      }
      room[place] = (room[place] as number) + slope * (one.by[i] as number);
    }
  }
  const by = new Array<number>(at.length);
  for (let i = 0; i < at.length; i += 1) {
    const place = at[i] as number;
    by[i] = room[place] as number;
    room[place] = touched[place] = 0;
  }
  return { at, by };
}

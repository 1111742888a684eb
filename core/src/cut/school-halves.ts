import type { Sided } from '../geometry';
import type { School } from '../plan';

/** Lengths in mm. Halves run from the pinion axis to the WMS; the pinion's place is plus to the left. */
export interface SchoolInput extends Sided<number> {
  /** Target WMS width. */
  readonly width: number;
  /** Where the driveline wants the pinion, from the middle of the WMS width. */
  readonly pinion: number;
}

/**
 * WMS width a school ends at: the target, but for *short shaft on both sides* twice the shorter half.
 *
 * @example schoolWidth('shortShaft', { left: 792, right: 741.5, width: 1402, pinion: 0 }) // 1483
 */
export function schoolWidth(school: School, { left, right, width }: SchoolInput): number {
  return school === 'shortShaft' ? 2 * Math.min(left, right) : width;
}

/**
 * Where a school puts the pinion axis, in mm from the middle of the new WMS width, plus to the left.
 * Even up and short shaft put it in the middle; keep offset leaves (H_R − H_L)/2.
 *
 * @example schoolPinion('keepOffset', { left: 792, right: 741.5, width: 1402, pinion: 0 }) // −25.25
 */
export function schoolPinion(school: School, { left, right, pinion }: SchoolInput): number {
  if (school === 'keepOffset') return (right - left) / 2;
  return school === 'driveline' ? pinion : 0;
}

/**
 * New half of one side: W/2 − y_p on the left, W/2 + y_p on the right.
 *
 * @example newHalf('left', 1402, -12) // 713
 */
export function newHalf(side: 'left' | 'right', width: number, pinion: number): number {
  return width / 2 + (side === 'left' ? -pinion : pinion);
}

/**
 * Half of a side that gets another shaft: brake space and seat stay, so it grows or shrinks by the difference.
 *
 * @param half as it is, mm
 * @param shaft in it now, mm
 * @param bought length of the other shaft, mm
 * @example stockHalf(792, 775.4, 686) // 702.6
 */
export const stockHalf = (half: number, shaft: number, bought: number): number => half + bought - shaft;

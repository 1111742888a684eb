/**
 * Clock angle of the place of an end face that stands farthest out, rad in [0, 2π): 0 at the top, positive toward the
 * front.
 *
 * @param b part of the plane read round it along top–bottom, mm
 * @param c part along front–rear, mm
 * @example farthestClock(0.15, 0.025) // 0.1651 rad
 */
export function farthestClock(b: number, c: number): number {
  const at = Math.atan2(c, b);
  return at < 0 ? at + 2 * Math.PI : at;
}

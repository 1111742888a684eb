/**
 * How far a lateral bar pulls the axle sideways when it moves up by `travel`: minus is toward the bar’s chassis end.
 *
 * @param length of the bar, mm
 * @param rise how much higher one end is than the other at ride height, mm
 * @param travel of the axle, mm, plus for bump
 * @throws RangeError where the bar is too short to reach
 * @example barShift(880, 20, 75) // −4.916
 * @example barShift(880, 20, -90) // −2.561
 * @source Pythagoras on the bar in its two places
 */
export function barShift(length: number, rise: number, travel: number): number {
  const moved = rise + travel;
  if (!(length > Math.abs(rise)) || length < Math.abs(moved))
    throw new RangeError(`A bar of ${length} mm does not reach ${Math.abs(moved)} mm up or down.`);
  return Math.sqrt(length ** 2 - moved ** 2) - Math.sqrt(length ** 2 - rise ** 2);
}

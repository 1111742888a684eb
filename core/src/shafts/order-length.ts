/**
 * Shaft length rounded to the step the maker works to; a step of 0 leaves it exact.
 *
 * @param length exact length, mm
 * @param step order step, mm, not negative
 * @example orderLength(684.37, 0.5) // 684.5
 */
export const orderLength = (length: number, step: number): number =>
  step > 0 ? Math.round(length / step) * step : length;

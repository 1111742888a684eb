/**
 * Tilt of an end face from the plane read round it: atan(√(b² + c²)/R), rad, never negative.
 *
 * @param b part along top–bottom, mm
 * @param c part along front–rear, mm
 * @param radius where the readings touch, mm, above zero
 * @example faceTilt(0.15, 0.025, 38.1) // 0.0039912 rad = 0.2287°
 */
export const faceTilt = (b: number, c: number, radius: number): number => Math.atan(Math.hypot(b, c) / radius);

/**
 * Camber the face gives the wheel, rad: plus when the top leans out, since a larger reading at the top
 * means that the top of the face stands farther out.
 *
 * @example faceCamber(0.15, 38.1) // 0.003937 rad = 0.2256°
 */
export const faceCamber = (b: number, radius: number): number => Math.atan(b / radius);

/**
 * Toe the face gives the wheel, rad: plus is toe-in. A larger reading at the front means that the front
 * of the face stands farther out, which is toe-out.
 *
 * @example faceToe(0.025, 38.1) // −0.000656 rad = −0.0376°
 */
export const faceToe = (c: number, radius: number): number => -Math.atan(c / radius);

/**
 * Clock angle of the place that stands farthest out, rad in [0, 2π): 0 at the top, positive toward the
 * front.
 *
 * @example farthestClock(0.15, 0.025) // 0.1651 rad
 */
export function farthestClock(b: number, c: number): number {
  const at = Math.atan2(c, b);
  return at < 0 ? at + 2 * Math.PI : at;
}

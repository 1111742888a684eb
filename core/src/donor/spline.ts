import { MM_PER_INCH } from '../units';

/** Diameters of an involute spline, mm. */
export interface SplineDiameters {
  readonly pitch: number;
  readonly major: number;
  readonly minor: number;
}

/**
 * Diameters of a 30° flat-root side-fit spline: pitch N/P, major (N + 1)/P, minor (N − 1.35)/P inch.
 *
 * @param teeth N, whole, above 1.35
 * @param pitch diametral pitch P, teeth per inch of pitch diameter
 * @throws RangeError when either is not positive
 * @example splineDiameters(31, 24) // { pitch: 32.808, major: 33.867, minor: 31.380 }
 * @source ANSI B92.1, 30° flat root, side fit
 */
export function splineDiameters(teeth: number, pitch: number): SplineDiameters {
  if (!(teeth > 1.35) || !(pitch > 0)) throw new RangeError('A spline needs teeth and a pitch above zero.');
  const per = MM_PER_INCH / pitch;
  return { pitch: teeth * per, major: (teeth + 1) * per, minor: (teeth - 1.35) * per };
}

import { MM_PER_INCH } from '../units';

/** Share of the teeth that carry, since never all touch. */
const TEETH_CARRYING = 0.5;
/** Height of a tooth’s working flank over the pitch, inch. */
const FLANK = 0.9;

/**
 * Pressure on the flanks of a spline, MPa.
 *
 * @param torqueNm N·m
 * @param teeth count
 * @param pitch diametral pitch, 1/inch
 * @param engaged length that engages, mm
 * @throws RangeError where one of these is not above zero
 * @example splinePressure({ torqueNm: 4200, teeth: 31, pitch: 24, engaged: 38 }) // 456
 * @source p = 2T/(D·N_eff·l·h), D = N/P, h = 0.9/P, half the teeth carrying
 */
export function splinePressure(spline: {
  torqueNm: number;
  teeth: number;
  pitch: number;
  engaged: number;
}): number {
  const { torqueNm, teeth, pitch, engaged } = spline;
  if (!(teeth > 0 && pitch > 0 && engaged > 0))
    throw new RangeError('A spline needs teeth, a pitch and a length that engages.');
  const diameter = (teeth / pitch) * MM_PER_INCH;
  const height = (FLANK / pitch) * MM_PER_INCH;
  return (2 * torqueNm * 1000) / (diameter * teeth * TEETH_CARRYING * engaged * height);
}

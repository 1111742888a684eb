/** Distances from the pinion axis outboard along one side, mm. */
export interface EngagementInput {
  /** Inner end of the shaft, pushed fully home. */
  readonly shaftEnd: number;
  /** Full-depth spline on the shaft, from its inner end. */
  readonly shaftSpline: number;
  /** Inner end of the side gear's spline. */
  readonly gearStart: number;
  /** Full-depth spline in the side gear. */
  readonly gearSpline: number;
  /** How far the shaft has moved out from fully home. */
  readonly float: number;
}

/**
 * Length over which the shaft's spline and the side gear's spline overlap, mm, 0 when they miss.
 *
 * @example engagement({ shaftEnd: 16.6, shaftSpline: 41, gearStart: 18.2, gearSpline: 33.5, float: 0.4 }) // 33.5
 */
export function engagement(v: EngagementInput): number {
  const from = v.shaftEnd + v.float;
  const inner = Math.max(from, v.gearStart);
  const outer = Math.min(from + v.shaftSpline, v.gearStart + v.gearSpline);
  return Math.max(0, outer - inner);
}

/** Floor to sill at each corner, mm. */
export interface CornerHeights {
  readonly leftFront: number;
  readonly rightFront: number;
  readonly leftRear: number;
  readonly rightRear: number;
}

/** Lean of one axle, mm: left less right, so plus stands higher on the left. */
export const lean = (left: number, right: number): number => left - right;

/**
 * Twist of the body, mm: front lean less rear lean. Nothing for a car that leans as one piece.
 *
 * @example twist({ leftFront: 251, rightFront: 242, leftRear: 248, rightRear: 246 }) // 7
 */
export const twist = (h: CornerHeights): number =>
  lean(h.leftFront, h.rightFront) - lean(h.leftRear, h.rightRear);

/**
 * Pitch of the sills, rad: plus when the front stands higher.
 *
 * @param wheelbase distance between the front and rear heights, mm, above zero
 * @example pitch({ leftFront: 251, rightFront: 242, leftRear: 248, rightRear: 246 }, 2450) // −0.000204
 */
export const pitch = (h: CornerHeights, wheelbase: number): number =>
  Math.atan((h.leftFront + h.rightFront - h.leftRear - h.rightRear) / 2 / wheelbase);

/**
 * Thrust angle of the rear axle, rad: plus when it steers the car to the left, which it does when the left
 * wheelbase is the longer one.
 *
 * @param track rear track, mm, above zero
 * @example thrustAngle(2452.5, 2448, 1320) // 0.003409 rad = 0.1953°
 */
export const thrustAngle = (left: number, right: number, track: number): number =>
  Math.atan((left - right) / track);

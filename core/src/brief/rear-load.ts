/** Standard gravity, m/s². */
export const GRAVITY = 9.80665;

/** Weights and places, any one unit of length. */
export interface LoadTransfer {
  /** Mass on both axles, kg. */
  readonly mass: number;
  /** Front axle to the centre of gravity. */
  readonly frontToCg: number;
  readonly wheelbase: number;
  readonly cgHeight: number;
  /** Friction between tyre and ground. */
  readonly friction: number;
}

/**
 * Load on the rear axle while its tyres push as hard as they can, N: W·a_f/(L − μ·h). All of the weight at
 * most, when the front wheels lift.
 *
 * @throws RangeError for a wheelbase that is not above zero
 * @example rearLoad({ mass: 1020, frontToCg: 1104.9, wheelbase: 2450, cgHeight: 510, friction: 1 }) // 5697 N
 * @source Moment balance about the front contact patch with a = μ·N_rear/m
 */
export function rearLoad({ mass, frontToCg, wheelbase, cgHeight, friction }: LoadTransfer): number {
  if (!(wheelbase > 0)) throw new RangeError('The wheelbase must be above zero.');
  const weight = mass * GRAVITY;
  const arm = wheelbase - friction * cgHeight;
  return arm <= 0 ? weight : Math.min(weight, (weight * frontToCg) / arm);
}

/**
 * Torque at which one rear tyre lets go, N·m.
 *
 * @param wheelLoad load on the wheel, N
 * @param radius rolling radius, mm
 * @example tractionTorque(2848.5, 300, 1) // 854.6 N·m
 */
export const tractionTorque = (wheelLoad: number, radius: number, friction: number): number =>
  (friction * wheelLoad * radius) / 1000;

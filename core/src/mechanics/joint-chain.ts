import { ChainKernel } from './chain-kernel';

/** x forward, y left, z up; mm for places. */
export type Vector = readonly [x: number, y: number, z: number];

/**
 * Direction of a shaft’s axis, rad: its slope seen from the side, front end higher +; its angle seen from above, rear end
 * further left +.
 */
export interface Axis {
  readonly slope: number;
  readonly plan: number;
}

export const dot = (a: Vector, b: Vector): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const cross = (a: Vector, b: Vector): Vector => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
export const lengthOf = (a: Vector): number => Math.hypot(a[0], a[1], a[2]);
const unit = (a: Vector): Vector => {
  const l = lengthOf(a);
  return [a[0] / l, a[1] / l, a[2] / l];
};

/** Unit vector along an axis, forward. */
export const directionOf = ({ slope, plan }: Axis): Vector => unit([1, -Math.tan(plan), Math.tan(slope)]);

/**
 * Axis of the line between two places.
 *
 * @param front place of the front end, mm
 * @param rear place of the rear end, mm
 * @example axisBetween([0, 0, 0], [-1000, 20, -30]) // slope 1.718°, plan 1.146°
 */
export function axisBetween(front: Vector, rear: Vector): Axis {
  const [x, y, z] = [front[0] - rear[0], front[1] - rear[1], front[2] - rear[2]];
  return { slope: Math.atan2(z, x), plan: Math.atan2(-y, x) };
}

/** How unevenly a chain of joints turns what it drives. */
export interface ChainMotion {
  /** Working angle of each joint, gearbox to pinion, rad. */
  readonly joints: readonly number[];
  /** Angle of the one joint that would be as uneven as all of them, rad. */
  readonly equivalent: number;
  /** The same of the joints before each shaft that lies between joints, gearbox to pinion, rad. */
  readonly drive: readonly number[];
  /** The same of the joints behind each such shaft, seen from the pinion, rad. */
  readonly coast: readonly number[];
}

/** How a chain is put together, beside its axes. */
export interface ChainMake {
  /**
   * How far the rear yoke of each shaft between joints is turned against its front yoke, rad, seen from behind the car:
   * anticlockwise is plus; in phase where left out.
   */
  readonly phases?: readonly number[];
  /** Joints that turn evenly at any angle, such as one of constant velocity at the gearbox: they add nothing. */
  readonly even?: readonly boolean[];
}

/**
 * Joint angles of a driveline and how unevenly it turns the pinion, to second order: θ_eq² = |Σ s_i θ_i² e^{2iφ_i}|.
 * Peak torsional acceleration is θ_eq²·ω².
 *
 * @param axes gearbox output, shafts, pinion; two or more
 * @throws RangeError for fewer than two axes
 * @example chainMotion(of slopes 3.0, 1.2, 2.5°).equivalent // 1.245°
 * @source SAE, Universal Joint and Driveshaft Design Manual, AE-7: joints in series, yokes in phase
 */
export function chainMotion(axes: readonly Axis[], make: ChainMake = {}): ChainMotion {
  if (axes.length < 2) throw new RangeError('A driveline has at least two axes.');
  const kernel = new ChainKernel(axes.length, make.phases, make.even);
  axes.forEach(({ slope, plan }, i) => {
    kernel.along(i, 1, -Math.tan(plan), Math.tan(slope));
  });
  kernel.run();
  return motionOf(kernel);
}

/** What a kernel worked out, to be kept. */
export const motionOf = ({ joints, equivalent, drive, coast }: ChainKernel): ChainMotion => ({
  joints: [...joints],
  equivalent,
  drive: [...drive],
  coast: [...coast],
});

/**
 * Revolutions of a shaft as rad/s.
 *
 * @example radPerSecond(5500) // 575.96
 */
export const radPerSecond = (rpm: number): number => (rpm * 2 * Math.PI) / 60;

/**
 * Peak angular acceleration of what an equivalent joint angle drives, rad/s².
 *
 * @param angle rad
 * @example accelerationOf(1.245°, 5500) // 156.6
 */
export const accelerationOf = (angle: number, rpm: number): number => (angle * radPerSecond(rpm)) ** 2;

/**
 * Joint angle at which a single joint gives this acceleration, rad.
 *
 * @param acceleration rad/s²
 * @param rpm above 0
 */
export const angleOf = (acceleration: number, rpm: number): number =>
  Math.sqrt(acceleration) / radPerSecond(rpm);

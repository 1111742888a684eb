/** A point, mm: x forward, y to the left, z up. */
export type Point3 = readonly [x: number, y: number, z: number];
type Axis = 'x' | 'y' | 'z';

/** A link between axle and chassis that keeps its length; its rate is that of its bushings, for how bind is shared. */
export interface AxleLink {
  readonly axle: Point3;
  readonly chassis: Point3;
  readonly rate?: number;
}

/** A point of the axle that is held at a place of the chassis in some directions. */
export interface AxlePin {
  readonly axle: Point3;
  readonly chassis: Point3;
  readonly directions: readonly Axis[];
  readonly rate?: number;
}

/**
 * A crank that turns about a fore-and-aft axis, with a bar from each of its ends: on the axle with bars to the chassis, or
 * on the car with bars to the axle.
 */
export interface WattCrank {
  readonly pivot: Point3;
  readonly arm: readonly [Point3, Point3];
  /** The bars’ other ends. */
  readonly chassis: readonly [Point3, Point3];
  readonly rate?: number;
  /** What the pivot is held by; the axle where left out. */
  readonly on?: 'axle' | 'car';
}

/** Springs that turn the axle as it rises: rad for a mm, plus lowers the front. */
export interface PitchPerRise {
  readonly perRise: number;
  readonly rate?: number;
}

/** How a solid axle is held. All points at ride height. */
export interface SolidAxle {
  readonly axleCentre: Point3;
  readonly links: readonly AxleLink[];
  readonly pins?: readonly AxlePin[];
  readonly watt?: WattCrank;
  readonly pitch?: PitchPerRise;
}

import type { Arm } from '../stages/motion/choices';

/** A place: forward of the axle’s middle, left of the centreline, above the floor, mm. */
export type At = readonly [x: number, y: number, z: number];

/** A link, spring or damper from its place on the axle, if it has one, to that on the car, read by tape. */
export const arm = (
  name: string,
  kind: Arm['kind'],
  side: Arm['side'],
  axle: At | undefined,
  car: At,
  more: Partial<Arm> = {},
): Arm => ({
  name,
  kind,
  side,
  tool: 'tape',
  ...(axle ? { ax: axle[0], ay: axle[1], az: axle[2] } : {}),
  cx: car[0],
  cy: car[1],
  cz: car[2],
  ...more,
});

import type { Point3 } from './solid-axle';

/** Something round that moves: a bar of a radius between two places, mm. */
export interface Capsule {
  readonly from: Point3;
  readonly to: Point3;
  readonly radius: number;
}

/** A wheel as it rolls: its middle, the way its axis points, half its width and its radius, mm. */
export interface Disc {
  readonly centre: Point3;
  readonly axis: Point3;
  readonly half: number;
  readonly radius: number;
}

/** A box between two corners, its sides along the car; a point or an edge along the car is one without room. */
export interface Box {
  readonly low: Point3;
  readonly high: Point3;
}

const clamp = (v: number, low: number, high: number): number => Math.max(low, Math.min(high, v));
const sub = (a: Point3, b: Point3): Point3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
const dot = (a: Point3, b: Point3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const between = (a: Point3, b: Point3, t: number): Point3 => [
  a[0] + (b[0] - a[0]) * t,
  a[1] + (b[1] - a[1]) * t,
  a[2] + (b[2] - a[2]) * t,
];
const far = (a: Point3, b: Point3): number => Math.sqrt(dot(sub(a, b), sub(a, b)));

const inBox = ({ low, high }: Box, p: Point3): Point3 => [
  clamp(p[0], low[0], high[0]),
  clamp(p[1], low[1], high[1]),
  clamp(p[2], low[2], high[2]),
];

/** The nearest point of a wheel, its inside included. */
function inDisc({ centre, axis, half, radius }: Disc, p: Point3): Point3 {
  const d = sub(p, centre);
  const along = dot(d, axis);
  const across: Point3 = [d[0] - along * axis[0], d[1] - along * axis[1], d[2] - along * axis[2]];
  const size = Math.sqrt(dot(across, across));
  const k = size > radius ? radius / size : 1;
  const a = clamp(along, -half, half);
  return [
    centre[0] + a * axis[0] + k * across[0],
    centre[1] + a * axis[1] + k * across[1],
    centre[2] + a * axis[2] + k * across[2],
  ];
}

/** Share of a line that is left over after each cut of it. */
const GOLDEN = (Math.sqrt(5) - 1) / 2;
const CUTS = 48;

/**
 * Least of a function of one number from 0 to 1 that has but one hollow.
 *
 * @param steep most that it falls from 0 to 1
 * @param above what is not below this is told as it was found so far: it is not searched further
 */
function least(of: (t: number) => number, steep: number, above: number): number {
  let [a, b] = [0, 1];
  let [c, d] = [b - GOLDEN * (b - a), a + GOLDEN * (b - a)];
  let [fc, fd] = [of(c), of(d)];
  for (let i = 0; i < CUTS && Math.min(fc, fd) - steep * (b - a) < above; i += 1) {
    if (fc < fd) {
      [b, d, fd] = [d, c, fc];
      c = b - GOLDEN * (b - a);
      fc = of(c);
    } else {
      [a, c, fc] = [c, d, fd];
      d = a + GOLDEN * (b - a);
      fd = of(d);
    }
  }
  return Math.min(fc, fd, of(0), of(1));
}

/** What does not move: a box, or an edge that need not lie along the car. */
export type Still = { readonly box: Box } | { readonly edge: readonly [Point3, Point3] };

/**
 * Room between a bar and what does not move, mm; minus where the bar’s middle is nearer than its radius.
 *
 * @example roomOfBar({ from: [0, 0, 0], to: [100, 0, 0], radius: 10 }, { box: { low: [50, 30, 0], high: [60, 40, 9] } }) // 20
 */
export function roomOfBar({ from, to, radius }: Capsule, still: Still, atMost = Infinity): number {
  const of =
    'box' in still ? (p: Point3) => far(p, inBox(still.box, p)) : (p: Point3) => farFromEdge(p, still.edge);
  return least((t) => of(between(from, to, t)), far(from, to), atMost + radius) - radius;
}

/**
 * How far a place is from what does not move, mm; 0 within a box.
 *
 * @example farFrom([0, 0, 0], { box: { low: [3, 4, 0], high: [9, 9, 9] } }) // 5
 */
export const farFrom = (p: Point3, still: Still): number =>
  'box' in still ? far(p, inBox(still.box, p)) : farFromEdge(p, still.edge);

function farFromEdge(p: Point3, [a, b]: readonly [Point3, Point3]): number {
  const along = sub(b, a);
  const size = dot(along, along);
  const t = size > 0 ? clamp(dot(sub(p, a), along) / size, 0, 1) : 0;
  return far(p, between(a, b, t));
}

const ROUNDS = 400;

/** Room between a wheel and what does not move, mm; 0 where they meet. Both are without hollows: nearest by turns. */
export function roomOfWheel(disc: Disc, still: Still, atMost = Infinity): number {
  if ('edge' in still) {
    const [a, b] = still.edge;
    return least(
      (t) => {
        const p = between(a, b, t);
        return far(p, inDisc(disc, p));
      },
      far(a, b),
      atMost,
    );
  }
  let p = inBox(still.box, disc.centre);
  let room = Infinity;
  for (let i = 0; i < ROUNDS; i += 1) {
    const on = inDisc(disc, p);
    p = inBox(still.box, on);
    const now = far(on, p);
    if (room - now < 1e-9) return now;
    room = now;
  }
  return room;
}

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

const clamp = (v: number, low: number, high: number): number => (v < low ? low : v > high ? high : v);
const past = (v: number, low: number, high: number): number => (v < low ? low - v : v > high ? v - high : 0);
/** How far two places are apart, mm. */
export const far = (a: Point3, b: Point3): number =>
  Math.sqrt((a[0] - b[0]) ** 2 + (a[1] - b[1]) ** 2 + (a[2] - b[2]) ** 2);

// What follows is run some thousand times for each change of a plan: it makes no points of its own.

function farFromBox({ low, high }: Box, x: number, y: number, z: number): number {
  const dx = past(x, low[0], high[0]);
  const dy = past(y, low[1], high[1]);
  const dz = past(z, low[2], high[2]);
  return Math.sqrt(dx * dx + dy * dy + dz * dz);
}

/** A place that is written over and over. */
type Spot = [number, number, number];

/** The nearest point of a wheel, its inside included. */
function intoDisc({ centre, axis, half, radius }: Disc, p: Point3, into: Spot): void {
  const [dx, dy, dz] = [p[0] - centre[0], p[1] - centre[1], p[2] - centre[2]];
  const along = dx * axis[0] + dy * axis[1] + dz * axis[2];
  const [ax, ay, az] = [dx - along * axis[0], dy - along * axis[1], dz - along * axis[2]];
  const size = Math.sqrt(ax * ax + ay * ay + az * az);
  const k = size > radius ? radius / size : 1;
  const a = clamp(along, -half, half);
  into[0] = centre[0] + a * axis[0] + k * ax;
  into[1] = centre[1] + a * axis[1] + k * ay;
  into[2] = centre[2] + a * axis[2] + k * az;
}

function intoBox({ low, high }: Box, p: Point3, into: Spot): void {
  into[0] = clamp(p[0], low[0], high[0]);
  into[1] = clamp(p[1], low[1], high[1]);
  into[2] = clamp(p[2], low[2], high[2]);
}

/** Share of a line that is left over after each cut of it. */
const GOLDEN = (Math.sqrt(5) - 1) / 2;
const CUTS = 48;

// What a probe is asked at, and what it found there: numbers that are handed over this way need no room of their own.
const SHARE = 0;
const FOUND = 1;
const cell = new Float64Array(2);

/** Puts how far a line is from something, at a share of its length, where it is looked for. */
type Probe = () => void;

function at(t: number, probe: Probe): number {
  cell[SHARE] = t;
  probe();
  return cell[FOUND] as number;
}

/**
 * Least of a function of one number from 0 to 1 that has but one hollow.
 *
 * @param steep most that it falls from 0 to 1
 * @param above what is not below this is told as it was found so far: it is not searched further
 */
function least(probe: Probe, steep: number, above: number): number {
  let a = 0;
  let b = 1;
  let c = b - GOLDEN;
  let d = GOLDEN;
  let fc = at(c, probe);
  let fd = at(d, probe);
  for (let i = 0; i < CUTS && Math.min(fc, fd) - steep * (b - a) < above; i += 1) {
    if (fc < fd) {
      b = d;
      d = c;
      fd = fc;
      c = b - GOLDEN * (b - a);
      fc = at(c, probe);
    } else {
      a = c;
      c = d;
      fc = fd;
      d = a + GOLDEN * (b - a);
      fd = at(d, probe);
    }
  }
  return Math.min(fc, fd, at(0, probe), at(1, probe));
}

/** What does not move: a box, or an edge that need not lie along the car. */
export type Still = { readonly box: Box } | { readonly edge: readonly [Point3, Point3] };

/**
 * Room between a bar and what does not move, mm; minus where the bar’s middle is nearer than its radius.
 *
 * @example roomOfBar({ from: [0, 0, 0], to: [100, 0, 0], radius: 10 }, { box: { low: [50, 30, 0], high: [60, 40, 9] } }) // 20
 */
export function roomOfBar({ from, to, radius }: Capsule, still: Still, atMost = Infinity): number {
  if ('edge' in still) return farOfLines(from, to, still.edge[0], still.edge[1]) - radius;
  const { box } = still;
  const [dx, dy, dz] = [to[0] - from[0], to[1] - from[1], to[2] - from[2]];
  const probe = (): void => {
    const t = cell[SHARE] as number;
    cell[FOUND] = farFromBox(box, from[0] + t * dx, from[1] + t * dy, from[2] + t * dz);
  };
  return least(probe, Math.sqrt(dx * dx + dy * dy + dz * dz), atMost + radius) - radius;
}

/** How far two lines, each between two places, are from each other where they are nearest. */
function farOfLines(a: Point3, b: Point3, c: Point3, d: Point3): number {
  const [ux, uy, uz] = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
  const [vx, vy, vz] = [d[0] - c[0], d[1] - c[1], d[2] - c[2]];
  const [wx, wy, wz] = [a[0] - c[0], a[1] - c[1], a[2] - c[2]];
  const [uu, vv, uv] = [ux * ux + uy * uy + uz * uz, vx * vx + vy * vy + vz * vz, ux * vx + uy * vy + uz * vz];
  const [aw, dw] = [ux * wx + uy * wy + uz * wz, vx * wx + vy * wy + vz * wz];
  const flat = uu * vv - uv * uv;
  // Along the first line as if the other had no ends; then along the other; then again along the first.
  const first = flat > 1e-12 * uu * vv ? clamp((uv * dw - vv * aw) / flat, 0, 1) : 0;
  const t = vv > 0 ? clamp((uv * first + dw) / vv, 0, 1) : 0;
  const s = uu > 0 ? clamp((uv * t - aw) / uu, 0, 1) : 0;
  const [x, y, z] = [wx + s * ux - t * vx, wy + s * uy - t * vy, wz + s * uz - t * vz];
  return Math.sqrt(x * x + y * y + z * z);
}

/**
 * How far a place is from what does not move, mm; 0 within a box.
 *
 * @example farFrom([0, 0, 0], { box: { low: [3, 4, 0], high: [9, 9, 9] } }) // 5
 */
export const farFrom = (p: Point3, still: Still): number =>
  'box' in still ? farFromBox(still.box, p[0], p[1], p[2]) : farOfLines(p, p, still.edge[0], still.edge[1]);

const ROUNDS = 400;

const [onDisc, onBox]: [Spot, Spot] = [
  [0, 0, 0],
  [0, 0, 0],
];

/**
 * Room between a wheel and what does not move, mm; 0 where they meet. Both are without hollows: nearest by turns.
 *
 * @param atMost what cannot be nearer than this is told as it was found so far: it is not searched further
 */
export function roomOfWheel(disc: Disc, still: Still, atMost = Infinity): number {
  if ('edge' in still) {
    const [a, b] = still.edge;
    const [dx, dy, dz] = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
    const { centre, axis, half, radius } = disc;
    const probe = (): void => {
      const t = cell[SHARE] as number;
      const [x, y, z] = [a[0] + t * dx - centre[0], a[1] + t * dy - centre[1], a[2] + t * dz - centre[2]];
      const along = x * axis[0] + y * axis[1] + z * axis[2];
      const across = Math.sqrt(Math.max(0, x * x + y * y + z * z - along * along));
      const beside = Math.max(0, Math.abs(along) - half);
      const over = Math.max(0, across - radius);
      cell[FOUND] = Math.sqrt(beside * beside + over * over);
    };
    return least(probe, far(a, b), atMost);
  }
  intoBox(still.box, disc.centre, onBox);
  let room = Infinity;
  for (let i = 0; i < ROUNDS; i += 1) {
    intoDisc(disc, onBox, onDisc);
    intoBox(still.box, onDisc, onBox);
    const now = far(onDisc, onBox);
    if (room - now < 1e-9 || leastOf(disc, still.box) >= atMost) return now;
    room = now;
  }
  return room;
}

/** Less than this a wheel and a box cannot be apart: between two walls square to the line from one to the other. */
function leastOf({ centre, axis, half, radius }: Disc, { low, high }: Box): number {
  const [dx, dy, dz] = [onBox[0] - onDisc[0], onBox[1] - onDisc[1], onBox[2] - onDisc[2]];
  const size = Math.sqrt(dx * dx + dy * dy + dz * dz);
  if (size === 0) return 0;
  const along = (dx * axis[0] + dy * axis[1] + dz * axis[2]) / size;
  const disc =
    (dx * centre[0] + dy * centre[1] + dz * centre[2]) / size +
    half * Math.abs(along) +
    radius * Math.sqrt(Math.max(0, 1 - along * along));
  const box =
    dx * (dx > 0 ? low[0] : high[0]) + dy * (dy > 0 ? low[1] : high[1]) + dz * (dz > 0 ? low[2] : high[2]);
  return box / size - disc;
}

import { sized } from '../../measure';
import type { BrakeLine, Point3 } from './choices';

/** One bend of a line, in the order they are made. */
export interface Bend {
  /** Straight before it, from the last bend’s end or the line’s start, mm. */
  readonly straight: number;
  /** How far the line is bent, rad. */
  readonly angle: number;
  /**
   * How far the plane of this bend is turned about the line against that of the bend before, rad, −π to π; 0 for the
   * first. Plus is clockwise, seen from the start of the line looking along it toward its end.
   */
  readonly rotation: number;
  /** Arc of the bend, mm. */
  readonly arc: number;
  /** From the cut end to where the bend begins: the mark to set at the die, mm. */
  readonly mark: number;
}

export interface BendTable {
  readonly bends: readonly Bend[];
  /** Straight after the last bend, mm. */
  readonly last: number;
  /** All straights and arcs, mm. */
  readonly developed: number;
  /** With both flares: what is cut off the roll, mm. */
  readonly cut: number;
  /** Shortest ready-made line that is long enough, mm; undefined where none is. */
  readonly stock: number | undefined;
}

export type BendResult =
  { readonly ok: true; readonly table: BendTable } | { readonly ok: false; readonly reason: string };

/**
 * Sense of a turn in words, seen from the start of the line looking along it toward its end.
 *
 * @example turnSense(0.7) // 'clockwise'
 */
export const turnSense = (rotation: number): 'clockwise' | 'anticlockwise' =>
  rotation >= 0 ? 'clockwise' : 'anticlockwise';

/** Ready-made lines with both ends flared, mm. */
export const STOCK_LINES = [250, 400, 500, 640, 760, 900, 1020, 1270, 1520, 1780, 2030, 2540, 3050] as const;
/** Bends smaller than this are straight, rad. */
const STRAIGHT = 0.002;

/**
 * Turns the corners of a line into straights, bends and rotations.
 *
 * @example bendTable({ name: '', points: [[0, 0, 0], [100, 0, 0], [100, 80, 0]], radius: 15, flare: 6 })
 *   // 85, 90°, 65; developed 85 + 23.56 + 65 = 173.56
 * @source Tangent length R·tan(θ/2), arc R·θ; the rotation is the angle between the planes of two bends
 */
export function bendTable({ points, radius, flare }: BrakeLine): BendResult {
  if (points.length < 2) return { ok: false, reason: 'A line needs two points or more.' };
  const legs = points.slice(1).map((p, i) => minus(p, points[i] as Point3));
  const short = legs.findIndex((leg) => length(leg) < 1e-6);
  if (short >= 0) return { ok: false, reason: `Points ${short + 1} and ${short + 2} are the same place.` };
  const corners = legs.slice(1).map((leg, i) => corner(legs[i] as Point3, leg, radius));
  const back = corners.findIndex((c) => c.angle > Math.PI - 0.01);
  if (back >= 0) return { ok: false, reason: `At point ${back + 2} the line turns back on itself.` };
  const straights = legs.map(
    (leg, i) => length(leg) - (corners[i - 1]?.tangent ?? 0) - (corners[i]?.tangent ?? 0),
  );
  const tight = straights.findIndex((s) => s < 0);
  if (tight >= 0)
    return {
      ok: false,
      reason: `Between points ${tight + 1} and ${tight + 2} there is no room for the bends: ${sized(-(straights[tight] ?? 0))} are missing. Move them apart or take a smaller die.`,
    };
  return { ok: true, table: tableOf(corners, straights, flare) };
}

interface Corner {
  readonly angle: number;
  readonly tangent: number;
  readonly arc: number;
  /** Square to the bend’s plane; undefined where it is straight. */
  readonly axis: Point3 | undefined;
  readonly along: Point3;
}

function corner(before: Point3, after: Point3, radius: number): Corner {
  const cosine = dot(before, after) / (length(before) * length(after));
  const angle = Math.acos(Math.min(1, Math.max(-1, cosine)));
  if (angle < STRAIGHT) return { angle: 0, tangent: 0, arc: 0, axis: undefined, along: before };
  const axis = cross(before, after);
  return { angle, tangent: radius * Math.tan(angle / 2), arc: radius * angle, axis, along: before };
}

function tableOf(corners: readonly Corner[], straights: readonly number[], flare: number): BendTable {
  const bends: Bend[] = [];
  let straight = straights[0] ?? 0;
  let at = flare + straight;
  let lastAxis: Point3 | undefined;
  corners.forEach((c, i) => {
    const next = straights[i + 1] ?? 0;
    if (c.axis) {
      const rotation = lastAxis ? signedAngle(lastAxis, c.axis, c.along) : 0;
      bends.push({ straight, angle: c.angle, rotation, arc: c.arc, mark: at });
      lastAxis = c.axis;
      straight = next;
      at += c.arc + next;
    } else {
      straight += next;
      at += next;
    }
  });
  const developed = straights.reduce((sum, s) => sum + s, 0) + corners.reduce((sum, c) => sum + c.arc, 0);
  const cut = developed + 2 * flare;
  return { bends, last: straight, developed, cut, stock: STOCK_LINES.find((s) => s >= cut) };
}

const minus = (a: Point3, b: Point3): Point3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
const dot = (a: Point3, b: Point3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const length = (a: Point3): number => Math.sqrt(dot(a, a));
const cross = (a: Point3, b: Point3): Point3 => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];

/** From one direction to another about a third, both square to it, rad. */
function signedAngle(from: Point3, to: Point3, about: Point3): number {
  const size = length(about);
  const unit: Point3 = [about[0] / size, about[1] / size, about[2] / size];
  return Math.atan2(dot(cross(from, to), unit), dot(from, to));
}

import { cross, directionOf, dot, lengthOf, type Axis, type Vector } from './joint-chain';

/** Steps of a turn at which the chain is looked at; what it does repeats twice a turn. */
const STEPS = 720;

/**
 * Peak angular acceleration of the last axis of a chain of crosses, over the square of the even speed of the first:
 * every cross is turned through half a turn with its four arms square to their axes. No small angles are assumed.
 *
 * @param axes two or more, rad
 * @param phases how far each inner shaft’s rear yoke is turned against its front one, rad; anticlockwise from behind +
 * @returns acceleration/ω², rad
 * @example exactUnevenness(two shafts, slopes 2.6, 1.1, 3.4, 2.2°, plan 0, 0.35, −0.8, −0.3°) · ω² // 280.68 at 5200 rpm
 */
export function exactUnevenness(axes: readonly Axis[], phases: readonly number[] = []): number {
  const ways = axes.map(directionOf);
  const h = (2 * Math.PI) / STEPS;
  const out = Float64Array.from({ length: STEPS / 2 + 2 }, (_, i) => turnOfLast(ways, phases, i * h) - i * h);
  let peak = 0;
  for (let i = 1; i <= STEPS / 2; i += 1) {
    const [a, b, c] = [out[i - 1] as number, out[i] as number, out[i + 1] as number];
    peak = Math.max(peak, Math.abs(wrapped(a - b) + wrapped(c - b)) / (h * h));
  }
  return peak;
}

const wrapped = (angle: number): number => angle - Math.PI * Math.round(angle / Math.PI);

/** How far the last axis has turned when the first has turned by an angle. */
function turnOfLast(ways: readonly Vector[], phases: readonly number[], turn: number): number {
  const [first] = ways as [Vector];
  let arm = rotated(squareTo(first), first, turn);
  for (let i = 0; i + 1 < ways.length; i += 1) {
    const next = ways[i + 1] as Vector;
    // The arm of the next yoke is square to its own axis and to the arm that drives it.
    const driven = cross(next, arm);
    const size = lengthOf(driven);
    const square: Vector = [driven[0] / size, driven[1] / size, driven[2] / size];
    arm = i + 2 < ways.length ? rotated(square, next, -(phases[i] ?? 0)) : square;
  }
  const last = ways.at(-1) as Vector;
  const zero = squareTo(last);
  return Math.atan2(dot(arm, cross(last, zero)), dot(arm, zero));
}

/** A unit vector square to a direction: level, across it. */
function squareTo(d: Vector): Vector {
  const a = cross([0, 0, 1], d);
  const l = lengthOf(a);
  return [a[0] / l, a[1] / l, a[2] / l];
}

/** A vector that is square to an axis, turned about it. */
function rotated(v: Vector, axis: Vector, angle: number): Vector {
  const w = cross(axis, v);
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  return [v[0] * c + w[0] * s, v[1] * c + w[1] * s, v[2] * c + w[2] * s];
}

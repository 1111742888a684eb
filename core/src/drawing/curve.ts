import type { Point } from './view';

/** Pieces a curve is drawn in. */
const PIECES = 8;

/**
 * Points of a curve from a to b that bends towards a third point (a quadratic Bézier), both ends included.
 *
 * @example curve([0, 0], [1, 1], [2, 0]) // nine points, the middle one at [1, 0.5]
 */
export const curve = (a: Point, towards: Point, b: Point): readonly Point[] =>
  Array.from({ length: PIECES + 1 }, (_, i): Point => {
    const t = i / PIECES;
    const at = (k: 0 | 1) => (1 - t) ** 2 * a[k] + 2 * t * (1 - t) * towards[k] + t ** 2 * b[k];
    return [at(0), at(1)];
  });

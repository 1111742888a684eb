/** A distance read at one clock position. Clock in rad: 0 at the top, positive toward the front. */
export interface RingStation {
  readonly clockRad: number;
  readonly distance: number;
}

/** Least-squares plane r = a + b·cos φ + c·sin φ. Same length unit as the distances. */
export interface RingPlane {
  readonly a: number;
  readonly b: number;
  readonly c: number;
  /** Root mean square of what the plane leaves over; 0 for three stations. */
  readonly residual: number;
}

/** Stations whose normal equations have a determinant below this (per station cubed) do not fix a plane. */
const SINGULAR = 1e-9;

/**
 * Fits a plane to distances read round a ring.
 *
 * @param stations three or more, at different clock positions
 * @returns the plane, or undefined where the stations do not fix one
 * @example fitRingPlane([601.20, 601.05, 600.90, 601.00] at 0°, 90°, 180°, 270°) // a 601.0375, b 0.15, c 0.025
 * @source ordinary least squares, normal equations 3 × 3 solved by Cramer's rule
 */
export function fitRingPlane(stations: readonly RingStation[]): RingPlane | undefined {
  const n = stations.length;
  if (n < 3) return undefined;
  let [sc, ss, scc, scs, sss, sr, src, srs] = [0, 0, 0, 0, 0, 0, 0, 0];
  for (const { clockRad, distance } of stations) {
    const cos = Math.cos(clockRad);
    const sin = Math.sin(clockRad);
    sc += cos;
    ss += sin;
    scc += cos * cos;
    scs += cos * sin;
    sss += sin * sin;
    sr += distance;
    src += distance * cos;
    srs += distance * sin;
  }
  const det = determinant(n, sc, ss, sc, scc, scs, ss, scs, sss);
  if (Math.abs(det) < SINGULAR * n ** 3) return undefined;
  const a = determinant(sr, sc, ss, src, scc, scs, srs, scs, sss) / det;
  const b = determinant(n, sr, ss, sc, src, scs, ss, srs, sss) / det;
  const c = determinant(n, sc, sr, sc, scc, src, ss, scs, srs) / det;
  const left = stations.reduce(
    (sum, s) => sum + (s.distance - a - b * Math.cos(s.clockRad) - c * Math.sin(s.clockRad)) ** 2,
    0,
  );
  return { a, b, c, residual: Math.sqrt(left / n) };
}

/** Determinant of a 3 × 3 matrix given row by row. */
function determinant(...m: readonly number[]): number {
  const [a = 0, b = 0, c = 0, d = 0, e = 0, f = 0, g = 0, h = 0, i = 0] = m;
  return a * (e * i - f * h) - b * (d * i - f * g) + c * (d * h - e * g);
}

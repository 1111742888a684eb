/** Bolt holes on a circle: how many, circle through their centres, diameter of one hole. Lengths mm. */
export interface HolePattern {
  readonly holes: number;
  readonly pcd: number;
  readonly hole: number;
}

/** How two patterns lie on one flange at their best clocking. */
export interface Clocking {
  /** Angle from an old hole to the nearest new one, rad. */
  readonly clockRad: number;
  /** Least metal between the edges of an old and a new hole, mm; negative where they run into each other. */
  readonly ligament: number;
}

/**
 * Best clocking of a new pattern over an old one about the same centre.
 *
 * Two regular patterns of m and n holes come closest somewhere within half of a full turn over their least
 * common multiple; turned so, the nearest pair stands π/lcm(m, n) apart, and no clocking does better.
 *
 * @param old holes that are there
 * @param wanted holes to be drilled
 * @throws RangeError where a pattern has no holes or no size
 * @example bestClocking({ holes: 5, pcd: 120, hole: 14 }, { holes: 5, pcd: 108, hole: 14 }) // 36°, 21.69 mm
 * @source Cosine rule between hole centres
 */
export function bestClocking(old: HolePattern, wanted: HolePattern): Clocking {
  for (const p of [old, wanted])
    if (!(p.holes >= 1) || !(p.pcd > 0) || !(p.hole > 0))
      throw new RangeError('A pattern needs holes, a circle and a hole size above zero.');
  const clockRad = Math.PI / leastCommonMultiple(old.holes, wanted.holes);
  const [a, b] = [old.pcd / 2, wanted.pcd / 2];
  const apart = Math.sqrt(a * a + b * b - 2 * a * b * Math.cos(clockRad));
  return { clockRad, ligament: apart - (old.hole + wanted.hole) / 2 };
}

function leastCommonMultiple(m: number, n: number): number {
  let [a, b] = [m, n];
  while (b) [a, b] = [b, a % b];
  return (m * n) / a;
}

/** A straight run of fillet weld in its plane, mm; the leg of the fillet’s triangle. */
export interface WeldRun {
  readonly from: readonly [x: number, y: number];
  readonly to: readonly [x: number, y: number];
  readonly leg: number;
}

/** A force in N that acts at a place in mm; the runs lie in the plane z = 0. */
export interface WeldLoad {
  readonly force: readonly [x: number, y: number, z: number];
  readonly at: readonly [x: number, y: number, z: number];
}

/** Throat of an equal-legged fillet, of its leg. */
export const THROAT = Math.SQRT1_2;
/** Below this share of the group’s own size it stands in one line and bears no moment about it. */
const FLAT = 1e-9;

interface Group {
  readonly area: number;
  readonly middle: readonly [x: number, y: number];
  readonly xx: number;
  readonly yy: number;
  readonly xy: number;
}

function groupOf(runs: readonly WeldRun[]): Group {
  let [area, sx, sy] = [0, 0, 0];
  const each = runs.map(({ from, to, leg }) => {
    const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
    const a = THROAT * leg * Math.hypot(dx, dy);
    const [x, y] = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2];
    area += a;
    sx += a * x;
    sy += a * y;
    return { a, x, y, dx, dy };
  });
  const middle = [sx / area, sy / area] as const;
  let [xx, yy, xy] = [0, 0, 0];
  for (const { a, x, y, dx, dy } of each) {
    const [u, v] = [x - middle[0], y - middle[1]];
    xx += a * (v * v + (dy * dy) / 12);
    yy += a * (u * u + (dx * dx) / 12);
    xy += a * (u * v + (dx * dy) / 12);
  }
  return { area, middle, xx, yy, xy };
}

/**
 * Greatest stress in the throats of a group of fillets under a force anywhere: direct shear and pull, twist in the
 * group’s plane and bending out of it, added as vectors at the ends of the runs.
 *
 * @returns MPa
 * @throws RangeError where there is no weld, or all of it lies in one line and the force bends about that
 * @example two runs of 60 mm, 40 apart, leg 5, pulled by 9000 N along them at their middle: 21.2 MPa
 * @source elastic line method for fillet weld groups
 */
export function weldStress(runs: readonly WeldRun[], { force: [fx, fy, fz], at }: WeldLoad): number {
  const group = groupOf(runs);
  if (!(group.area > 0)) throw new RangeError('A weld group has at least one run with a length and a leg.');
  const [x, y] = [at[0] - group.middle[0], at[1] - group.middle[1]];
  const twist = (x * fy - y * fx) / (group.xx + group.yy);
  const { b, c } = bendingOf(group, y * fz - at[2] * fy, x * fz - at[2] * fx);
  let worst = 0;
  for (const run of runs)
    for (const end of [run.from, run.to]) {
      const [u, v] = [end[0] - group.middle[0], end[1] - group.middle[1]];
      const pull = fz / group.area + b * u + c * v;
      worst = Math.max(worst, Math.hypot(fx / group.area - twist * v, fy / group.area + twist * u, pull));
    }
  return worst;
}

/** Pull for each mm along x and y, so that its moments are those asked for: ∫σ·y and ∫σ·x. */
function bendingOf({ xx, yy, xy }: Group, aboutX: number, aboutY: number): { b: number; c: number } {
  const whole = xx * yy - xy * xy;
  if (whole > FLAT * (xx + yy) ** 2) {
    return { b: (aboutY * xx - aboutX * xy) / whole, c: (aboutX * yy - aboutY * xy) / whole };
  }
  // All in one line, along (cos, sin): what bends along the line is borne, what bends across it is not.
  const along = 0.5 * Math.atan2(2 * xy, yy - xx);
  const [cos, sin] = [Math.cos(along), Math.sin(along)];
  const across = aboutX * cos - aboutY * sin;
  if (Math.abs(across) > 1e-6 * (1 + Math.abs(aboutX) + Math.abs(aboutY)))
    throw new RangeError('All welds lie in one line: they bear no moment about it. Add a run beside them.');
  const k = (aboutY * cos + aboutX * sin) / (xx + yy);
  return { b: k * cos, c: k * sin };
}

/** A bolt of a diameter in double shear under a force, MPa. */
export const doubleShear = (force: number, diameter: number): number => force / ((Math.PI * diameter ** 2) / 2);

/** What a bolt presses on plates of a thickness together, MPa. */
export const bearingStress = (force: number, diameter: number, thickness: number): number =>
  force / (diameter * thickness);

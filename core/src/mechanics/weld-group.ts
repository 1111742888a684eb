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

type Space = readonly [x: number, y: number, z: number];

/** A straight bit of fillet anywhere in space, mm. */
export interface WeldBit {
  readonly from: Space;
  readonly to: Space;
  readonly leg: number;
}

const crossOf = (a: Space, b: Space): Space => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];

/** Solves a symmetric 3 × 3 by its cofactors; nothing where it holds nothing about some axis. */
function solved3(
  m: readonly [xx: number, yy: number, zz: number, xy: number, xz: number, yz: number],
  v: Space,
) {
  const [a, b, c, d, e, f] = m;
  const co: readonly Space[] = [
    [b * c - f * f, e * f - d * c, d * f - e * b],
    [e * f - d * c, a * c - e * e, d * e - a * f],
    [d * f - e * b, d * e - a * f, a * b - d * d],
  ];
  const whole = a * (co[0] as Space)[0] + d * (co[0] as Space)[1] + e * (co[0] as Space)[2];
  if (!(Math.abs(whole) > FLAT * (a + b + c) ** 3)) return undefined;
  return co.map((row) => (row[0] * v[0] + row[1] * v[1] + row[2] * v[2]) / whole) as unknown as Space;
}

/**
 * Greatest stress in the throats of fillets that lie in space, such as round a tube, under a force anywhere: what is welded
 * moves as a stiff body, each bit of throat answers alike in every direction. For bits in one plane the same as
 * `weldStress`.
 *
 * @returns MPa; nothing where the bits cannot bear it
 * @throws RangeError where there is no weld
 * @source elastic line method for fillet weld groups, in three dimensions
 */
export function weldStressInSpace(
  bits: readonly WeldBit[],
  { force, at }: { readonly force: Space; readonly at: Space },
): number | undefined {
  let [area, sx, sy, sz] = [0, 0, 0, 0];
  for (const { from, to, leg } of bits) {
    const a = THROAT * leg * Math.hypot(to[0] - from[0], to[1] - from[1], to[2] - from[2]);
    area += a;
    sx += (a * (from[0] + to[0])) / 2;
    sy += (a * (from[1] + to[1])) / 2;
    sz += (a * (from[2] + to[2])) / 2;
  }
  if (!(area > 0)) throw new RangeError('A weld group has at least one run with a length and a leg.');
  const middle: Space = [sx / area, sy / area, sz / area];
  const off = (p: Space): Space => [p[0] - middle[0], p[1] - middle[1], p[2] - middle[2]];
  // Second moments of the throats about the group’s middle, each bit’s own length among them.
  const moment = [0, 0, 0, 0, 0, 0] as [number, number, number, number, number, number];
  for (const { from, to, leg } of bits) {
    const d: Space = [to[0] - from[0], to[1] - from[1], to[2] - from[2]];
    const a = THROAT * leg * Math.hypot(...d);
    const m = off([(from[0] + to[0]) / 2, (from[1] + to[1]) / 2, (from[2] + to[2]) / 2]);
    const s = (i: 0 | 1 | 2, j: 0 | 1 | 2): number => a * (m[i] * m[j] + (d[i] * d[j]) / 12);
    moment[0] += s(1, 1) + s(2, 2);
    moment[1] += s(0, 0) + s(2, 2);
    moment[2] += s(0, 0) + s(1, 1);
    moment[3] -= s(0, 1);
    moment[4] -= s(0, 2);
    moment[5] -= s(1, 2);
  }
  const turn = solved3(moment, crossOf(off(at), force));
  if (!turn) return undefined;
  let worst = 0;
  for (const bit of bits)
    for (const end of [bit.from, bit.to]) {
      const by = crossOf(turn, off(end));
      worst = Math.max(
        worst,
        Math.hypot(force[0] / area + by[0], force[1] / area + by[1], force[2] / area + by[2]),
      );
    }
  return worst;
}

/** Straight bits that an arc is laid in, each way from its middle. */
const BITS = 12;

/**
 * A fillet along each of two plates that stand round a tube, as bits: x along the tube, y round it at the plates’ middle,
 * z off the skin there, mm.
 *
 * @param wide from plate to plate, mm
 * @param round how far each weld runs round the tube, on its skin, mm
 * @param radius of the tube, mm
 */
export function weldsRoundTube(wide: number, round: number, radius: number, leg: number): readonly WeldBit[] {
  const half = Math.min(Math.PI, round / 2 / radius);
  const at = (x: number, k: number): Space => {
    const turn = (half * k) / BITS;
    return [x, radius * Math.sin(turn), radius * (Math.cos(turn) - 1)];
  };
  return [-wide / 2, wide / 2].flatMap((x) =>
    Array.from({ length: 2 * BITS }, (_, i): WeldBit => ({
      from: at(x, i - BITS),
      to: at(x, i + 1 - BITS),
      leg,
    })),
  );
}

/** A bolt of a diameter in double shear under a force, MPa. */
export const doubleShear = (force: number, diameter: number): number => force / ((Math.PI * diameter ** 2) / 2);

/** What a bolt presses on plates of a thickness together, MPa. */
export const bearingStress = (force: number, diameter: number, thickness: number): number =>
  force / (diameter * thickness);

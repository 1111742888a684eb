import type { Point3 } from './solid-axle';

/** A push or pull on the axle at a place, N. */
interface AxlePush {
  readonly at: Point3;
  readonly force: Point3;
}

/** A member that can only pull or push along its length. */
interface AxleMember {
  readonly axle: Point3;
  readonly chassis: Point3;
  /** N/mm; by it members share what more of them hold than must. All alike where left out. */
  readonly rate?: number;
  /** Another that always pulls this many times as hard, such as the second bar of a crank. */
  readonly along?: { readonly axle: Point3; readonly chassis: Point3; readonly times: number };
}

/** What is known of the forces on an axle with its wheels and shafts as one free body. Moments N·mm about x, y, z. */
interface AxleLoadCase {
  readonly links: readonly AxleMember[];
  /** Where the springs stand on the axle; they push it straight down. */
  readonly springs: readonly Point3[];
  /** Of one spring, N/mm; 1 where left out, as of a member. */
  readonly springRate?: number;
  readonly pushes: readonly AxlePush[];
  readonly moment: Point3;
}

interface AxleLoads {
  /** Pull in each link, N; minus is push. */
  readonly links: readonly number[];
  /** Push of each spring, N. */
  readonly springs: readonly number[];
  /** What is left of force, N, and of moment, N·mm, largest: none where the axle is held. */
  readonly left: number;
}

const EQUATIONS = 6;
/** Moments count per this length, mm, so that they compare with forces. */
const LEVER = 500;
/** A pivot smaller than this part of the largest is none. */
const NONE = 1e-10;

/** Force and moment of a push, moments about the origin, scaled, into a row of six. */
function wrench(into: Float64Array, row: number, at: Point3, fx: number, fy: number, fz: number): void {
  const o = EQUATIONS * row;
  into[o] = fx;
  into[o + 1] = fy;
  into[o + 2] = fz;
  into[o + 3] = (at[1] * fz - at[2] * fy) / LEVER;
  into[o + 4] = (at[2] * fx - at[0] * fz) / LEVER;
  into[o + 5] = (at[0] * fy - at[1] * fx) / LEVER;
}

/** A row of six of each member: what it does to the axle as it pulls, or of a spring, as it pushes. */
function rowsOf(links: readonly AxleMember[], springs: readonly Point3[]): Float64Array {
  const rows = new Float64Array(EQUATIONS * (links.length + springs.length));
  const pull = (into: Float64Array, row: number, axle: Point3, chassis: Point3, times: number) => {
    const [x, y, z] = [chassis[0] - axle[0], chassis[1] - axle[1], chassis[2] - axle[2]];
    const by = times / (Math.sqrt(x * x + y * y + z * z) || 1);
    wrench(into, row, axle, x * by, y * by, z * by);
  };
  links.forEach(({ axle, chassis, along }, i) => {
    pull(rows, i, axle, chassis, 1);
    if (!along) return;
    pull(PUSH, 0, along.axle, along.chassis, along.times);
    for (let k = 0; k < EQUATIONS; k += 1)
      rows[EQUATIONS * i + k] = (rows[EQUATIONS * i + k] as number) + (PUSH[k] as number);
  });
  springs.forEach((at, i) => {
    wrench(rows, links.length + i, at, 0, 0, -1);
  });
  return rows;
}

const SQUARE = new Float64Array(EQUATIONS * EQUATIONS);
const RIGHT = new Float64Array(EQUATIONS);
const PUSH = new Float64Array(EQUATIONS);

/** Cholesky of the square in place, then its answer in `RIGHT`. @returns false where it determines nothing */
function answered(): boolean {
  const [a, b, n] = [SQUARE, RIGHT, EQUATIONS];
  let largest = 0;
  for (let j = 0; j < n; j += 1) largest = Math.max(largest, a[7 * j] as number);
  for (let j = 0; j < n; j += 1)
    for (let i = j; i < n; i += 1) {
      let sum = a[n * i + j] as number;
      for (let k = 0; k < j; k += 1) sum -= (a[n * i + k] as number) * (a[n * j + k] as number);
      if (i > j) a[n * i + j] = sum / (a[7 * j] as number);
      else if (!(sum > NONE * largest)) return false;
      else a[7 * j] = Math.sqrt(sum);
    }
  for (let i = 0; i < n; i += 1) {
    let sum = b[i] as number;
    for (let k = 0; k < i; k += 1) sum -= (a[n * i + k] as number) * (b[k] as number);
    b[i] = sum / (a[7 * i] as number);
  }
  for (let i = n - 1; i >= 0; i -= 1) {
    let sum = b[i] as number;
    for (let k = i + 1; k < n; k += 1) sum -= (a[n * k + i] as number) * (b[k] as number);
    b[i] = sum / (a[7 * i] as number);
  }
  return true;
}

/**
 * Forces in links and springs that hold an axle still, moments about the origin. Where more hold it than six, they share
 * by their rates, as a stiff axle that moves a little in its bushings and on its springs makes them: F = k·(Aᵀ u).
 *
 * @returns nothing where links and springs cannot hold it
 * @example axleLoads(launch).links // [−8742.5, …] N: pushed
 */
export function axleLoads({
  links,
  springs,
  springRate = 1,
  pushes,
  moment,
}: AxleLoadCase): AxleLoads | undefined {
  const n = EQUATIONS;
  const count = links.length + springs.length;
  const rows = rowsOf(links, springs);
  const known = new Float64Array(n);
  for (let i = 0; i < 3; i += 1) known[3 + i] = (moment[i as 0] as number) / LEVER;
  for (const { at, force } of pushes) {
    wrench(PUSH, 0, at, force[0], force[1], force[2]);
    for (let i = 0; i < n; i += 1) known[i] = (known[i] as number) + (PUSH[i] as number);
  }
  const rates = [...links.map(({ rate = 1 }) => rate), ...springs.map(() => springRate)];
  const stiffest = Math.max(...rates);
  // F = k Aᵀ λ with A k Aᵀ λ = −known.
  SQUARE.fill(0);
  for (let c = 0; c < count; c += 1) {
    const k = (rates[c] as number) / stiffest;
    for (let i = 0; i < n; i += 1)
      for (let j = 0; j < n; j += 1)
        SQUARE[n * i + j] =
          (SQUARE[n * i + j] as number) + k * (rows[n * c + i] as number) * (rows[n * c + j] as number);
  }
  for (let i = 0; i < n; i += 1) RIGHT[i] = -(known[i] as number);
  if (!answered()) return undefined;
  const forces = new Array<number>(count);
  for (let c = 0; c < count; c += 1) {
    let force = 0;
    for (let i = 0; i < n; i += 1) force += (rows[n * c + i] as number) * (RIGHT[i] as number);
    force *= (rates[c] as number) / stiffest;
    forces[c] = force;
    for (let i = 0; i < n; i += 1) known[i] = (known[i] as number) + (rows[n * c + i] as number) * force;
  }
  let left = 0;
  for (let i = 0; i < n; i += 1) left = Math.max(left, Math.abs(known[i] as number));
  return { links: forces.slice(0, links.length), springs: forces.slice(links.length), left };
}

/** Least and most of a force, N. */
interface Between {
  readonly least: number;
  readonly most: number;
}

/**
 * Between what each link’s force lies, however bushings and springs share: springs that take nothing they need not, and
 * springs that take all they can.
 *
 * @returns by link; nothing where nothing is shared, because no more hold it than must
 */
export function axleLoadBounds(load: AxleLoadCase): readonly Between[] | undefined {
  const { links, springs } = load;
  if (links.length + springs.length <= EQUATIONS) return undefined;
  const stiffest = Math.max(...links.map(({ rate = 1 }) => rate));
  const [soft, stiff] = [1e-4, 1e4].map((times) => axleLoads({ ...load, springRate: stiffest * times }));
  if (!soft || !stiff) return undefined;
  return links.map((_, i) => {
    const [a, b] = [soft.links[i] as number, stiff.links[i] as number];
    return { least: Math.min(a, b), most: Math.max(a, b) };
  });
}

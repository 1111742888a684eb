import { solveLinear } from '../numerics/linear';

/** A point, mm: x forward, y to the left, z up. */
export type Point3 = readonly [x: number, y: number, z: number];
type Axis = 'x' | 'y' | 'z';

/** A link between axle and chassis that keeps its length; its rate is that of its bushings, for how bind is shared. */
export interface AxleLink {
  readonly axle: Point3;
  readonly chassis: Point3;
  readonly rate?: number;
}

/** A point of the axle that is held at a place of the chassis in some directions. */
export interface AxlePin {
  readonly axle: Point3;
  readonly chassis: Point3;
  readonly directions: readonly Axis[];
  readonly rate?: number;
}

/** A crank on the axle that turns about a fore-and-aft axis, with a bar to the chassis from each of its ends. */
export interface WattCrank {
  readonly pivot: Point3;
  readonly arm: readonly [Point3, Point3];
  readonly chassis: readonly [Point3, Point3];
  readonly rate?: number;
}

/** How a solid axle is held. All points at ride height. */
export interface SolidAxle {
  readonly axleCentre: Point3;
  readonly links: readonly AxleLink[];
  readonly pins?: readonly AxlePin[];
  readonly watt?: WattCrank;
}

/** Where the axle is put: up from ride height, mm, and roll against the car, rad, plus lowers its right side. */
interface AxleAsked {
  readonly z: number;
  readonly roll: number;
}

export type PoseStatus =
  /** Every length is kept. */
  | 'exact'
  /** Lengths cannot all be kept: what is wrong with each is what its bushings take. */
  | 'bind'
  /** The links leave it free to move on its own. */
  | 'loose'
  /** The links do not reach there. */
  | 'outOfReach';

/** Where the axle then is: moved from ride height, mm; turned, rad, plus pitch lowers the front, plus yaw turns left. */
export interface AxlePose {
  readonly x: number;
  readonly y: number;
  readonly pitch: number;
  readonly yaw: number;
  /** Of the crank, where there is one, rad about the axis forward. */
  readonly crank?: number;
  /** What each constraint is longer than it should be, mm: links, then pins by direction, then the crank’s bars. */
  readonly errors: readonly number[];
  readonly iterations: number;
  /** Root of the weighted mean square of the errors, mm. */
  readonly residual: number;
  readonly status: PoseStatus;
}

const AXES: readonly Axis[] = ['x', 'y', 'z'];
const MOST_STEPS = 60;
/** A step this small, mm and rad times 1000, is none. */
const STILL = 1e-11;
/** Errors below this are none, mm. */
const KEPT = 1e-7;
/** Errors above this are no bushing’s: the links do not reach, mm. */
const REACH = 25;
/** Roll either way over which roll steer is told, rad: half a degree. */
const STEER = Math.PI / 360;
/** A pivot smaller than this part of the largest leaves the axle free. */
const FREE = 1e-9;
/** Length at which a turn counts as much as a shift, mm. */
const ARM = 300;

type Unknowns = readonly number[];

/** A turned point and how it moves with pitch and yaw. */
interface Moved {
  readonly at: Point3;
  readonly byPitch: Point3;
  readonly byYaw: Point3;
}

/** Sines and cosines of a pose. */
class Turn {
  private readonly s: Readonly<Record<'r' | 'p' | 'w', readonly [sin: number, cos: number]>>;

  constructor(roll: number, pitch: number, yaw: number) {
    this.s = {
      r: [Math.sin(roll), Math.cos(roll)],
      p: [Math.sin(pitch), Math.cos(pitch)],
      w: [Math.sin(yaw), Math.cos(yaw)],
    };
  }

  /** Roll first, then pitch, then yaw. */
  of([x, y, z]: Point3): Moved {
    const { r, p, w } = this.s;
    const [sr, cr] = r;
    const [sp, cp] = p;
    const [sw, cw] = w;
    const y1 = cr * y - sr * z;
    const z1 = sr * y + cr * z;
    const x2 = cp * x + sp * z1;
    const z2 = cp * z1 - sp * x;
    return {
      at: [cw * x2 - sw * y1, sw * x2 + cw * y1, z2],
      byPitch: [cw * z2, sw * z2, -x2],
      byYaw: [-sw * x2 - cw * y1, cw * x2 - sw * y1, 0],
    };
  }
}

const minus = (a: Point3, b: Point3): Point3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
const plus = (a: Point3, b: Point3): Point3 => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
const dot = (a: Point3, b: Point3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const far = (a: Point3): number => Math.sqrt(dot(a, a));

/** One constraint: what is wrong with it, mm, and how that changes with each unknown. */
interface Row {
  readonly error: number;
  readonly slope: readonly number[];
  readonly rate: number;
}

/** Everything that holds the axle, at a pose. */
function rowsAt(axle: SolidAxle, { z, roll }: AxleAsked, unknowns: Unknowns): readonly Row[] {
  const [x = 0, y = 0, pitch = 0, yaw = 0, crank = 0] = unknowns;
  const turn = new Turn(roll, pitch, yaw);
  const centre = plus(axle.axleCentre, [x, y, z]);
  const placed = (point: Point3) => {
    const moved = turn.of(minus(point, axle.axleCentre));
    return { ...moved, at: plus(centre, moved.at) };
  };
  const { watt } = axle;
  const n = watt ? 5 : 4;
  const slopeAlong = (d: Point3, { byPitch, byYaw }: Moved): number[] => {
    const slope = [d[0], d[1], dot(d, byPitch), dot(d, byYaw)];
    return n === 5 ? [...slope, 0] : slope;
  };
  const held = (from: Moved, to: Point3, length: number, rate: number): Row & { readonly along: Point3 } => {
    const d = minus(from.at, to);
    const now = far(d) || 1e-12;
    const along: Point3 = [d[0] / now, d[1] / now, d[2] / now];
    return { error: now - length, slope: slopeAlong(along, from), rate, along };
  };
  const links = axle.links.map(({ axle: a, chassis, rate = 1 }) =>
    held(placed(a), chassis, far(minus(a, chassis)), rate),
  );
  const pins = (axle.pins ?? []).flatMap(({ axle: a, chassis, directions, rate = 1 }) => {
    const moved = placed(a);
    return directions.map((direction): Row => {
      const i = AXES.indexOf(direction);
      const unit = AXES.map((_, k) => (k === i ? 1 : 0)) as unknown as Point3;
      return { error: (moved.at[i] ?? 0) - (chassis[i] ?? 0), slope: slopeAlong(unit, moved), rate };
    });
  });
  return watt ? [...links, ...pins, ...crankRows(watt, crank, turn, placed, held)] : [...links, ...pins];
}

/** The two bars of a crank, which turns with the axle and by itself. */
function crankRows(
  { pivot, arm, chassis, rate = 1 }: WattCrank,
  crank: number,
  turn: Turn,
  placed: (point: Point3) => Moved,
  held: (from: Moved, to: Point3, length: number, rate: number) => Row & { readonly along: Point3 },
): readonly Row[] {
  return ([0, 1] as const).map((i): Row => {
    const [dx, dy, dz] = minus(arm[i], pivot);
    const [s, c] = [Math.sin(crank), Math.cos(crank)];
    const turned: Point3 = [dx, c * dy - s * dz, s * dy + c * dz];
    const row = held(placed(plus(pivot, turned)), chassis[i], far(minus(arm[i], chassis[i])), rate);
    // How the end of the arm moves as the crank turns, in the car.
    const byCrank = turn.of([0, -turned[2], turned[1]]).at;
    return { ...row, slope: [...row.slope.slice(0, 4), dot(row.along, byCrank)] };
  });
}

/** One step of weighted least squares. @returns nothing where some unknown is free */
function step(rows: readonly Row[], n: number): readonly number[] | undefined {
  // Lengths count in mm, angles per 300 mm, so that pivots can be compared.
  const unit = (i: number): number => (i < 2 ? 1 : 1 / ARM);
  const scaled = rows.map(({ slope, rate, error }) => ({
    slope: slope.map((v, i) => v * unit(i)),
    rate,
    error,
  }));
  const unknowns = Array.from({ length: n }, (_, i) => i);
  const sum = (of: (row: Row) => number): number =>
    scaled.reduce((total, row) => total + row.rate * of(row), 0);
  const at = (row: Row, i: number): number => row.slope[i] ?? 0;
  const move = solveLinear(
    unknowns.map((i) => unknowns.map((j) => sum((row) => at(row, i) * at(row, j)))),
    unknowns.map((i) => -sum((row) => at(row, i) * row.error)),
    FREE,
  );
  return move?.map((v, i) => v * unit(i));
}

const costOf = (rows: readonly Row[]): number => rows.reduce((sum, r) => sum + r.rate * r.error * r.error, 0);

/**
 * Where a solid axle goes when it is put up or down and rolled: fore and aft, sideways, pitch and yaw follow from what
 * holds it, by Gauss–Newton with exact slopes. Where more holds it than can be satisfied, the errors are shared as their
 * rates say.
 *
 * @param from unknowns to begin at, such as those of the pose before
 */
export function axlePose(axle: SolidAxle, asked: AxleAsked, from?: AxlePose): AxlePose {
  const n = axle.watt ? 5 : 4;
  let at: number[] = from
    ? [from.x, from.y, from.pitch, from.yaw, from.crank ?? 0].slice(0, n)
    : new Array<number>(n).fill(0);
  let rows = rowsAt(axle, asked, at);
  let cost = costOf(rows);
  let iterations = 0;
  let free = rows.length < n;
  while (iterations < MOST_STEPS && !free) {
    iterations += 1;
    const move = step(rows, n);
    if (!move) {
      free = true;
      break;
    }
    let part = 1;
    let next = at.map((v, i) => v + (move[i] ?? 0));
    let tried = rowsAt(axle, asked, next);
    // A step that makes it worse is too long.
    while (costOf(tried) > cost * (1 + 1e-9) + 1e-18 && part > 1e-4) {
      part /= 2;
      const shorter = part;
      next = at.map((v, i) => v + shorter * (move[i] ?? 0));
      tried = rowsAt(axle, asked, next);
    }
    const size = Math.max(...next.map((v, i) => Math.abs(v - (at[i] ?? 0)) * (i < 2 ? 1 : 1000)));
    [at, rows, cost] = [next, tried, costOf(tried)];
    if (size < STILL) break;
  }
  return poseOf(at, rows, iterations, free);
}

function poseOf(at: Unknowns, rows: readonly Row[], iterations: number, free: boolean): AxlePose {
  const errors = rows.map((r) => r.error);
  const rates = rows.reduce((sum, r) => sum + r.rate, 0) || 1;
  const worst = Math.max(0, ...errors.map(Math.abs));
  const [x = 0, y = 0, pitch = 0, yaw = 0, crank] = at;
  return {
    x,
    y,
    pitch,
    yaw,
    ...(crank === undefined ? {} : { crank }),
    errors,
    iterations,
    residual: Math.sqrt(costOf(rows) / rates),
    status: free ? 'loose' : worst < KEPT ? 'exact' : worst > REACH ? 'outOfReach' : 'bind',
  };
}

/** How the axle moves from a pose for a mm of heave or a rad of roll: mm and rad. */
interface AxleRates {
  readonly x: number;
  readonly y: number;
  readonly pitch: number;
  readonly yaw: number;
}

/** Exact rates of the pose by heave or roll: the least-squares pose moves so that its own equations stay true. */
function axleRates(
  axle: SolidAxle,
  by: 'z' | 'roll',
  asked: AxleAsked = { z: 0, roll: 0 },
): AxleRates | undefined {
  const pose = axlePose(axle, asked);
  if (pose.status === 'loose') return undefined;
  // Central differences of the solved pose, the step chosen for the least error of rounding and of curvature.
  const h = by === 'z' ? 0.05 : 1e-4;
  const at = (d: number) => axlePose(axle, { ...asked, [by]: asked[by] + d }, pose);
  const four = (of: (p: AxlePose) => number): number => {
    const [a, b, c, d] = [at(2 * h), at(h), at(-h), at(-2 * h)].map(of) as [number, number, number, number];
    return (8 * (b - c) - (a - d)) / (12 * h);
  };
  return { x: four((p) => p.x), y: four((p) => p.y), pitch: four((p) => p.pitch), yaw: four((p) => p.yaw) };
}

/** What a builder calls a suspension by, at ride height. */
interface AxleCharacter {
  /** Share of the load transfer under drive that the links take, not the springs; 1 lifts and squats by nothing. */
  readonly antiSquat: number;
  /** Height above the floor about which the car rolls, mm. */
  readonly rollCentre: number;
  /** Turn of the axle for a turn of roll, plus to the left as its right side goes down; between half a degree either way. */
  readonly rollSteer: number;
}

/**
 * Anti-squat by the path of the contact patch, roll centre and roll steer.
 *
 * @param car wheelbase and height of the centre of gravity, mm
 * @returns nothing where the links leave the axle free
 */
export function axleCharacter(
  axle: SolidAxle,
  car: { readonly wheelbase: number; readonly cgHeight: number },
): AxleCharacter | undefined {
  const [heave, roll] = [axleRates(axle, 'z'), axleRates(axle, 'roll')];
  if (!heave || !roll) return undefined;
  const height = axle.axleCentre[2];
  const rolled = (by: number) => axlePose(axle, { z: 0, roll: by });
  // The patch goes with the axle: brakes and drive are held against the housing.
  const patch = heave.x - heave.pitch * height;
  return {
    antiSquat: (-patch * car.wheelbase) / car.cgHeight,
    rollCentre: height + roll.y,
    rollSteer: (rolled(STEER).yaw - rolled(-STEER).yaw) / (2 * STEER),
  };
}

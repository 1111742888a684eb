import { AxleModel } from './axle-model';
import type { Point3, SolidAxle } from './axle-shape';

export type { AxleLink, AxlePin, Point3, SolidAxle } from './axle-shape';

/** Where the axle is put: up from ride height, mm, and roll against the car, rad, plus lowers its right side. */
export interface AxleAsked {
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
  | 'outOfReach'
  /** They hold it there in two ways: links have gone over their dead point on the way. */
  | 'twoWays';

/** Where the axle then is: moved from ride height, mm; turned, rad, plus pitch lowers the front, plus yaw turns left. */
export interface AxlePose {
  readonly x: number;
  readonly y: number;
  readonly pitch: number;
  readonly yaw: number;
  /** Of the crank, where there is one, rad about the axis forward. */
  readonly crank?: number;
  /** What each constraint is longer than it should be, mm: links, then pins by direction, the crank’s bars, the springs’ turn at 300 mm. */
  readonly errors: readonly number[];
  readonly iterations: number;
  /** Root of the weighted mean square of the errors, mm. */
  readonly residual: number;
  /** How firmly what is held least is held, against what is held most; 0 where it is free. */
  readonly firmness: number;
  readonly status: PoseStatus;
}

const MOST_STEPS = 60;
/** A step this small, mm and rad times 1000, is none. */
const STILL = 1e-10;
/** Errors below this are none, mm. */
const KEPT = 1e-7;
/** Errors above this are no bushing’s: the links do not reach, mm. */
const REACH = 25;

const models = new WeakMap<SolidAxle, AxleModel>();

/** The model of an axle, made once. */
function modelOf(axle: SolidAxle): AxleModel {
  const model = models.get(axle) ?? new AxleModel(axle);
  models.set(axle, model);
  return model;
}

const [at, next, move] = [new Float64Array(5), new Float64Array(5), new Float64Array(5)];

/** What the last solution was. */
interface Solved {
  readonly cost: number;
  readonly iterations: number;
  readonly free: boolean;
}

/** Gauss–Newton from the unknowns in `at`, which it leaves solved. */
function solve(model: AxleModel, asked: AxleAsked): Solved {
  const { z, roll } = asked;
  let cost = model.look(z, roll, at);
  if (model.m < model.n) return { cost, iterations: 0, free: true };
  for (let iterations = 1; iterations <= MOST_STEPS; iterations += 1) {
    if (!model.step(move)) return { cost, iterations, free: true };
    let part = 1;
    let tried = tryStep(model, asked, part);
    // A step that makes it worse is too long.
    while (tried > cost * (1 + 1e-9) + 1e-18 && part > 1e-4) {
      part /= 2;
      tried = tryStep(model, asked, part);
    }
    let size = 0;
    for (let i = 0; i < model.n; i += 1) {
      size = Math.max(size, Math.abs((move[i] as number) * part) * (i < 2 ? 1 : 1000));
      at[i] = next[i] as number;
    }
    cost = tried;
    if (size < STILL) return { cost, iterations, free: false };
  }
  return { cost, iterations: MOST_STEPS, free: false };
}

function tryStep(model: AxleModel, { z, roll }: AxleAsked, part: number): number {
  for (let i = 0; i < 5; i += 1) next[i] = (at[i] as number) + part * (i < model.n ? (move[i] as number) : 0);
  return model.look(z, roll, next);
}

const statusOf = (worst: number, cost: number): PoseStatus =>
  worst < KEPT ? 'exact' : worst > REACH || !Number.isFinite(cost) ? 'outOfReach' : 'bind';

/** Heave and roll of one step from ride height, mm and rad: small against what would take links over their dead point. */
const STRIDE = { z: 40, roll: 0.035 } as const;
/** Two answers farther apart than this, mm and rad times 1000, are two ways to put the axle together. */
const APART = 1e-3;

/** What was solved, in `at`, as a pose. */
function poseOf(model: AxleModel, { cost, iterations, free }: Solved): AxlePose {
  const errors = new Array<number>(model.m);
  let worst = 0;
  for (let i = 0; i < model.m; i += 1) {
    const error = model.errors[i] as number;
    errors[i] = error;
    worst = Math.max(worst, Math.abs(error));
  }
  const pose = {
    x: at[0] as number,
    y: at[1] as number,
    pitch: at[2] as number,
    yaw: at[3] as number,
    errors,
    iterations,
    residual: Math.sqrt(cost / model.weight),
    firmness: free ? 0 : model.firmness,
    status: free ? ('loose' as const) : statusOf(worst, cost),
  };
  return model.n === 5 ? { ...pose, crank: at[4] as number } : pose;
}

/**
 * Where a solid axle goes when it is put up or down and rolled: fore and aft, sideways, pitch and yaw follow from what
 * holds it, by Gauss–Newton with exact slopes. Where more holds it than can be satisfied, the errors are shared as their
 * rates say. It is followed from ride height in small steps, so it depends on nothing that was asked before; where it could
 * as well be put together another way there, the status says so.
 */
export function axlePose(axle: SolidAxle, asked: AxleAsked): AxlePose {
  const model = modelOf(axle);
  const strides = Math.min(
    50,
    Math.ceil(Math.max(Math.abs(asked.z) / STRIDE.z, Math.abs(asked.roll) / STRIDE.roll, 1)),
  );
  at.fill(0);
  last.fill(0);
  for (let k = 1; k < strides; k += 1) {
    // As far as the last stride went, the next one goes too.
    for (let i = 0; i < 5; i += 1) {
      const now = at[i] as number;
      at[i] = 2 * now - (last[i] as number);
      last[i] = now;
    }
    solve(model, { z: (asked.z * k) / strides, roll: (asked.roll * k) / strides });
  }
  const pose = poseOf(model, solve(model, asked));
  return strides > 1 && reachedAt(pose) && otherwise(model, asked, pose)
    ? { ...pose, status: 'twoWays' }
    : pose;
}

const last = new Float64Array(5);
const reachedAt = ({ status }: AxlePose): boolean => status === 'exact' || status === 'bind';

/** Whether straight from ride height it comes together as well, but elsewhere. */
function otherwise(model: AxleModel, asked: AxleAsked, pose: AxlePose): boolean {
  at.fill(0);
  const direct = poseOf(model, solve(model, asked));
  const far = (['x', 'y', 'pitch', 'yaw'] as const).some(
    (key) => Math.abs(direct[key] - pose[key]) * (key === 'x' || key === 'y' ? 1 : 1000) > APART,
  );
  return far && reachedAt(direct) && direct.residual <= 2 * pose.residual + KEPT;
}

/**
 * The same, beginning at a pose that is all but the one asked for: of an axle that differs by a hair, or a hair away.
 *
 * @param from unknowns to begin at
 */
export function axlePoseNear(axle: SolidAxle, asked: AxleAsked, from: AxlePose): AxlePose {
  const model = modelOf(axle);
  at[0] = from.x;
  at[1] = from.y;
  at[2] = from.pitch;
  at[3] = from.yaw;
  at[4] = from.crank ?? 0;
  return poseOf(model, solve(model, asked));
}

/** A point of the axle, as it stands at ride height, where a pose carries it. */
export function carried(axle: SolidAxle, { z, roll }: AxleAsked, pose: AxlePose, point: Point3): Point3 {
  const [cx, cy, cz] = axle.axleCentre;
  const [x, y, up] = turnedBy({ roll, ...pose }, [point[0] - cx, point[1] - cy, point[2] - cz]);
  return [cx + pose.x + x, cy + pose.y + y, cz + z + up];
}

/**
 * Carries points of the axle to where a pose puts them, for many of them.
 *
 * @example carrier(axle, asked, pose)(point) // as carried(axle, asked, pose, point)
 */
export function carrier(
  axle: SolidAxle,
  { z, roll }: AxleAsked,
  { x, y, pitch, yaw }: AxlePose,
): (point: Point3) => Point3 {
  const [cx, cy, cz] = axle.axleCentre;
  const [sr, cr, sp] = [Math.sin(roll), Math.cos(roll), Math.sin(pitch)];
  const [cp, sw, cw] = [Math.cos(pitch), Math.sin(yaw), Math.cos(yaw)];
  // Where forward, left and up of the axle then point: as `turnedBy`.
  const [ax, ay, az] = [cw * cp, sw * cp, -sp];
  const [bx, by, bz] = [cw * (sp * sr) - sw * cr, sw * (sp * sr) + cw * cr, cp * sr];
  const [ux, uy, uz] = [cw * (sp * cr) + sw * sr, sw * (sp * cr) - cw * sr, cp * cr];
  const [tx, ty, tz] = [cx + x, cy + y, cz + z];
  return (point) => {
    const p = point[0] - cx;
    const q = point[1] - cy;
    const s = point[2] - cz;
    return [tx + p * ax + q * bx + s * ux, ty + p * ay + q * by + s * uy, tz + p * az + q * bz + s * uz];
  };
}

/** A direction of the axle turned by a pose: roll first, then pitch, then yaw. */
export function turnedBy(
  { roll, pitch, yaw }: { readonly roll: number; readonly pitch: number; readonly yaw: number },
  [x, y, z]: Point3,
): Point3 {
  const [sr, cr, sp, cp] = [Math.sin(roll), Math.cos(roll), Math.sin(pitch), Math.cos(pitch)];
  const [sw, cw] = [Math.sin(yaw), Math.cos(yaw)];
  const [y1, z1] = [cr * y - sr * z, sr * y + cr * z];
  const x2 = cp * x + sp * z1;
  return [cw * x2 - sw * y1, sw * x2 + cw * y1, cp * z1 - sp * x];
}

/** How the axle moves from a pose for a mm of heave or a rad of roll: mm and rad. */
interface AxleRates {
  readonly x: number;
  readonly y: number;
  readonly pitch: number;
  readonly yaw: number;
}

/** Steps of the differences: what they leave out of the curvature is as small as what rounding leaves. */
const STEPS = { z: 0.1, roll: 2e-4 } as const;

/**
 * Rates of the pose by heave or roll, mm and rad for a mm or a rad.
 *
 * @param from the pose itself, where it is known
 * @returns nothing where the links leave it free
 */
export function axleRates(
  axle: SolidAxle,
  by: 'z' | 'roll',
  asked: AxleAsked = { z: 0, roll: 0 },
  from = axlePose(axle, asked),
): AxleRates | undefined {
  if (from.status === 'loose') return undefined;
  const h = STEPS[by];
  const [up, down] = [
    axlePoseNear(axle, { ...asked, [by]: asked[by] + h }, from),
    axlePoseNear(axle, { ...asked, [by]: asked[by] - h }, from),
  ];
  const of = (key: 'x' | 'y' | 'pitch' | 'yaw') => (up[key] - down[key]) / (2 * h);
  return { x: of('x'), y: of('y'), pitch: of('pitch'), yaw: of('yaw') };
}

/** What a builder calls a suspension by, at ride height. */
interface AxleCharacter {
  /** Share of the load transfer under drive that the links take, not the springs; 1 lifts and squats by nothing. */
  readonly antiSquat: number;
  /** Height above the floor about which the car rolls, mm. */
  readonly rollCentre: number;
  /** Turn of the axle for a turn of roll, plus to the left as its right side goes down: the slope at ride height. */
  readonly rollSteer: number;
  /**
   * Where the axle turns about, seen from the side: forward of its middle and above the floor, mm. Without bound where
   * it does not turn as it rises.
   */
  readonly instantCentre: readonly [along: number, height: number];
}

/**
 * Anti-squat by the path of the contact patch, roll centre, roll steer and instant centre.
 *
 * @param car wheelbase and height of the centre of gravity, mm
 * @param at height at which it is looked at, mm of heave
 * @returns nothing where the links leave the axle free
 */
export function axleCharacter(
  axle: SolidAxle,
  car: { readonly wheelbase: number; readonly cgHeight: number },
  at = 0,
): AxleCharacter | undefined {
  const asked = { z: at, roll: 0 };
  const pose = axlePose(axle, asked);
  const [heave, roll] = [axleRates(axle, 'z', asked, pose), axleRates(axle, 'roll', asked, pose)];
  if (!heave || !roll) return undefined;
  const height = axle.axleCentre[2];
  // The patch goes with the axle: brakes and drive are held against the housing.
  const patch = heave.x - heave.pitch * height;
  return {
    antiSquat: (-patch * car.wheelbase) / car.cgHeight,
    rollCentre: height + roll.y,
    rollSteer: roll.yaw,
    instantCentre: [1 / heave.pitch, height - heave.x / heave.pitch],
  };
}

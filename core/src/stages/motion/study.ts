import {
  axleCharacter,
  axlePose,
  axlePoseNear,
  carried,
  type AxleAsked,
  type AxlePose,
  type Point3,
  type SolidAxle,
} from '../../mechanics/solid-axle';
import { pointOf, type Held, type Member } from './figures/held';

/** What is told of how an axle moves. Lengths mm, angles rad, slopes front higher plus. */
export const STUDIED = [
  'pinion.bump',
  'pinion.droop',
  'x.bump',
  'x.droop',
  'y.bump',
  'y.droop',
  'yaw.bump',
  'yaw.droop',
  'icAlong',
  'icHeight',
  'antiSquat',
  'antiLift',
  'aboveNeutral',
  'rollCentre',
  'rollSteer',
  'bind.bump',
  'bind.droop',
  'bind.roll',
  'bind.most',
  'bindForce',
  'addedRoll',
] as const;
export type Studied = (typeof STUDIED)[number];

/** Numbers of a study; no number where what it rests on is not known. */
export type Study = Readonly<Record<Studied, number>>;

/** Half-degree below which nothing is said of roll, rad. */
const NO_ROLL = 1e-4;
const N_MM_TO_NM = 0.001;

/** Travel that is looked at: heave up and down, mm, and roll, rad; no number where it is not known. */
export interface Reach {
  readonly bump: number;
  readonly droop: number;
  readonly roll: number;
}

export const reachOf = ({ at }: Held, values: ArrayLike<number>): Reach => {
  const of = (id: string) => values[at(id)] ?? Number.NaN;
  return { bump: of('spring.bump'), droop: of('spring.droop'), roll: of('stance.lean') };
};

/** A pose and where it was asked for. */
export interface Posed {
  readonly asked: AxleAsked;
  readonly pose: AxlePose;
}

/** Poses that are always looked at. */
export const STANDS = [
  'ride',
  'bump',
  'droop',
  'roll',
  'rollBack',
  'bumpRoll',
  'bumpBack',
  'droopRoll',
  'droopBack',
] as const;
export type Stood = (typeof STANDS)[number];

/** An axle by its inputs as numbers, and where it goes; poses that are not known, or not reached, are left out. */
export interface Stand {
  readonly held: Held;
  readonly values: ArrayLike<number>;
  readonly axle: SolidAxle;
  readonly reach: Reach;
  readonly poses: Readonly<Record<Stood, Posed | undefined>>;
}

/** Where each pose is looked at: heave and roll, as parts of what the axle can reach. */
const ASKED: Readonly<Record<Stood, (reach: Reach) => AxleAsked>> = {
  ride: () => ({ z: 0, roll: 0 }),
  bump: ({ bump }) => ({ z: bump, roll: 0 }),
  droop: ({ droop }) => ({ z: -droop, roll: 0 }),
  roll: ({ roll }) => ({ z: 0, roll }),
  rollBack: ({ roll }) => ({ z: 0, roll: -roll }),
  bumpRoll: ({ bump, roll }) => ({ z: bump, roll }),
  bumpBack: ({ bump, roll }) => ({ z: bump, roll: -roll }),
  droopRoll: ({ droop, roll }) => ({ z: -droop, roll }),
  droopBack: ({ droop, roll }) => ({ z: -droop, roll: -roll }),
};

/** Every pose that is looked at, worked out when somebody asks for it: up and down and rolled, and both at once. */
class Poses {
  // Null where it was asked for and is not reached.
  private readonly found: Partial<Record<Stood, Posed | null>> = {};

  constructor(
    private readonly reach: Reach,
    private readonly at: (asked: AxleAsked, id: Stood) => Posed | undefined,
  ) {}

  of(id: Stood): Posed | undefined {
    let found = this.found[id];
    if (found === undefined) this.found[id] = found = this.at(ASKED[id](this.reach), id) ?? null;
    return found ?? undefined;
  }
}
for (const id of STANDS)
  Object.defineProperty(Poses.prototype, id, {
    get(this: Poses) {
      return this.of(id);
    },
  });

/**
 * Where an axle stands and goes.
 *
 * @param near the same axle but for a hair: its poses are where the search begins
 */
export function standOf(held: Held, values: ArrayLike<number>, near?: Stand): Stand {
  const axle = held.solid(values);
  const reach = reachOf(held, values);
  const at = (asked: AxleAsked, id: Stood): Posed | undefined => {
    if (Number.isNaN(asked.z) || Number.isNaN(asked.roll)) return undefined;
    const from = near?.poses[id]?.pose;
    const posed = from ? { asked, pose: axlePoseNear(axle, asked, from) } : posedAt(axle, asked);
    return reached(posed.pose) ? posed : undefined;
  };
  return {
    held,
    values,
    axle,
    reach,
    poses: new Poses(reach, at) as unknown as Stand['poses'],
  };
}

const worst = ({ errors }: AxlePose): number => {
  let most = 0;
  for (const error of errors) most = Math.max(most, Math.abs(error));
  return most;
};

/** Rate of each constraint, N/mm, in the order of a pose’s errors. */
function ratesOf({ links, pins = [], watt, pitch }: SolidAxle): readonly number[] {
  return [
    ...links.map(({ rate = 1 }) => rate),
    ...pins.flatMap(({ directions, rate = 1 }) => directions.map(() => rate)),
    ...(watt ? [watt.rate ?? 1, watt.rate ?? 1] : []),
    ...(pitch ? [pitch.rate ?? 1] : []),
  ];
}

/** Energy that bind stores in the bushings, N·mm. */
function bindEnergy(axle: SolidAxle, { errors }: AxlePose): number {
  return ratesOf(axle).reduce((sum, rate, i) => sum + (rate * (errors[i] ?? 0) ** 2) / 2, 0);
}

const largestForce = (axle: SolidAxle, poses: readonly AxlePose[]): number =>
  Math.max(...poses.flatMap(({ errors }) => ratesOf(axle).map((rate, i) => Math.abs(rate * (errors[i] ?? 0)))));

/** Whether the axle gets there, by itself or by what its bushings give. */
export const reached = ({ status }: AxlePose): boolean => status === 'exact' || status === 'bind';

/** Everything that is told of an axle’s motion. */
export function studyOf(stand: Stand): Study {
  const { axle, reach, poses } = stand;
  const [up, down, left, right] = [poses.bump?.pose, poses.droop?.pose, poses.roll?.pose, poses.rollBack?.pose];
  const of = (pose: AxlePose | undefined, get: (p: AxlePose) => number): number =>
    pose ? get(pose) : Number.NaN;
  const binding = [up, down, left, right].flatMap((p) => p ?? []);
  return {
    'pinion.bump': of(up, (p) => -p.pitch),
    'pinion.droop': of(down, (p) => -p.pitch),
    'x.bump': of(up, (p) => p.x),
    'x.droop': of(down, (p) => p.x),
    'y.bump': of(up, (p) => p.y),
    'y.droop': of(down, (p) => p.y),
    'yaw.bump': of(up, (p) => p.yaw),
    'yaw.droop': of(down, (p) => p.yaw),
    ...characterOf(stand),
    'bind.bump': of(up, worst),
    'bind.droop': of(down, worst),
    'bind.roll': Math.max(of(left, worst), of(right, worst)),
    'bind.most': Math.max(...STANDS.map((id) => of(poses[id]?.pose, worst))),
    bindForce: binding.length === 4 ? largestForce(axle, binding) : Number.NaN,
    // Twice the energy over the angle squared, for one degree; the mean of both ways.
    addedRoll:
      reach.roll > NO_ROLL
        ? (addedRoll(axle, left, reach.roll) + addedRoll(axle, right, reach.roll)) / 2
        : Number.NaN,
  };
}

const addedRoll = (axle: SolidAxle, pose: AxlePose | undefined, roll: number): number =>
  pose ? ((2 * bindEnergy(axle, pose)) / roll ** 2) * (Math.PI / 180) * N_MM_TO_NM : Number.NaN;

type Character = Pick<
  Study,
  'icAlong' | 'icHeight' | 'antiSquat' | 'antiLift' | 'aboveNeutral' | 'rollCentre' | 'rollSteer'
>;

const NOTHING: Character = {
  icAlong: Number.NaN,
  icHeight: Number.NaN,
  antiSquat: Number.NaN,
  antiLift: Number.NaN,
  aboveNeutral: Number.NaN,
  rollCentre: Number.NaN,
  rollSteer: Number.NaN,
};

function characterOf({ held, values, axle }: Stand): Character {
  const of = (id: string) => values[held.at(id)] ?? Number.NaN;
  const [wheelbase, cgHeight, share] = [of('brief.wheelbase'), of('brief.cgHeight'), of('motion.rearBrake')];
  const found = axleCharacter(axle, { wheelbase, cgHeight });
  if (!found) return NOTHING;
  const [icAlong, icHeight] = found.instantCentre;
  return {
    icAlong,
    icHeight,
    antiSquat: found.antiSquat,
    // Brakes held on the axle push its patch back as drive pushes it forward, with the rear’s share of the braking.
    antiLift: found.antiSquat * share,
    // The neutral line rises from the rear patch to the centre of gravity’s height at the front wheels. Behind the axle
    // its other end falls: an instant centre under it there lifts the car as one above it does ahead.
    aboveNeutral: Math.sign(icAlong) * (icHeight - (cgHeight * icAlong) / wheelbase),
    rollCentre: found.rollCentre,
    rollSteer: found.rollSteer,
  };
}

/** Where both ends of a member are in a pose, mm. */
export function memberAt(
  { axle, values }: Pick<Stand, 'axle' | 'values'>,
  { asked, pose }: Posed,
  { axle: a, car, sign }: Member,
): readonly [axle: Point3, car: Point3] {
  return [carried(axle, asked, pose, pointOf(values, a, sign)), pointOf(values, car, sign)];
}

export const lengthOf = ([a, b]: readonly [Point3, Point3]): number =>
  Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

/** The pose of an axle that differs by a hair, from the one it differs from. */
export const posedNear = (axle: SolidAxle, { asked, pose }: Posed): Posed => ({
  asked,
  pose: axlePoseNear(axle, asked, pose),
});

/** A pose of an axle, and where it was asked for. */
export const posedAt = (axle: SolidAxle, asked: AxleAsked): Posed => ({ asked, pose: axlePose(axle, asked) });

import { field, items, name, number, object, oneOf } from '../../stage';

/** How the pinion is aimed. `preset`: as parallel, with its nose set down by what it lifts by under load. */
export const AIMS = ['undecided', 'parallel', 'cv', 'preset'] as const;
export type AimChoice = (typeof AIMS)[number];
/** The ways that can be worked out. */
export type AimWay = Exclude<AimChoice, 'undecided'>;
export const WAYS: readonly AimWay[] = ['parallel', 'cv', 'preset'];

/** What holds the axle’s housing against turning. */
export const SUSPENSIONS = [
  'unsaid',
  'leaf',
  'ladder',
  'parallel',
  'triangulated',
  'torqueArm',
  'threeLink',
  'own',
  'independent',
] as const;
export type Suspension = (typeof SUSPENSIONS)[number];

/** One driveshaft, or two with a bearing between. */
export const PIECES = ['one', 'two'] as const;
export type Pieces = (typeof PIECES)[number];

/** Something over or beside the driveshaft: floor, tunnel, exhaust. mm. */
export interface ShaftObstacle {
  readonly name: string;
  /** From the rear axle’s centre forward. */
  readonly along: number;
  /** Its underside above the ground, car at ride height. */
  readonly under: number;
}
const OBSTACLE = object<ShaftObstacle>({ name: name(60), along: number(-300, 4000), under: number(50, 1500) });

/** Its place in the plan. */
export const DRIVELINE_SECTION = {
  choices: {
    aim: field<AimChoice>(oneOf(AIMS), 'undecided', { since: 7, called: () => 'How the pinion is aimed' }),
    suspension: field<Suspension>(oneOf(SUSPENSIONS), 'unsaid', {
      since: 7,
      called: () => 'What holds the axle against turning',
    }),
    pieces: field<Pieces>(oneOf(PIECES), 'one', { since: 7, called: () => 'Pieces of the driveshaft' }),
  },
  parts: {
    overShaft: field(items(OBSTACLE, 20), {}, { since: 7, called: (key) => `Over the driveshaft: ${key}` }),
  },
};

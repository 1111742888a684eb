import { field, freeText, name, number, object, oneOf, some, type Broken } from '../../../stage';

/** Places where two parts of different origin must fit. */
export const JOINT_IDS = [
  'spline',
  'bearing',
  'seal',
  'wheelPattern',
  'wheelPilot',
  'studNut',
  'pinionFlange',
  'brakeBracket',
  'parkingBrake',
  'hose',
  'sensor',
] as const;
export type JointId = (typeof JOINT_IDS)[number];

export const JOINT_NAMES: Readonly<Record<JointId, string>> = {
  spline: 'Spline to side gear',
  bearing: 'Wheel bearing',
  seal: 'Shaft seal',
  wheelPattern: 'Flange to wheel',
  wheelPilot: 'Pilot to wheel bore',
  studNut: 'Stud to nut',
  pinionFlange: 'Pinion flange to driveshaft',
  brakeBracket: 'Brake bracket to housing end',
  parkingBrake: 'Parking brake to cable',
  hose: 'Brake hose to line',
  sensor: 'Speed sensor to car',
};

type JointPlaces = { readonly [J in JointId as `joint.${J}`]: string };
/** Each joint as a place of its own. */
export const JOINT_PLACES = Object.fromEntries(
  JOINT_IDS.map((id) => [`joint.${id}`, 'a joint']),
) as unknown as JointPlaces;

/** How two faces go together. */
export type Verdict = 'fits' | 'work' | 'no' | 'unknown';
export const VERDICTS: readonly Verdict[] = ['fits', 'work', 'no', 'unknown'];

/** What the builder adds to a joint: work, cost, hours, whose question it is, and a verdict of their own. */
export interface JointNote {
  readonly work?: string;
  /** In the builder’s own money. */
  readonly cost?: number;
  readonly hours?: number;
  /** Who finds out, where it is unknown. */
  readonly owner?: string;
  /** Stands against the computed verdict, with its reason. */
  readonly verdict?: Verdict;
  readonly reason?: string;
}

/** Joints whose parts come from the counter. */
export const SEARCHED = ['bearing', 'seal'] as const;
export type SearchedJoint = (typeof SEARCHED)[number];

/** A verdict against the computed one stands with its reason. */
const reasoned = ({ verdict, reason = '' }: JointNote): Broken | undefined =>
  verdict === undefined || reason.length >= 3
    ? undefined
    : {
        field: 'reason',
        wrong: 'must say why the verdict is another than the computed one',
        right: 'at least 3 characters',
      };

const JOINT_NOTE = object<JointNote>(
  {
    work: freeText(300, 0),
    cost: number(0, 1_000_000),
    hours: number(0, 1000),
    owner: name(60, 0),
    verdict: oneOf(VERDICTS),
    reason: freeText(300, 0),
  },
  ['work', 'cost', 'hours', 'owner', 'verdict', 'reason'],
  reasoned,
);

/** Joints in the plan, and what the counter is asked for them. */
export const JOINT_SECTION = {
  parts: {
    joints: field(
      some(JOINT_IDS, JOINT_NOTE),
      {},
      {
        since: 4,
        belongs: 'axle',
        called: (id) => JOINT_NAMES[id as JointId],
      },
    ),
  },
  searches: {
    bearing: { belongs: 'axle', called: 'Wheel bearing from the counter' },
    seal: { belongs: 'axle', called: 'Shaft seal from the counter' },
  },
} as const;

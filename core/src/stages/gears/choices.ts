import {
  field,
  freeText,
  items,
  list,
  name,
  number,
  object,
  oneOf,
  verdictShape,
  whole,
  type Broken,
} from '../../stage';
import type { Contact, ShimKit, Trial } from '../../mechanics';

/** Teeth that a gear set may have. */
const RING = [20, 80] as const;
const PINION = [5, 24] as const;
const LEAST_RATIO = 1.5;

/** A gear set that can be had, beside those of the counter. */
export interface GearOffer {
  readonly name: string;
  readonly ring: number;
  readonly pinion: number;
  /** The carrier it needs: the one that is there, or another. */
  readonly carrier: 'same' | 'other';
  readonly condition: 'new' | 'salvage';
  readonly price: number;
  readonly leadDays: number;
}
export const CARRIERS = ['same', 'other'] as const;
export const CONDITIONS = ['new', 'salvage'] as const;

/** A ring gear has more teeth than its pinion, as road axles have. */
const meshes = ({ ring, pinion }: GearOffer): Broken | undefined =>
  ring / pinion >= LEAST_RATIO
    ? undefined
    : {
        field: 'ring',
        wrong: `must have at least ${LEAST_RATIO} times the pinion’s teeth`,
        right: `${Math.ceil(LEAST_RATIO * pinion)} teeth or more`,
      };

const OFFER = object<GearOffer>(
  {
    name: name(60),
    ring: whole(...RING),
    pinion: whole(...PINION),
    carrier: oneOf(CARRIERS),
    condition: oneOf(CONDITIONS),
    price: number(0, 1_000_000),
    leadDays: whole(0, 2000),
  },
  [],
  meshes,
);

/** How much each thing weighs when ratios are compared, 0 to 5. */
export interface GearWeights {
  readonly launch: number;
  readonly finish: number;
  readonly cruise: number;
  readonly cost: number;
}
export const GEAR_CRITERIA = ['launch', 'finish', 'cruise', 'cost'] as const;
export type GearCriterion = (typeof GEAR_CRITERIA)[number];
const weight = whole(0, 5);

/** What lies between engine and gearbox. */
export const COUPLINGS = ['clutch', 'converter'] as const;
export type CouplingKind = (typeof COUPLINGS)[number];
/** Wheels that drive. */
export const DRIVEN = ['rear', 'all'] as const;
export type Driven = (typeof DRIVEN)[number];

/** One trial of the set-up, as it was read. Shims and backlash in mm; torque to turn the pinion in N·m. */
export interface GearTrial extends Trial {
  /** Which trial, from 1. */
  readonly n: number;
  readonly torque?: number;
  /** What the pinion turned in when that was read, and whether its seal was in. */
  readonly bearings?: PinionBearings;
  readonly seal?: SealThere;
  readonly note?: string;
}
/** Bearings of the pinion. */
export const PINION_BEARINGS = ['new', 'used'] as const;
export type PinionBearings = (typeof PINION_BEARINGS)[number];
/** Whether the pinion’s seal is in. */
export const SEAL_THERE = ['in', 'out'] as const;
export type SealThere = (typeof SEAL_THERE)[number];
const share = number(-1, 1);
const CONTACT = object<Contact>({ along: share, across: share });
const TRIAL = object<GearTrial>(
  {
    n: whole(1, 99),
    pinionShim: number(0, 8),
    ringSide: number(0, 12),
    otherSide: number(0, 12),
    backlash: list(number(0, 2), { min: 4, max: 24 }),
    drive: CONTACT,
    coast: CONTACT,
    torque: number(0, 40),
    bearings: oneOf(PINION_BEARINGS),
    seal: oneOf(SEAL_THERE),
    note: freeText(200, 0),
  },
  ['torque', 'bearings', 'seal', 'note'],
);

const SIZES = list(number(0.02, 8), { max: 60 });
/** Trials are gone on with, or the set is taken as it is. */
export const SET_UP_VERDICTS = ['accepted', 'redo'] as const;

/** Its place in the plan. */
export const GEARS_SECTION = {
  choices: {
    coupling: field<CouplingKind>(oneOf(COUPLINGS), 'clutch', {
      since: 7,
      called: () => 'Between engine and gearbox',
    }),
    driven: field<Driven>(oneOf(DRIVEN), 'rear', { since: 7, called: () => 'Wheels that drive' }),
    /** Id of the gear set that is to be fitted; empty while none is chosen. */
    gearSet: field(name(60, 0), '', { since: 7, belongs: 'axle', called: () => 'Gear set' }),
  },
  parts: {
    gearOffers: field(items(OFFER, 30), {}, { since: 7, belongs: 'axle', called: (key) => `Gear set ${key}` }),
    gearTrials: field(
      items(TRIAL, 40),
      {},
      { bench: true, since: 7, belongs: 'axle', called: (key) => `Trial of the gear set ${key}` },
    ),
    /** Came while version 7 stood: a file of that version may have it, or not. */
    shimKit: field(
      object<ShimKit>({ pinion: SIZES, carrier: SIZES }),
      { pinion: [], carrier: [] },
      { bench: true, since: 8, called: () => 'Shims there are' },
    ),
    gearWeights: field(
      object<GearWeights>({ launch: weight, finish: weight, cruise: weight, cost: weight }),
      { launch: 3, finish: 2, cruise: 2, cost: 1 },
      { since: 7, called: (key) => `Weight of ${key} among ratios` },
    ),
  },
  verdicts: { gearSetUp: field(verdictShape(SET_UP_VERDICTS), undefined, { since: 7, belongs: 'axle' }) },
  searches: { gearSet: { belongs: 'axle', called: 'Gear sets from the counter' } },
} as const;

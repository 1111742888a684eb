import type { StageId } from '../checks';
import { SIDES } from '../geometry';
import type { Evidence } from '../measure';
import { DONOR_PART_NAMES, DONOR_PARTS } from './donor-quantities';
import { ROOM_HEIGHTS } from './survey-quantities';

/** One answer that may be given, and how it is written. */
export interface FactOption {
  readonly value: string;
  readonly label: string;
}

/** Something known about the job that is no number: what stands inboard, which thread, what was seen inside. */
export interface FactKind {
  readonly id: string;
  readonly label: string;
  readonly stage: StageId;
  readonly group: string;
  readonly hint: string;
  readonly options: readonly FactOption[];
}

/** How a fact came to be known. Left out of the plan, it is unknown. */
export type FactEvidence = Exclude<Evidence, 'chosen'>;
export const FACT_EVIDENCE: readonly FactEvidence[] = ['measured', 'seen', 'seller'];

/** A fact as the plan holds it. */
export interface Fact {
  /** One of its kind’s values. */
  readonly value: string;
  readonly evidence: FactEvidence;
  readonly note?: string;
  readonly who?: string;
  /** ISO 8601. */
  readonly at?: string;
}

type Options = Readonly<Record<string, string>>;
const list = (options: Options): readonly FactOption[] =>
  Object.entries(options).map(([value, label]) => ({ value, label }));
const made =
  (stage: StageId, group: string) =>
  (id: string, label: string, hint: string, options: Options): FactKind => ({
    id,
    label,
    stage,
    group,
    hint,
    options: list(options),
  });

const STUD_THREADS: Options = {
  'M12x1.25': 'M12 × 1.25',
  'M12x1.5': 'M12 × 1.5',
  'M14x1.5': 'M14 × 1.5',
  '3/8-24': '3/8-24 UNF',
  '7/16-20': '7/16-20 UNF',
  '1/2-20': '1/2-20 UNF',
};
const HOSE_THREADS: Options = {
  M10x1: 'M10 × 1',
  'M10x1.25': 'M10 × 1.25',
  M12x1: 'M12 × 1',
  '3/8-24': '3/8-24 UNF',
  '7/16-24': '7/16-24 UNF',
};
const PARKING: Options = {
  drum: 'lever in a drum',
  hat: 'drum in the rotor’s hat',
  caliper: 'lever on the caliper',
  none: 'none',
};
const SENSORS: Options = { none: 'none', cable: 'cable drive', coil: 'two-wire coil', hall: 'three-wire Hall' };
const STUD_CLASSES: Options = {
  '8.8': 'class 8.8',
  '10.9': 'class 10.9',
  '12.9': 'class 12.9',
  grade5: 'grade 5',
  grade8: 'grade 8',
};
const SEATS: Options = { cone: 'cone', ball: 'ball', flat: 'flat' };

const around = made('survey', 'Wheel room');
const car = made('survey', 'Brakes and studs');
const slip = made('donor', 'Differential');
const ratio = made('donor', 'Ratio');
const state = made('donor', 'Condition');
const comes = made('donor', 'Completeness');
const hubs = made('donor', 'Hubs');
const strength = made('donor', 'Strength');
const moves = made('stance', 'How the axle moves');
const ends = made('hubs', 'Studs and nuts');
const stops = made('hubs', 'Brakes');

const HEIGHT_WORDS = { low: 'at rim bottom', axle: 'at axle height', top: 'at tyre top' } as const;

export const FACTS: readonly FactKind[] = [
  ...SIDES.flatMap((side) =>
    ROOM_HEIGHTS.map((height) =>
      around(
        `room.kind.${height}.${side}`,
        `Nearest inboard ${HEIGHT_WORDS[height]}, ${side}`,
        'Springs and shocks move and need more room than a rail.',
        { rail: 'rail', spring: 'spring', arch: 'inner arch', shock: 'shock', exhaust: 'exhaust' },
      ),
    ),
  ),
  car('car.spring', 'Rear springs', 'What carries the car now.', {
    leaf: 'leaf springs',
    coil: 'coils on links',
    coilover: 'coil over shock',
    torsion: 'torsion bars',
  }),
  car('car.studThread', 'Front stud thread', 'A rear with other studs leaves two sizes of nut.', STUD_THREADS),
  car('car.seat', 'Nut seat', 'The seat of the wheels to be used.', SEATS),
  car('car.hoseThread', 'Brake line thread', 'At the body end of the rear hose.', HOSE_THREADS),
  car('car.cable', 'Parking brake', 'What the car’s cable pulls.', PARKING),
  car('car.sensor', 'Speed sensor', 'What the car reads the axle’s speed with.', SENSORS),
  ratio('ratio.how', 'Turned with', 'One wheel held makes the other turn twice as far.', {
    both: 'both wheels together',
    held: 'one wheel held',
  }),
  slip('slip.claim', 'Said to be', 'What the seller, the tag or the advertisement says.', {
    open: 'open',
    limitedSlip: 'limited slip',
    locked: 'locked',
  }),
  slip('slip.look', 'Seen inside', 'Through the cover or the filler: what is in the case.', {
    clutches: 'clutch packs or cones',
    gears: 'worm or helical gears',
    spool: 'a spool or weld',
    plain: 'plain bevel gears only',
  }),
  slip('slip.turn', 'One wheel turned', 'Both wheels off the floor, gearbox end held still.', {
    opposite: 'the other turns backwards, easily',
    drag: 'the other drags, then slips',
    same: 'the other turns the same way',
  }),
  state('cond.gears', 'Gear teeth', 'Ring and pinion, all the way round.', {
    good: 'good',
    worn: 'worn, even',
    broken: 'pitted or chipped',
  }),
  state('cond.fasteners', 'Fasteners', 'Brake, cover and bearing-cap bolts.', {
    free: 'come free',
    seized: 'seized',
    sheared: 'sheared off',
  }),
  state('cond.threads', 'Threads', 'In the casting and the housing ends.', {
    good: 'good',
    damaged: 'damaged',
  }),
  state('cond.inserts', 'Inserts and sleeves', 'Small parts that come with the housing.', {
    there: 'all there',
    bought: 'missing, to be had',
    never: 'missing, nobody sells it',
  }),
  ...DONOR_PARTS.map((part) =>
    comes(`part.${part}`, DONOR_PART_NAMES[part], 'With the donor, or to be bought.', {
      comes: 'comes with it',
      missing: 'to be bought',
      notNeeded: 'not needed',
    }),
  ),
  comes('part.spares', 'Spares', 'Where a broken part comes from.', {
    sunday: 'any shop, on a Sunday',
    order: 'to order',
    salvage: 'salvage only',
  }),
  strength('donor.material', 'Shaft material', 'What the shafts that will run are made of.', {
    carbon: 'plain carbon, induction-hardened',
    alloy: 'Cr-Ni-Mo, through-hardened',
    ultra: 'ultra-high-strength',
  }),
  moves('bar.side', 'Lateral bar bolts to the chassis', 'The end that does not move with the axle.', {
    left: 'on the left',
    right: 'on the right',
  }),
  ends('new.studThread', 'New stud thread', 'Of the studs that will be in the rear.', STUD_THREADS),
  ends('new.seat', 'Seat of the nuts', 'Of the nuts that will be used.', SEATS),
  ends(
    'new.studClass',
    'Class of the studs',
    'As marked on the stud’s head or said by its maker.',
    STUD_CLASSES,
  ),
  stops('new.cable', 'New parking brake', 'What the new brakes want to be pulled by.', PARKING),
  hubs('donor.studThread', 'Donor stud thread', 'In the donor’s wheel flange.', STUD_THREADS),
  hubs('donor.hoseThread', 'Donor hose thread', 'At the axle’s tee or caliper.', HOSE_THREADS),
  hubs('donor.cable', 'Donor parking brake', 'What its brakes want to be pulled by.', PARKING),
  hubs('donor.sensor', 'Donor speed sensor', 'What the donor brings.', SENSORS),
];

const BY_ID: ReadonlyMap<string, FactKind> = new Map(FACTS.map((f) => [f.id, f]));

/** Looks a kind of fact up; undefined for an unknown id. */
export const findFact = (id: string): FactKind | undefined => BY_ID.get(id);

/** How a fact’s value is written; the value itself where it is not known. */
export const factText = (id: string, value: string): string =>
  BY_ID.get(id)?.options.find((o) => o.value === value)?.label ?? value;

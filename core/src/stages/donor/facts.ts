import { facts } from './headings';
import { STUD_THREADS, HOSE_THREADS, PARKING, SENSORS } from './fact-options';
import { DONOR_PART_NAMES, DONOR_PARTS } from './judged-quantities';

const slip = facts('differential');
const ratio = facts('ratio');
const state = facts('condition');
const comes = facts('completeness');
const hubs = facts('hubs');
const strength = facts('strength');

export const DONOR_FACTS = [
  ratio('ratio.how', 'Turned with', 'One wheel held makes the other turn twice as far.', {
    both: 'both wheels together',
    held: 'one wheel held',
  }),
  slip(
    'slip.claim',
    'Said to be',
    'What the seller, the tag or the advertisement says.',
    {
      open: 'open',
      limitedSlip: 'limited slip',
      locked: 'locked',
    },
    { claim: true },
  ),
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
  hubs('donor.studThread', 'Donor stud thread', 'In the donor’s wheel flange.', STUD_THREADS),
  hubs('donor.hoseThread', 'Donor hose thread', 'At the axle’s tee or caliper.', HOSE_THREADS),
  hubs('donor.cable', 'Donor parking brake', 'What its brakes want to be pulled by.', PARKING),
  hubs('donor.sensor', 'Donor speed sensor', 'What the donor brings.', SENSORS),
];

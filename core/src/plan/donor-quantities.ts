import { SIDES } from '../geometry';
import { builder } from './builder';
import type { Quantity } from './quantity';
import { DONOR_ANGLES } from './survey-quantities';

const none = { datum: 'none' } as const;
const counted = { unit: 'count', whole: true, instrument: 'count', datum: 'none' } as const;
const ratio = builder('donor', 'Ratio', counted);
const slip = builder('donor', 'Differential', none);
const state = builder('donor', 'Condition', { ...none, instrument: 'indicator' });
const money = builder('donor', 'Money and time', { ...none, unit: 'money', instrument: 'chosen' });
const hubs = builder('donor', 'Hubs', { ...none, instrument: 'caliper' });
const bearing = builder('donor', 'Bearing and seal', { ...none, instrument: 'caliper' });
const rest = builder('donor', 'Brakes and pinion flange', { ...none, instrument: 'caliper' });

/** What comes with a donor, or must be bought. */
export const DONOR_PARTS = ['brakes', 'plates', 'cables', 'hoses', 'ubolts', 'cover'] as const;
export type DonorPart = (typeof DONOR_PARTS)[number];
export const DONOR_PART_NAMES: Readonly<Record<DonorPart, string>> = {
  brakes: 'Brakes',
  plates: 'Backing plates',
  cables: 'Parking-brake cables',
  hoses: 'Hoses and lines',
  ubolts: 'U-bolts and plates',
  cover: 'Cover, gasket, plugs',
};

/** What judges a donor: its ratio, its differential, its condition, what it costs. */
export const DONOR_JUDGED: readonly Quantity[] = [
  ratio('ratio.ring', 'Ring gear teeth', 'Count them once round, from a mark.', [20, 90]),
  ratio('ratio.pinion', 'Pinion teeth', 'Count them on the pinion head.', [5, 30]),
  ratio('ratio.wheelTurns', 'Wheel turns', 'Whole turns of the wheel, ten for a good figure.', [1, 100]),
  ratio(
    'ratio.pinionTurns',
    'Pinion turns counted',
    'Turns of the pinion flange meanwhile, to a quarter.',
    [1, 900],
    {
      whole: false,
    },
  ),
  slip('slip.torque', 'Break-away torque', 'One wheel held, turn the other with a torque wrench.', [0, 1000], {
    unit: 'Nm',
    instrument: 'scale',
  }),
  ...SIDES.map((side) =>
    state(
      `cond.runout.${side}`,
      'Flange run-out',
      'Indicator on the wheel face near its rim, one turn.',
      [0, 5],
      {
        side,
      },
    ),
  ),
  ...SIDES.map((side) =>
    state(`cond.journal.${side}`, 'Journal worn by', 'Worn journal against its unworn shoulder.', [0, 5], {
      side,
    }),
  ),
  state('cond.straight', 'Tube out of straight', 'Straightedge along both tubes, widest gap.', [0, 30], {
    instrument: 'straightedge',
  }),
  money('cost.donor', 'Price of the donor', 'What the seller asks, and the way there.', [0, 1_000_000]),
  ...DONOR_PARTS.map((part) =>
    money(
      `cost.${part}`,
      `${DONOR_PART_NAMES[part]}, cost`,
      'What it costs where it does not come with the donor.',
      [0, 1_000_000],
    ),
  ),
  money('cost.shafts', 'Shafts, cost', 'Both, with their bearings and seals.', [0, 1_000_000]),
  money('cost.machining', 'Machining and welding, cost', 'What others do for money.', [0, 1_000_000]),
  money('time.hours', 'Own hours', 'Your own work on this route, without the joints below.', [0, 5000], {
    unit: 'count',
  }),
  money('time.lead', 'Longest wait', 'Days until the last parcel is there.', [0, 400], { unit: 'count' }),
];

/** What must fit between the donor, the car and what is bought. */
export const DONOR_MATING: readonly Quantity[] = [
  hubs('donor.flangeHoles', 'Donor flange studs', 'Studs in the wheel flange.', [3, 10], counted),
  hubs('donor.flangePcd', 'Donor flange PCD', 'Circle through the stud centres.', [80, 260]),
  hubs('donor.flangeHole', 'Donor stud hole', 'Diameter of the hole a stud is pressed into.', [8, 30]),
  hubs('donor.flangeRim', 'Donor flange diameter', 'Outside of the flange.', [90, 320]),
  hubs('donor.pilot', 'Donor pilot', 'The register the wheel sits on.', [40, 220]),
  bearing('donor.journal', 'Bearing journal', 'Where the bearing sits on the donor’s shaft.', [15, 90]),
  bearing(
    'new.journal',
    'Journal of the new shafts',
    'As the shaft maker turns it; empty means as the donor’s.',
    [15, 90],
  ),
  bearing(
    'donor.bearingBore',
    'Bearing bore in the housing',
    'Where the bearing sits in the housing end.',
    [30, 160],
  ),
  bearing('donor.bearingWidth', 'Room for the bearing', 'Depth of the bore, to its shoulder.', [6, 80]),
  bearing('donor.sealJournal', 'Seal journal', 'Where the seal’s lip runs.', [15, 90]),
  bearing('donor.sealBore', 'Seal bore', 'Where the seal is pressed in.', [25, 160]),
  bearing('new.pitch', 'New shafts’ spline pitch', 'As ordered; empty means as the donor’s.', [4, 64], {
    unit: 'count',
    instrument: 'chosen',
  }),
  bearing('new.teeth', 'New shafts’ spline teeth', 'As ordered; empty means as the donor’s.', [6, 80], counted),
  rest('donor.endWide', 'Housing end, holes across', 'Bolt centres across, level.', [30, 250]),
  rest('donor.endHigh', 'Housing end, holes upright', 'Bolt centres, upright.', [20, 250]),
  rest('brake.endWide', 'Brake bracket, holes across', 'Of the brake that is to be used.', [30, 250]),
  rest('brake.endHigh', 'Brake bracket, holes upright', 'Of the brake that is to be used.', [20, 250]),
  rest('brake.bore', 'Brake bracket bore', 'The bore that goes over the bearing or housing end.', [30, 200]),
  rest('donor.pinionBolts', 'Pinion flange bolts', 'Bolts in the pinion’s flange.', [2, 12], counted),
  rest('donor.pinionPcd', 'Pinion flange PCD', 'Circle through its bolt centres.', [40, 200]),
  rest('donor.pinionPilot', 'Pinion flange pilot', 'The register that centres the driveshaft.', [20, 150]),
  ...DONOR_ANGLES,
];

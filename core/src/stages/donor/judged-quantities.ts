import { SIDES } from '../../geometry';
import { quantities } from './headings';

const none = { datum: 'none' } as const;
const counted = { unit: 'count', whole: true, instrument: 'count', datum: 'none' } as const;
const ratio = quantities('ratio', counted);
const slip = quantities('differential', none);
const state = quantities('condition', { instrument: 'indicator', ...none });
const money = quantities('money', { unit: 'money', instrument: 'chosen', ...none });

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
export const DONOR_JUDGED = [
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

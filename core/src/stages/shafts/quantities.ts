import { SIDES } from '../../geometry';
import { quantities } from './headings';

const decided = { instrument: 'chosen', datum: 'none' } as const;
const strong = quantities('strength', decided);
const made = quantities('made', decided);

/** What the shafts are made of, loaded with, and made to. */
export const SHAFT_QUANTITIES = [
  strong('shaft.body', 'New shafts’ smallest body', 'Smallest diameter between spline and bearing.', [10, 90], {
    instrument: 'caliper',
  }),
  strong(
    'shaft.bearing',
    'Bearing inboard of the housing end',
    'Housing-end face to the bearing’s middle.',
    [-60, 200],
    {
      instrument: 'caliper',
      fallback: { value: 9, off: 3, why: 'half of a usual bearing’s width' },
    },
  ),
  strong('shaft.corner', 'Cornering, in g', 'Side force over the rear axle’s load.', [0, 2.5], {
    unit: 'count',
    belongs: 'car',
    fallback: { value: 0.9, why: 'a good road tyre' },
  }),
  strong(
    'shaft.yield',
    'Shear yield of the steel',
    'By its maker; empty takes what is typical of the steel.',
    [200, 2000],
    { unit: 'MPa' },
  ),
  strong(
    'shaft.tensile',
    'Tensile strength of the steel',
    'By its maker; empty takes what is typical of the steel.',
    [300, 2800],
    { unit: 'MPa' },
  ),
  made(
    'shaft.shoulder',
    'Wheel face to bearing shoulder',
    'What the bearing is pressed against, or where its rollers begin to run.',
    [5, 300],
    { instrument: 'caliper', datum: 'WMS' },
  ),
  made('shaft.flange', 'Flange thickness', 'Of the shaft’s flange, at the studs.', [4, 40], {
    instrument: 'caliper',
  }),
  made('shaft.clipPlace', 'Clip groove from the inner end', 'Inner end to the groove’s outer wall.', [2, 80], {
    instrument: 'caliper',
    datum: 'inner end',
  }),
  made('shaft.clipWidth', 'Clip groove, width', 'Between its walls.', [1, 30], { instrument: 'caliper' }),
  made('shaft.clipDiameter', 'Clip groove, diameter', 'At its floor.', [8, 80], { instrument: 'caliper' }),
  made('shaft.made', 'Maker’s tolerance', 'Length either way, as the maker says.', [0, 3], {
    belongs: 'car',
    fallback: { value: 0.4, why: 'typical tolerance' },
  }),
  ...SIDES.map((side) =>
    made(
      `shaft.received.${side}`,
      'Shaft as received',
      'Wheel face to inner end of what arrived, before it is taken.',
      [100, 1500],
      { side, instrument: 'rule' },
    ),
  ),
  made('shaft.pilotPlay', 'New pilot under the wheel’s bore', 'How much smaller it is turned.', [0, 1], {
    belongs: 'car',
    fallback: { value: 0.1, why: 'the wheel slides on by hand and is still centred' },
  }),
];

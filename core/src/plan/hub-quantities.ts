import { SIDES } from '../geometry';
import { builder } from './builder';
import type { Quantity } from './quantity';

const read = { instrument: 'caliper', datum: 'none' } as const;
const decided = { instrument: 'chosen', datum: 'none' } as const;
const strong = builder('shafts', 'Strength', decided);
const made = builder('shafts', 'As made', decided);
const drill = builder('hubs', 'Re-drill and jig', decided);
const cost = builder('hubs', 'What each way costs', { ...decided, unit: 'money' });
const stud = builder('hubs', 'Studs and nuts', read);
const keep = builder('hubs', 'Retention', read);
const brake = builder('hubs', 'Brakes', read);

/** What the shafts are made of, loaded with, and made to. */
export const SHAFTS: readonly Quantity[] = [
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
  made('shaft.clipPlace', 'Clip groove from the inner end', 'Inner end to the groove’s outer wall.', [2, 80], {
    instrument: 'caliper',
    datum: 'inner end',
  }),
  made('shaft.clipWidth', 'Clip groove, width', 'Between its walls.', [1, 30], { instrument: 'caliper' }),
  made('shaft.clipDiameter', 'Clip groove, diameter', 'At its floor.', [8, 80], { instrument: 'caliper' }),
  made('shaft.made', 'Shaft maker holds', 'Length either way, as the maker says.', [0, 3], {
    fallback: { value: 0.4, why: 'a usual shop’s word' },
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
    fallback: { value: 0.1, why: 'the wheel slides on by hand and is still centred' },
  }),
];

/** Patterns, studs, retention and brakes at the wheel’s end. */
export const HUBS: readonly Quantity[] = [
  drill(
    'redrill.hole',
    'New stud hole',
    'Reamed for the new stud’s knurl; empty means as the old one.',
    [8, 30],
    {
      instrument: 'caliper',
    },
  ),
  drill('jig.drill', 'Jig’s drill', 'Pilot drill the jig guides.', [2, 14], {
    fallback: { value: 5, why: 'a usual pilot drill' },
  }),
  drill('jig.play', 'Jig hole over stud', 'How much larger the jig’s locating holes are.', [0, 1], {
    fallback: { value: 0.1, why: 'slides on by hand' },
  }),
  cost('redrill.cost', 'Re-drill, cost', 'Jig, drill, studs; your own money.', [0, 100_000]),
  cost('adapter.cost', 'Adapters, cost', 'Both sides, with their studs and nuts.', [0, 100_000]),
  stud('stud.length', 'Stud out of the flange', 'Flange face to the stud’s end.', [10, 140], {
    datum: 'flange face',
  }),
  stud('stud.hat', 'Rotor hat or drum', 'Thickness between flange and wheel.', [0, 40]),
  stud(
    'stud.pad',
    'Wheel’s pad at the seat',
    'Mounting face to where the nut’s thread begins to carry.',
    [2, 60],
  ),
  stud('stud.nut', 'Thread in the nut', 'Full thread of the nut, from its seat.', [6, 70]),
  stud('stud.knurl', 'Knurl of the new stud', 'Over its ridges.', [8, 30]),
  stud(
    'adapter.floor',
    'Adapter under its nuts',
    'Thickness of the adapter where it is bolted to the flange.',
    [3, 80],
  ),
  stud('adapter.nut', 'Thread in the adapter’s nuts', 'Full thread of the nuts that hold it.', [6, 70]),
  stud(
    'adapter.stud',
    'Adapter’s own studs',
    'Its face to the end of the studs that carry the wheel.',
    [10, 140],
  ),
  stud('stud.torque', 'Nut torque', 'As tightened with the wrench.', [20, 400], {
    unit: 'Nm',
    instrument: 'chosen',
  }),
  keep(
    'convert.space',
    'Brake space with the conversion',
    'Housing-end face to WMS with the new ends.',
    [0, 300],
    {
      datum: 'housing-end face',
    },
  ),
  keep(
    'convert.end',
    'Shaft’s end beyond the clip',
    'Inner end to the groove that is no longer needed.',
    [0, 60],
  ),
  brake('rotor.diameter', 'Rotor diameter', 'Or drum.', [120, 460]),
  brake('rotor.thick', 'Rotor thickness', 'Both faces.', [4, 50]),
  brake('rotor.offset', 'Hat offset', 'Hat’s mounting face to the rotor’s middle, inward.', [-30, 140], {
    datum: 'WMS',
  }),
  brake(
    'caliper.middle',
    'Caliper’s middle',
    'Housing-end face out to the middle between its pads.',
    [-80, 200],
    {
      datum: 'housing-end face',
    },
  ),
  brake('pad.height', 'Pad height', 'Radial height of the pad’s face.', [15, 100]),
  brake('hose.droop', 'Hose needs at droop', 'Tee or caliper to the body end, axle hanging.', [50, 900], {
    instrument: 'tape',
  }),
];

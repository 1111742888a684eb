import { quantities } from './headings';

const read = { instrument: 'caliper', datum: 'none' } as const;
const decided = { instrument: 'chosen', datum: 'none' } as const;
const drill = quantities('drill', decided);
const cost = quantities('cost', { unit: 'money', ...decided });
const stud = quantities('studs', read);
const keep = quantities('retention', read);
const brake = quantities('brakes', read);

/** Patterns, studs, retention and brakes at the wheel’s end. */
export const HUB_QUANTITIES = [
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
    belongs: 'car',
    fallback: { value: 5, why: 'a usual pilot drill' },
  }),
  drill('jig.play', 'Jig hole over stud', 'How much larger the jig’s locating holes are.', [0, 1], {
    belongs: 'car',
    fallback: { value: 0.1, why: 'slides on by hand' },
  }),
  cost('redrill.cost', 'Re-drill, cost', 'Jig, drill, studs; your own money.', [0, 100_000]),
  cost('adapter.cost', 'Adapters, cost', 'Both sides, with their studs and nuts.', [0, 100_000]),
  stud('stud.length', 'Stud out of the flange', 'Flange face to the stud’s end.', [10, 140], {
    datum: 'flange face',
  }),
  stud('stud.whole', 'Stud, whole length', 'Loose, from under its head to its end.', [10, 180]),
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

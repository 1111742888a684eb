import { SIDES, type Side } from '../../geometry';
import { quantities } from './headings';

/** Where diameters are read: across the tube from this place to the one opposite. */
export const DIAMETERS = [
  { id: 'a', label: 'top to bottom' },
  { id: 'b', label: 'top front to bottom rear' },
  { id: 'c', label: 'front to rear' },
  { id: 'd', label: 'bottom front to top rear' },
] as const;

/** New tubes into the centre section: bore and tube of one side, read across at four places. */
function pressed(side: Side) {
  const of = quantities(`${side}New`, { side, instrument: 'caliper', datum: 'none' });
  return [
    ...DIAMETERS.map(({ id, label }) =>
      of(`tube.bore.${side}.${id}`, `Bore, ${label}`, 'Bore of the casting, clear of its mouth.', [20, 200]),
    ),
    ...DIAMETERS.map(({ id, label }) =>
      of(
        `tube.od.${side}.${id}`,
        `Tube, ${label}`,
        'New tube’s outside where it will sit, off its seam.',
        [20, 200],
      ),
    ),
  ];
}

const tube = quantities('tubes', { instrument: 'caliper', datum: 'none' });
const TUBES = [
  tube('tube.inside', 'Tube inside', 'Inside diameter of the new tube.', [10, 190]),
  tube('tube.hub', 'Casting round the bore', 'Its outside where it is thinnest, as a diameter.', [30, 300]),
  tube('tube.insert', 'Insertion depth', 'How deep the tube goes into the casting.', [10, 250], {
    instrument: 'chosen',
    datum: 'casting face',
  }),
  tube('tube.yield', 'Yield of tube and casting', 'The weaker of both.', [80, 1500], {
    unit: 'MPa',
    instrument: 'chosen',
    fallback: { value: 250, why: 'a usual cast steel, ask for yours' },
  }),
];

/** Expected against measured: the tube after tacking and after welding. */
function after(side: Side) {
  const of = quantities(`${side}Tube`, { side, datum: 'casting face' });
  return [
    of(
      `after.tacked.${side}`,
      'Tube after tacking, read',
      'Casting face to the housing-end face, tacked and cold.',
      [20, 1200],
      { instrument: 'rule' },
    ),
    of(
      `after.welded.${side}`,
      'Tube after welding, read',
      'Casting face to the housing-end face, welded and cold.',
      [20, 1200],
      { instrument: 'rule' },
    ),
  ];
}

const float = quantities('float', { instrument: 'chosen', datum: 'none' });
const STEEP = 0.06;

function floated(side: Side) {
  const of = quantities('float', { side, instrument: 'chosen', datum: 'none' });
  return [
    of(`float.camber.${side}`, 'Camber built in', 'Plus where the top leans out.', [-STEEP, STEEP], {
      unit: 'rad',
    }),
    of(`float.toe.${side}`, 'Toe built in', 'Plus is toe-in.', [-STEEP, STEEP], { unit: 'rad' }),
    ...DIAMETERS.map(({ id, label }) =>
      of(
        `float.bore.${side}.${id}`,
        `Tube inside, ${label}`,
        'Inside of the tube’s end, off its seam.',
        [10, 190],
        {
          instrument: 'caliper',
        },
      ),
    ),
  ];
}

const FLOAT = [
  float('float.plug', 'Plug as bought', 'Outside diameter of the end’s plug.', [10, 200], {
    instrument: 'caliper',
  }),
  float(
    'float.play',
    'Plug smaller than the bore',
    'Play, in diameter, of a slip fit to be welded.',
    [0.01, 0.6],
    {
      fallback: { value: 0.05, why: 'a close slip fit' },
    },
  ),
  float('float.depth', 'Plug in the tube', 'How deep the plug sits in the tube.', [15, 250]),
  float('float.holes', 'Plug-weld holes', 'Round the tube, evenly, each side.', [3, 12], {
    unit: 'count',
    whole: true,
    fallback: { value: 4, why: 'a usual count' },
  }),
  float(
    'float.shift',
    'WMS moves out by',
    'How much farther out the hub’s face stands than the flange it replaces.',
    [-80, 150],
    { instrument: 'caliper', datum: 'housing-end face' },
  ),
];

/** What makes new tubes, full-float ends and the welder’s own shrinkage, in walking order. */
export const TUBE_WORK = [
  ...SIDES.flatMap(after),
  ...TUBES,
  ...SIDES.flatMap(pressed),
  ...FLOAT,
  ...SIDES.flatMap(floated),
];

import { RAD_PER_DEGREE } from '../../units';
import { quantities } from './headings';

const decided = { instrument: 'chosen', datum: 'none' } as const;
const wheel = quantities('wheel', decided);
const axle = quantities('axle', { instrument: 'chosen' });
const moves = quantities('moves', { datum: 'none' });
const inside = quantities('brake', { instrument: 'caliper', datum: 'hub centre' });
const spacer = quantities('spacer', { instrument: 'caliper', datum: 'none' });

/** What puts a wheel in its place: the wheel, the axle’s place, its movement, the brake inside it. */
export const STANCE_QUANTITIES = [
  wheel('wheel.rim', 'Rim width, inch', 'Between the beads, as the wheel is named.', [3, 18], {
    unit: 'count',
  }),
  wheel(
    'wheel.et',
    'Wheel offset (ET)',
    'Rim’s middle to mounting face; plus where the face stands outboard.',
    [-150, 150],
    { inMm: true },
  ),
  wheel(
    'tyre.section',
    'Section as measured',
    'Over the sidewalls, on this rim, pumped up; empty means as its size says.',
    [90, 480],
    { instrument: 'caliper', waitsOn: ['tyre'] },
  ),
  axle(
    'stance.offCentre',
    'Axle off centre on purpose',
    'Middle of the WMS width from the car’s centreline, plus to the left.',
    [-80, 80],
    { byTape: true, fallback: { value: 0, why: 'the axle stands in the car’s middle' } },
  ),
  moves('stance.shift', 'Sideways give', 'How far bushings and springs let the axle go to one side.', [0, 40], {
    fallback: { value: 3, off: 1.5, why: 'usual bushings, push the body and measure yours' },
  }),
  moves(
    'stance.lean',
    'Axle lean in a corner',
    'Between axle and body, from straight ahead.',
    [0, 7 * RAD_PER_DEGREE],
    {
      unit: 'rad',
      instrument: 'chosen',
      fallback: { value: 1.5 * RAD_PER_DEGREE, why: 'a usual saloon in a fast bend' },
    },
  ),
  moves('bar.length', 'Lateral bar', 'Eye to eye; empty where the axle has none.', [250, 1600]),
  moves(
    'bar.rise',
    'Axle end above chassis end',
    'How much higher the bar’s axle end is at ride height; minus where lower.',
    [-250, 250],
  ),
  inside(
    'brake.radius',
    'Brake’s outermost point',
    'Hub centre to the outermost corner of caliper or drum.',
    [50, 260],
    { belongs: 'axle' },
  ),
  inside('rim.inside', 'Rim inside, diameter', 'Inside of the barrel where the brake sits.', [180, 620], {
    datum: 'none',
  }),
  spacer('spacer.thick', 'Spacer or adapter', 'Between flange and wheel, each side.', [0.5, 90]),
];

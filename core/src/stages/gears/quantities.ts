import type { Fallback } from '../../stage';
import type { Use } from '../brief/choices';
import { quantities } from './headings';

const chosen = { instrument: 'chosen', datum: 'none' } as const;
const wanted = quantities('wanted', chosen);
const road = quantities('road', chosen);
const run = quantities('run', chosen);
const set = quantities('set', { datum: 'none', belongs: 'axle', instrument: 'rule' });

const clutch = quantities('clutch', { datum: 'none', belongs: 'axle', instrument: 'caliper' });

const KMH = 1 / 3.6;
const why = 'usual for this use, with a tyre of 610 mm';
/** First gear times axle, by what the car is for. */
const LOW: Readonly<Record<Use, Fallback>> = {
  road: { value: 9, why },
  hillClimb: { value: 10.5, why },
  strip: { value: 10, why },
  circuit: { value: 8.5, why },
  trail: { value: 12, why },
};
const HIGH: Readonly<Record<Use, Fallback>> = {
  road: { value: 11.5, why },
  hillClimb: { value: 13, why },
  strip: { value: 13, why },
  circuit: { value: 11, why },
  trail: { value: 17, why },
};
const DISTANCE: Readonly<Record<Use, Fallback>> = {
  road: { value: 402.336, why: 'a quarter mile' },
  hillClimb: { value: 900, why: 'a usual hill' },
  strip: { value: 402.336, why: 'a quarter mile' },
  circuit: { value: 600, why: 'a usual straight' },
  trail: { value: 200, why: 'a short climb' },
};
const GRADE: Readonly<Record<Use, Fallback>> = {
  road: { value: 0, why: 'level' },
  hillClimb: { value: 0.08, why: 'a usual hill' },
  strip: { value: 0, why: 'level' },
  circuit: { value: 0, why: 'level' },
  trail: { value: 0.15, why: 'a steep track' },
};
const byUse = (values: Readonly<Record<string, Fallback>>) => ({
  fallbackBy: { part: 'brief', field: 'use', values },
});

/** What a ratio is held against, and what a run is made with. */
export const GEARS_QUANTITIES = [
  wanted(
    'gear.launchLow',
    'Launch ratio, least',
    'First gear times axle ratio, for a tyre of 610 mm.',
    [3, 60],
    { unit: 'count', ...byUse(LOW) },
  ),
  wanted(
    'gear.launchHigh',
    'Launch ratio, most',
    'First gear times axle ratio, for a tyre of 610 mm.',
    [3, 60],
    { unit: 'count', ...byUse(HIGH) },
  ),
  wanted(
    'gear.finishSpeed',
    'Speed at the finish',
    'Where the run ends, or at the end of the straight.',
    [5, 150],
    {
      unit: 'm/s',
    },
  ),
  wanted('gear.finishGear', 'Gear at the finish', 'From 1; empty means the highest.', [1, 12], {
    unit: 'count',
    whole: true,
  }),
  wanted('gear.finishRpm', 'Engine at the finish', 'What it should turn there.', [1000, 15_000], {
    unit: 'rpm',
  }),
  wanted('gear.cruiseSpeed', 'Cruising speed', 'On the road, for long.', [10, 80], {
    unit: 'm/s',
    fallback: { value: 110 * KMH, why: 'a usual road speed' },
  }),
  wanted('gear.cruiseRpm', 'Engine at cruise, most', 'What it may turn for long.', [1000, 8000], {
    unit: 'rpm',
    fallback: { value: 3200, why: 'bearable for long' },
  }),
  wanted('gear.limit', 'Engine at its limit', 'Highest speed it may turn.', [1500, 15_000], {
    unit: 'rpm',
    waitsOn: ['gearbox'],
  }),
  road(
    'gear.rolling',
    'Rolling circumference',
    'Rolled one turn under load; empty means 0.97 × π × diameter.',
    [900, 4200],
    {
      instrument: 'tape',
      waitsOn: ['tyre', 'load'],
    },
  ),
  road('gear.slip', 'Converter slip', 'Share of its speed lost where it is not locked.', [0, 0.3], {
    unit: 'ratio',
    fallback: { value: 0.05, why: 'a usual converter' },
  }),
  road('gear.lockedFrom', 'Converter locks from gear', 'First gear that is locked; 0 where none is.', [0, 12], {
    unit: 'count',
    whole: true,
    fallback: { value: 0, why: 'no lock-up' },
  }),
  road(
    'gear.frontRatio',
    'Front axle ratio',
    'Of four driven wheels: ring over pinion teeth in front.',
    [1.5, 8],
    {
      unit: 'count',
    },
  ),
  road(
    'gear.frontRolling',
    'Front rolling circumference',
    'Of four driven wheels: as rolled in front.',
    [900, 4200],
    {
      instrument: 'tape',
      waitsOn: ['tyre'],
    },
  ),
  road('gear.oldRatio', 'Ratio the speedometer is for', 'Of the axle that is in the car.', [1.5, 8], {
    unit: 'count',
  }),
  road('gear.oldRolling', 'Circumference it is for', 'Of the tyre the speedometer was made for.', [900, 4200], {
    instrument: 'tape',
  }),
  road('gear.speedoTeeth', 'Speedometer driven gear', 'Teeth of the gear on its cable.', [6, 40], {
    unit: 'count',
    whole: true,
    instrument: 'count',
  }),
  run('gear.distance', 'Distance', 'From the start to the line.', [20, 20_000], {
    unit: 'm',
    ...byUse(DISTANCE),
  }),
  run('gear.grade', 'Gradient', 'Rise over run; uphill plus.', [-0.3, 1], { unit: 'ratio', ...byUse(GRADE) }),
  run('gear.shiftRpm', 'Change up at', 'Engine speed at which the next gear is taken.', [1000, 15_000], {
    unit: 'rpm',
  }),
  run('gear.shiftTime', 'Time for a change', 'Without drive.', [0, 3], {
    unit: 's',
    fallback: { value: 0.4, why: 'a usual hand' },
  }),
  run(
    'gear.launchRpm',
    'Engine at launch',
    'Clutch: where it is let in. Converter: its stall.',
    [500, 10_000],
    {
      unit: 'rpm',
      fallback: { value: 3200, why: 'a usual launch' },
    },
  ),
  run('gear.drag', 'Drag area', 'Drag coefficient times frontal area, m².', [0.1, 5], {
    unit: 'count',
    fallback: { value: 0.75, why: 'a small saloon' },
  }),
  run('gear.rollingResistance', 'Rolling resistance', 'Over the load.', [0, 0.3], {
    unit: 'ratio',
    fallback: { value: 0.014, why: 'a road tyre' },
  }),
  clutch(
    'clutch.stack',
    'Stack height',
    'Plates of one side laid dry on each other, pressed by hand.',
    [5, 120],
    {
      instrument: 'caliper',
    },
  ),
  clutch('clutch.stackBook', 'Stack height by its maker', 'As their list gives it for one side.', [5, 120], {
    instrument: 'chosen',
  }),
  clutch(
    'clutch.soak',
    'Soaked in oil',
    'Minutes the plates lay in their oil before they were put together.',
    [0, 20_000],
    {
      unit: 'count',
      instrument: 'count',
      whole: true,
    },
  ),
  clutch(
    'clutch.breakAway',
    'Break-away after assembly',
    'Torque at one flange that slips it, the other held.',
    [0, 600],
    {
      unit: 'Nm',
      instrument: 'scale',
    },
  ),
  set('gear.ringDiameter', 'Ring gear diameter', 'Outside, of the gear set this axle takes.', [120, 400]),
];

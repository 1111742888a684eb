import type { Fallback } from '../../stage';
import { quantities } from './headings';
import type { Launch, Use } from './choices';

const brief = quantities('car', { instrument: 'chosen', datum: 'none' });
const load = quantities('weights', { unit: 'kg', instrument: 'scale', datum: 'none', waitsOn: ['load'] });
const size = quantities('weights', { instrument: 'tape', datum: 'none' });
const engine = quantities('engine', { unit: 'count', instrument: 'chosen', datum: 'none' });
/** Judgement, by what the car is for. */
const FRICTION: Readonly<Record<Use, Fallback>> = {
  road: { value: 1, why: 'a road tyre' },
  hillClimb: { value: 1.2, why: 'a soft tyre on the hill' },
  circuit: { value: 1.2, why: 'a soft tyre on the track' },
  strip: { value: 2, why: 'a strip tyre on a prepared strip' },
  trail: { value: 0.8, why: 'loose ground' },
};
const HOP: Readonly<Record<Launch, Fallback>> = {
  rolling: { value: 1, why: 'rolling on, the tyre does not hop' },
  normal: { value: 1.1, why: 'a standing start' },
  hard: { value: 1.25, why: 'a dumped clutch makes the tyre grab' },
};

/** What is weighed, read and wanted of the car. */
export const BRIEF_QUANTITIES = [
  brief(
    'brief.targetWidth',
    'WMS width wanted',
    'Wheel face to wheel face, as the stance needs it.',
    [600, 2600],
    { byTape: true },
  ),
  brief('brief.mass', 'Mass with driver', 'Fuel and driver in, as it will be driven.', [200, 6000], {
    unit: 'kg',
    scales: 'all',
    waitsOn: ['load'],
  }),
  brief('brief.budget', 'Budget', 'All the axle may cost, in your own money.', [0, 1_000_000], {
    unit: 'money',
  }),
  brief('brief.hoursPerWeek', 'Hours a week', 'What you have for this job, evenings and weekends.', [1, 80], {
    unit: 'count',
    fallback: { value: 8, why: 'two evenings and a Saturday morning' },
  }),
  load(
    'brief.front',
    'Front axle load',
    'From corner scales, or a weighbridge one axle at a time.',
    [50, 4000],
    { scales: 'front' },
  ),
  load('brief.rear', 'Rear axle load', 'From corner scales, or a weighbridge one axle at a time.', [50, 4000], {
    scales: 'rear',
  }),
  size('brief.wheelbase', 'Wheelbase', 'Front hub centre to rear hub centre.', [1200, 5000]),
  size(
    'brief.cgHeight',
    'Centre of gravity',
    'Its height from the ground; about a third of the roof’s.',
    [150, 1500],
    {
      instrument: 'chosen',
      fallback: { value: 520, why: 'a usual saloon, work out yours' },
    },
  ),
  size('brief.tyreDiameter', 'Tyre diameter', 'Outside diameter, free.', [350, 1300], { waitsOn: ['tyre'] }),
  engine('brief.torque', 'Peak torque', 'At the flywheel. Not needed where the curve is given.', [20, 3000], {
    unit: 'Nm',
  }),
  engine('brief.stall', 'Converter multiplies at stall', '1 for a clutch.', [1, 4], {
    fallback: { value: 1, why: 'a clutch multiplies nothing' },
  }),
  engine('brief.axleRatio', 'Axle ratio', 'Turns of the pinion for one of the wheels.', [1.5, 8]),
  engine('brief.efficiency', 'Driveline efficiency', 'What arrives at the shafts.', [0.5, 1], {
    unit: 'ratio',
    fallback: { value: 0.9, why: 'a usual gearbox and hypoid axle' },
  }),
  engine(
    'brief.friction',
    'Tyre friction',
    'Greatest push over load; about 1 on the road, twice that for strip tyres.',
    [0.3, 3],
    { fallbackBy: { part: 'brief', field: 'use', values: FRICTION } },
  ),
  engine(
    'brief.hop',
    'Tyre hop',
    'How much harder a hopping or grabbing tyre pulls than one that pushes evenly.',
    [1, 2],
    { fallbackBy: { part: 'brief', field: 'launch', values: HOP } },
  ),
];

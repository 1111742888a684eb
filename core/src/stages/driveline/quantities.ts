import { RAD_PER_DEGREE } from '../../units';
import type { Fallback } from '../../stage';
import type { Suspension } from './choices';
import { quantities } from './headings';

const place = quantities('place', { datum: 'floor', needsLevel: true, waitsOn: ['gearbox', 'rideHeight'] });
const nose = quantities('nose', { datum: 'axle centre', belongs: 'axle' });
const aim = quantities('aim', { unit: 'rad', datum: 'none', instrument: 'chosen' });
const centre = quantities('centre', { datum: 'floor', needsLevel: true, waitsOn: ['rideHeight'] });
const tube = quantities('tube', { datum: 'none', instrument: 'caliper' });
const slip = quantities('slip', { datum: 'none', waitsOn: ['gearbox', 'rideHeight'] });
const ends = quantities('ends', { datum: 'joint centre', instrument: 'caliper' });
const bench = quantities('bench', { unit: 'rad', datum: 'level', instrument: 'angleGauge', belongs: 'axle' });

const deg = (value: number): number => value * RAD_PER_DEGREE;
const preset = (value: number, why: string): Fallback => ({ value: deg(value), why });
/** What the pinion’s nose lifts by under load, by what holds the axle. */
const PRESETS: Readonly<Partial<Record<Suspension, Fallback>>> = {
  leaf: preset(4, 'leaf springs wind up by about 4°'),
  ladder: preset(1, 'ladder bars give about 1°'),
  parallel: preset(1.5, 'parallel links give about 1.5°'),
  triangulated: preset(2, 'triangulated links give about 2°'),
  torqueArm: preset(1, 'a torque arm gives about 1°'),
  threeLink: preset(1.5, 'three links give about 1.5°'),
  independent: preset(0, 'a casting held by the car does not wind up'),
};

/** The driveline from gearbox to pinion. */
export const DRIVELINE_QUANTITIES = [
  place(
    'drive.along',
    'Axle to gearbox joint',
    'Level, along the car: rear axle centre to the middle of the gearbox’s joint.',
    [200, 4000],
    { datum: 'rear axle centre' },
  ),
  place(
    'drive.height',
    'Gearbox joint height',
    'Ground to the middle of the gearbox’s joint, car at ride height.',
    [40, 1500],
  ),
  place(
    'drive.plan',
    'Gearbox output in plan',
    'Seen from above against the car’s centreline; rear end further left is plus.',
    [-0.3, 0.3],
    {
      unit: 'rad',
      instrument: 'angleGauge',
      datum: 'car centreline',
      needsLevel: false,
      waitsOn: ['gearbox'],
      fallback: { value: 0, off: deg(0.5), why: 'in line with the car' },
    },
  ),
  place(
    'drive.axleHeight',
    'Axle centre height',
    'Ground to the middle of the wheel, car at ride height and loaded as used.',
    [120, 800],
    { waitsOn: ['tyre', 'load'] },
  ),
  nose(
    'drive.nose',
    'Pinion joint to axle',
    'Along the pinion: axle centre to the middle of the joint on its flange.',
    [80, 600],
  ),
  nose(
    'drive.drop',
    'Pinion below the axle',
    'Square to the pinion: axle centre down to the pinion’s axis; above is minus.',
    [-120, 120],
    { instrument: 'rule' },
  ),
  nose('drive.pinionPlan', 'Pinion in plan', 'Seen from above; rear end further left is plus.', [-0.2, 0.2], {
    unit: 'rad',
    instrument: 'angleGauge',
    datum: 'car centreline',
    fallback: { value: 0, off: deg(0.25), why: 'the axle stands square' },
  }),
  aim(
    'drive.slope',
    'Pinion slope to set',
    'At ride height, at rest; front higher is plus. Empty means the best of the way chosen.',
    [-0.6, 0.6],
  ),
  aim('drive.preset', 'Nose down at rest', 'What the pinion’s nose lifts by under load.', [0, deg(15)], {
    fallbackBy: { part: 'choices', field: 'suspension', values: PRESETS },
  }),
  aim(
    'drive.band',
    'Pinion swings by',
    'Up and down from where it is set, over bump, droop and wind-up.',
    [0, deg(12)],
    { fallback: { value: deg(2), why: 'until the suspension’s motion is known' } },
  ),
  aim('drive.rpm', 'Driveshaft at its fastest', 'Revolutions of the driveshaft at top speed.', [300, 15_000], {
    unit: 'rpm',
    waitsOn: ['gearbox'],
  }),
  centre(
    'drive.centre.along',
    'Axle to centre joint',
    'Level, along the car: axle centre to the middle of the joint behind the bearing.',
    [100, 3000],
    { datum: 'rear axle centre' },
  ),
  centre(
    'drive.centre.side',
    'Centre joint',
    'From the car’s centreline to the middle of that joint, plus to the left.',
    [-400, 400],
    { datum: 'car centreline' },
  ),
  centre('drive.centre.height', 'Centre joint height', 'Ground to the middle of that joint.', [40, 1500]),
  centre('drive.centre.play', 'Bearing moves by', 'How far its rubber lets it move, to either side.', [0, 30], {
    datum: 'none',
    needsLevel: false,
    waitsOn: [],
    fallback: { value: 3, why: 'a usual rubber mount' },
  }),
  tube('drive.outside', 'Tube outside', 'Of the driveshaft; of the rear one of two.', [20, 200]),
  tube('drive.wall', 'Tube wall', 'Its wall.', [0.5, 30]),
  tube('drive.frontOutside', 'Front tube outside', 'Of the shaft before the centre bearing.', [20, 200]),
  tube('drive.frontWall', 'Front tube wall', 'Its wall.', [0.5, 30]),
  tube(
    'drive.phase',
    'Yokes turned',
    'Rear yoke of the last shaft against its front one, seen from behind: anticlockwise is plus. 0 where they lie in one plane.',
    [-Math.PI / 2, Math.PI / 2],
    {
      unit: 'rad',
      instrument: 'angleGauge',
      fallback: { value: 0, off: deg(1), why: 'yokes in one plane' },
    },
  ),
  slip('drive.bottom', 'Slip joint to bottom', 'How far it can still go in, car at ride height.', [0, 300], {
    instrument: 'rule',
  }),
  slip('drive.engaged', 'Spline engaged', 'Length of spline in mesh, car at ride height.', [5, 400], {
    instrument: 'rule',
  }),
  slip('drive.least', 'Spline that must stay', 'Least length in mesh that carries the torque.', [5, 300], {
    instrument: 'chosen',
    waitsOn: [],
    fallback: { value: 40, why: 'a usual slip yoke' },
  }),
  ends(
    'drive.seal',
    'Gearbox seal to joint',
    'Gearbox’s rear seal face to the middle of the joint.',
    [0, 400],
    {
      datum: 'gearbox seal',
      waitsOn: ['gearbox'],
    },
  ),
  ends(
    'drive.flange',
    'Joint to pinion flange',
    'Middle of the rear joint to the pinion flange’s face.',
    [-50, 200],
    { datum: 'pinion flange', belongs: 'axle' },
  ),
  ends(
    'drive.readLength',
    'Joint to joint, as read',
    'New axle in its place with the pinion as set, car at ride height; of the rear shaft where there are two. Held against what the plan gives.',
    [100, 3000],
    { instrument: 'tape', waitsOn: ['gearbox', 'rideHeight'], belongs: 'axle' },
  ),
  ends(
    'drive.readSlope',
    'Driveshaft slope, as read',
    'As above, along a straightedge from joint to joint; front higher is plus.',
    [-0.5, 0.5],
    {
      unit: 'rad',
      instrument: 'angleGauge',
      datum: 'level',
      needsLevel: true,
      waitsOn: ['gearbox', 'rideHeight'],
      belongs: 'axle',
    },
  ),
  bench('bench.now', 'Pinion as it lies', 'On the stands, against level; front higher is plus.', [-1.6, 1.6]),
  bench(
    'bench.truss',
    'Truss flat',
    'On the flat of the truss, the gauge zeroed on the casting’s flat.',
    [-1.6, 1.6],
    { datum: 'flat of the casting' },
  ),
  bench(
    'bench.welded',
    'Pinion as welded',
    'In the car at ride height, at rest, against level; front higher is plus. Takes the place of what was wanted.',
    [-0.6, 0.6],
    { needsLevel: true, waitsOn: ['rideHeight', 'springs'] },
  ),
  bench('bench.level', 'Length of the level', 'Of the level or straightedge that is used.', [100, 2000], {
    unit: 'mm',
    instrument: 'rule',
    datum: 'none',
    belongs: 'car',
    fallback: { value: 300, why: 'a usual short level' },
  }),
];

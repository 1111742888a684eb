import { SIDES, type Side } from '../geometry';
import { builder } from './builder';
import type { Quantity } from './quantity';

/** Where the car stands while the wheel room is read: at ride height, and with the axle at full bump. */
export const POSES = ['ride', 'bump'] as const;
export type Pose = (typeof POSES)[number];
const POSE_NAMES: Readonly<Record<Pose, string>> = { ride: 'ride', bump: 'full bump' };

/** Heights at which the wheel room is read, from below. */
export const ROOM_HEIGHTS = ['low', 'axle', 'top'] as const;
export type RoomHeight = (typeof ROOM_HEIGHTS)[number];
const HEIGHT_NAMES: Readonly<Record<RoomHeight, string>> = {
  low: 'rim bottom',
  axle: 'axle height',
  top: 'tyre top',
};

function room(side: Side): readonly Quantity[] {
  const of = builder('survey', `Wheel room, ${side}`, { side, needsLevel: true });
  return [
    ...POSES.flatMap((pose) => [
      ...ROOM_HEIGHTS.map((height) =>
        of(
          `room.in.${pose}.${height}.${side}`,
          `Inboard at ${HEIGHT_NAMES[height]}, ${POSE_NAMES[pose]}`,
          'Plumb line from the centreline to the nearest thing inboard of the wheel at this height.',
          [100, 1300],
        ),
      ),
      of(
        `room.out.${pose}.${side}`,
        `Arch lip, ${POSE_NAMES[pose]}`,
        'Plumb line from the centreline to the inner edge of the arch lip.',
        [200, 1500],
      ),
    ]),
    of(
      `room.lip.${side}`,
      'Arch lip above hub',
      'Hub centre straight up to the lip, at ride height.',
      [50, 900],
      { datum: 'hub centre', needsLevel: false },
    ),
  ];
}

const spring = builder('survey', 'Springs and mounts', { datum: 'none' });
const line = builder('survey', 'Driveline', { datum: 'none', instrument: 'caliper' });
const brakes = builder('survey', 'Brakes and studs', { datum: 'none', instrument: 'caliper' });

const SPRINGS: readonly Quantity[] = [
  spring(
    'spring.spacing',
    'Perch spacing',
    'Middle of the left spring seat to middle of the right one.',
    [300, 1800],
  ),
  spring('spring.width', 'Spring width', 'Across the leaf, or the coil’s outside.', [20, 250], {
    instrument: 'caliper',
  }),
  ...SIDES.map((side) =>
    spring(
      `spring.mount.${side}`,
      'Front mount',
      'Plumb line from the centreline to the middle of the front eye or link bolt.',
      [100, 1200],
      { side, datum: 'car centreline', needsLevel: true },
    ),
  ),
  spring('spring.bolt', 'Mount bolt as found', 'Shank of the eye or link bolt.', [5, 40], {
    instrument: 'caliper',
  }),
  spring('spring.hole', 'Mount hole as found', 'The hole it goes through; worn ones are oval.', [5, 60], {
    instrument: 'caliper',
  }),
  spring('spring.bump', 'Bump travel', 'From ride height until the stop touches.', [5, 300]),
  spring('spring.droop', 'Droop travel', 'From ride height until shock or strap holds.', [5, 400]),
  ...SIDES.map((side) =>
    spring(`shock.length.${side}`, 'Shock at ride', 'Mount to mount, car at ride height.', [100, 900], {
      side,
    }),
  ),
];

const LINE: readonly Quantity[] = [
  line(
    'line.shaft',
    'Driveshaft, joint to joint',
    'Joint centre to joint centre, car at ride height.',
    [200, 3000],
    { instrument: 'tape', later: 'the driveline' },
  ),
  line('line.tunnel', 'Tunnel room', 'Clear width of the tunnel at its narrowest.', [40, 600], {
    instrument: 'tape',
    later: 'the driveline',
  }),
  line('line.flangeBolts', 'Driveshaft flange bolts', 'Bolts in the driveshaft’s rear flange.', [2, 12], {
    unit: 'count',
    whole: true,
    instrument: 'count',
  }),
  line('line.flangePcd', 'Driveshaft flange PCD', 'Circle through its bolt centres.', [40, 200]),
  line('line.flangePilot', 'Driveshaft flange pilot', 'The register that centres it.', [20, 150]),
];

const BRAKES: readonly Quantity[] = [
  brakes('car.wheelHoles', 'Wheel holes', 'Bolt holes of the wheels to be used.', [3, 10], {
    unit: 'count',
    whole: true,
    instrument: 'count',
  }),
  brakes('car.wheelPcd', 'Wheel PCD', 'Circle through the hole centres.', [80, 260]),
  brakes('car.wheelBore', 'Wheel centre bore', 'The bore that sits on the pilot.', [40, 220]),
  brakes(
    'car.hoseReach',
    'Hose reach at full droop',
    'Body end of the hose to where the axle tee sits.',
    [50, 900],
    {
      instrument: 'tape',
    },
  ),
  brakes('car.cableReach', 'Parking-brake cable reach', 'Equaliser to where the lever sits.', [100, 3000], {
    instrument: 'tape',
    later: 'the build list',
  }),
];

/** Steepest slope that is taken for a reading, rad. */
const STEEP = 1.3;
const angle = (stage: 'survey' | 'donor', group: string) =>
  builder(stage, group, { unit: 'rad', instrument: 'angleGauge', datum: 'level' });
const onCar = angle('survey', 'Angles on the car');
const onDonor = angle('donor', 'Angles on the donor');
const slope = (make: ReturnType<typeof builder>, id: string, label: string, hint: string, side?: Side) =>
  make(id, label, hint, [-STEEP, STEEP], side ? { side } : {});

const CAR_ANGLES: readonly Quantity[] = [
  slope(onCar, 'angle.flat', 'Flat of the old casting', 'A machined flat of the axle in the car.'),
  slope(
    onCar,
    'angle.pinion',
    'Pinion slope',
    'Face of the pinion flange, turned to a slope; front higher is plus.',
  ),
  slope(onCar, 'angle.gearbox', 'Gearbox output slope', 'Output flange or pan rail; front higher is plus.'),
  slope(onCar, 'angle.shaft', 'Driveshaft slope', 'Along the driveshaft’s tube; front higher is plus.'),
  ...SIDES.map((side) =>
    slope(
      onCar,
      `angle.perch.${side}`,
      'Spring seat slope',
      'On the seat, spring off; front higher is plus.',
      side,
    ),
  ),
];

/** Angles of the donor on the bench, by the flat of its casting. */
export const DONOR_ANGLES: readonly Quantity[] = [
  slope(onDonor, 'donor.angle.flat', 'Flat of the donor casting', 'A machined flat, to zero the gauge on.'),
  slope(onDonor, 'donor.angle.pinion', 'Donor pinion slope', 'Face of the pinion flange, turned to a slope.'),
  ...SIDES.map((side) =>
    slope(onDonor, `donor.angle.perch.${side}`, 'Donor perch slope', 'On the perch as it came.', side),
  ),
];

/** What is read of the car after the axle in it, in walking order round the car. */
export const SURVEY_AFTER_AXLE: readonly Quantity[] = [
  ...room('left'),
  ...LINE,
  ...room('right'),
  ...SPRINGS,
  ...BRAKES,
  ...CAR_ANGLES,
];

/** Every angle that may be read against another instead of against level. */
export const ANGLE_IDS: readonly string[] = [...CAR_ANGLES, ...DONOR_ANGLES].map((q) => q.id);

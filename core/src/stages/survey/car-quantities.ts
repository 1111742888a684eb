import { SIDES } from '../../geometry';
import { quantities } from './headings';

const spring = quantities('springs', { datum: 'none', waitsOn: ['springs'] });
const line = quantities('line', { datum: 'none', instrument: 'caliper' });
const brakes = quantities('brakes', { datum: 'none', instrument: 'caliper' });

/** Springs, mounts and travel. */
export const SPRINGS = [
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
      waitsOn: ['springs', 'rideHeight'],
    }),
  ),
];

/** The driveshaft and its flange. */
export const LINE = [
  line(
    'line.shaft',
    'Driveshaft, joint to joint',
    'Joint centre to joint centre, car at ride height.',
    [200, 3000],
    { instrument: 'tape', waitsOn: ['gearbox', 'rideHeight'] },
  ),
  line('line.tunnel', 'Tunnel room', 'Clear width of the tunnel at its narrowest.', [40, 600], {
    instrument: 'tape',
  }),
  line('line.flangeBolts', 'Driveshaft flange bolts', 'Bolts in the driveshaft’s rear flange.', [2, 12], {
    unit: 'count',
    whole: true,
    instrument: 'count',
  }),
  line('line.flangePcd', 'Driveshaft flange PCD', 'Circle through its bolt centres.', [40, 200]),
  line('line.flangePilot', 'Driveshaft flange pilot', 'The register that centres it.', [20, 150]),
];

/** Wheels and brakes the car has. */
export const BRAKES = [
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

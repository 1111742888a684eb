import { quantities } from './headings';

const held = quantities('held', { instrument: 'chosen', datum: 'none' });
const leaf = quantities('leaf', { datum: 'none', waitsOn: ['springs'] });
const coil = quantities('coil', { datum: 'none', instrument: 'chosen', waitsOn: ['springs'] });
const moves = quantities('moves', { datum: 'axle centre', belongs: 'axle' });
const scales = quantities('scales', { unit: 'kg', instrument: 'scale', datum: 'none', waitsOn: ['load'] });
const lengths = quantities('scales', { datum: 'none' });

/** What is read and chosen of how the axle is held and sprung. */
export const MOTION_QUANTITIES = [
  held(
    'motion.bush',
    'Rate of a bushing',
    'How hard one end of a link gives along it; a rod end is some twenty times stiffer.',
    [50, 200_000],
    { unit: 'N/mm', fallback: { value: 3000, why: 'firm rubber in both ends of a link' } },
  ),
  held(
    'motion.rearBrake',
    'Rear share of braking',
    'Of the whole car’s braking, with the balance as it is set.',
    [0, 1],
    { unit: 'ratio', fallback: { value: 0.3, why: 'a usual saloon, brakes as they left the line' } },
  ),
  held(
    'motion.unsprung',
    'Axle with its wheels',
    'Housing, shafts, brakes, wheels and half of what joins it to the car.',
    [30, 900],
    {
      unit: 'kg',
      instrument: 'scale',
      fallback: { value: 110, off: 20, why: 'a usual live axle with its wheels' },
    },
  ),
  held(
    'motion.rollBar',
    'Anti-roll bar, for a degree',
    'What the rear bar turns against a degree of roll; nothing where there is none.',
    [0, 5000],
    { unit: 'Nm', fallback: { value: 0, why: 'no anti-roll bar at the rear' } },
  ),
  held(
    'motion.squatWanted',
    'Anti-squat wanted',
    'Share of the load transfer that the links take; 1 neither lifts nor squats.',
    [-1, 4],
    { unit: 'ratio' },
  ),
  held(
    'motion.wantedAlong',
    'Instant centre wanted, forward',
    'Ahead of the axle, where the side view’s links should meet.',
    [-6000, 12_000],
  ),
  held(
    'motion.wantedHeight',
    'Instant centre wanted, height',
    'Above the ground, where the side view’s links should meet.',
    [-1500, 3000],
  ),
  leaf(
    'leaf.front',
    'Front eye to the seat',
    'Along the spring, to the middle of the axle’s seat.',
    [200, 1200],
  ),
  leaf('leaf.rear', 'Seat to the rear eye', 'Along the spring, from the middle of the seat.', [200, 1200]),
  leaf('leaf.rate', 'Rate of one leaf spring', 'Both halves together, at the seat.', [2, 400], {
    unit: 'N/mm',
    instrument: 'seller',
  }),
  leaf(
    'leaf.eye',
    'Front eye above the axle',
    'Middle of the eye against the axle’s middle, car at ride height; minus where lower.',
    [-250, 250],
    { fallback: { value: 0, off: 25, why: 'eye and axle at one height' } },
  ),
  leaf('leaf.shackle', 'Shackle', 'Middle of its pivot to the middle of the rear eye.', [25, 400]),
  leaf(
    'leaf.shackleOff',
    'Shackle off plumb',
    'At ride height; the rear eye behind its pivot is plus.',
    [-1.5, 1.5],
    { unit: 'rad', instrument: 'angleGauge', needsLevel: true, waitsOn: ['springs', 'rideHeight'] },
  ),
  coil(
    'coil.rate',
    'Rate of one spring',
    'As its maker says; better as a press with a scale under it does.',
    [2, 600],
    {
      unit: 'N/mm',
      instrument: 'seller',
    },
  ),
  coil('coil.free', 'Free length of the spring', 'Off the car, nothing on it.', [80, 800], {
    instrument: 'tape',
  }),
  coil('coil.solid', 'Solid length of the spring', 'Every coil on the next.', [30, 600], {
    instrument: 'caliper',
  }),
  coil(
    'coil.over',
    'Damper’s body, outside',
    'The widest that the spring’s inside has to pass or to sit on: body, sleeve, seat.',
    [20, 200],
    { instrument: 'caliper' },
  ),
  coil(
    'coil.frequency',
    'Natural frequency wanted',
    'One corner of the body on its spring; 1.2 to 1.6 Hz rides on the road, 1.8 to 2.5 Hz is for the track.',
    [0.5, 5],
    { unit: 'Hz' },
  ),
  coil(
    'coil.seats',
    'Seats inside the eyes, wanted',
    'Of eye to eye at ride height, what the seats take with the adjuster in its middle.',
    [0, 500],
  ),
  coil('damper.closed', 'Damper closed', 'Eye to eye, pushed home without its bump rubber.', [120, 900], {
    instrument: 'tape',
  }),
  coil('damper.open', 'Damper open', 'Eye to eye, drawn out.', [150, 1300], { instrument: 'tape' }),
  moves(
    'body.casting',
    'Casting, reach from its middle',
    'From the axle’s middle line to the farthest of the casting above, below or before it; without cover and pinion.',
    [40, 320],
  ),
  moves(
    'body.cover',
    'Cover, reach behind',
    'From the axle’s middle line straight back to the farthest of the cover or the casting’s back.',
    [40, 420],
  ),
  moves(
    'body.yoke',
    'Pinion yoke or flange, across',
    'The widest that turns at the pinion’s nose, bolts in.',
    [40, 260],
    { instrument: 'caliper' },
  ),
  scales('scales.leftFront', 'Left front, level', 'Car level, driver and fuel in.', [20, 2500]),
  scales('scales.rightFront', 'Right front, level', 'Car level, driver and fuel in.', [20, 2500]),
  scales('scales.leftRear', 'Left rear, level', 'Car level, driver and fuel in.', [20, 2500]),
  scales('scales.rightRear', 'Right rear, level', 'Car level, driver and fuel in.', [20, 2500]),
  scales(
    'scales.raisedRear',
    'Both rear scales, front raised',
    'Springs held at ride length, front wheels on blocks, brakes off.',
    [50, 5000],
  ),
  lengths('scales.raisedBy', 'Front raised by', 'Height of the blocks under the front wheels.', [50, 1200]),
  scales(
    'scales.pressed',
    'Laid over the rear axle',
    'Mass put into the body right over the axle, in the car’s middle, to read what its springs give.',
    [10, 800],
  ),
  lengths(
    'scales.pressedBy',
    'Body goes down by',
    'Against the axle, under that mass; mean of both sides, shaken until it rests.',
    [1, 200],
  ),
  lengths('scales.trackFront', 'Front track', 'Tyre middle to tyre middle.', [800, 2400]),
] as const;

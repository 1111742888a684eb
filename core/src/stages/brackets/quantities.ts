import { SIDES } from '../../geometry';
import { quantities } from './headings';

const old = quantities('old', { datum: 'pinion axis' });
const perch = quantities('perch', { datum: 'none', instrument: 'caliper' });
const clamp = quantities('clamp', { datum: 'none', instrument: 'caliper' });
const brace = quantities('brace', { datum: 'none', instrument: 'caliper' });
const links = quantities('links', { datum: 'ground', waitsOn: ['rideHeight', 'springs'] });

/** What is read of the old axle, its springs and what clamps them. */
export const BRACKET_QUANTITIES = [
  ...SIDES.map((side) =>
    old(
      `old.casting.${side}`,
      'Old pinion axis to casting face',
      'On the axle that comes out: along the axle, to where the tube leaves the casting.',
      [20, 700],
      { side },
    ),
  ),
  ...SIDES.map((side) =>
    old(
      `old.tube.${side}`,
      'Old casting face to housing end',
      'Along the tube of the axle that comes out.',
      [50, 1200],
      { side, datum: 'casting face' },
    ),
  ),
  perch('perch.old', 'Old perch height', 'Tube’s skin to the spring seat, on the side it sat.', [0, 200]),
  perch(
    'perch.new',
    'New perch height',
    'Tube’s skin to the spring seat, of the perch to be fitted.',
    [0, 200],
  ),
  perch('perch.pack', 'Spring pack', 'Leaves, blocks and wedges between both seats, clamped.', [3, 250], {
    waitsOn: ['springs'],
  }),
  perch('perch.stopGap', 'Bump stop gap', 'Stop to where the axle meets it, car at ride height.', [0, 400], {
    instrument: 'tape',
    waitsOn: ['springs', 'rideHeight'],
  }),
  perch('perch.pin', 'Centre bolt’s head', 'Diameter of the head that locates the spring.', [3, 40]),
  perch('perch.pinHole', 'Hole in the new perch', 'The hole that the head goes into.', [3, 60]),
  perch(
    'perch.shift',
    'Axle moved by its plates',
    'How far forward of where the middle hole puts it the axle stands; back is minus. The centre bolt then sits in a hole as far behind the middle. Everything forward of the axle is read with it in the middle hole.',
    [-80, 80],
    { instrument: 'chosen', fallback: { value: 0, why: 'the middle hole' } },
  ),
  perch(
    'perch.archAhead',
    'Tyre to arch, ahead',
    'The tighter side; axle in the middle hole, at bump.',
    [0, 300],
    {
      instrument: 'tape',
    },
  ),
  perch(
    'perch.archBehind',
    'Tyre to arch, behind',
    'The tighter side; axle in the middle hole, at bump.',
    [0, 300],
    {
      instrument: 'tape',
    },
  ),
  clamp('clamp.bolt', 'U-bolt', 'Across the shank.', [5, 32]),
  clamp('clamp.plate', 'Spring plate', 'Thickness of the plate under the nuts.', [2, 50]),
  clamp('clamp.nut', 'Nut and washer', 'Height of both.', [3, 60]),
  clamp('clamp.proud', 'Thread beyond the nut', 'What should stand out when tight.', [0, 60], {
    instrument: 'chosen',
    fallback: { value: 6, why: 'three threads or more' },
  }),
  clamp('clamp.corner', 'Corner of a square bend', 'Radius along the middle of the bolt.', [3, 120]),
  clamp('clamp.legs', 'Hole spacing of the plate', 'Across the plate, U-bolt hole to U-bolt hole.', [20, 300]),
  links('link.low', 'Lower bolts at the axle', 'Their middle above the ground, car at ride height.', [60, 900]),
  links(
    'link.high',
    'Upper bolts at the axle',
    'Their middle above the ground, car at ride height.',
    [60, 1200],
  ),
  links('link.share', 'Share of the harder pulled side', 'Of the load of a pair of links.', [0.5, 1], {
    unit: 'ratio',
    instrument: 'chosen',
    datum: 'none',
    waitsOn: [],
    fallback: { value: 0.6, why: 'one side pulls harder at a launch' },
  }),
  brace('brace.outside', 'Brace tube outside', 'Of a tube that is notched to sit on the axle.', [10, 150]),
  brace('brace.wall', 'Brace tube wall', 'Its wall.', [0.5, 30]),
  brace(
    'brace.angle',
    'Brace to axle',
    'Between both axes; square on it is 90°.',
    [Math.PI / 12, Math.PI / 2],
    {
      unit: 'rad',
      instrument: 'angleGauge',
      fallback: { value: Math.PI / 2, why: 'square on the axle' },
    },
  ),
  brace('brace.offset', 'Brace beside the axle', 'Its axis beside the axle’s, forward plus.', [-80, 80], {
    instrument: 'chosen',
    fallback: { value: 0, why: 'its axis meets the axle’s' },
  }),
] as const;

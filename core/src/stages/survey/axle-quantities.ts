import { quantities } from './headings';

const oldAxle = quantities('axle');
const line = quantities('line');

/** The axle that is in the car. */
export const OLD_AXLE = [
  oldAxle(
    'survey.left',
    'Centreline to left WMS',
    'Plumb line from the car’s centreline to the left wheel face.',
    [200, 1400],
    { needsLevel: true },
  ),
  oldAxle(
    'survey.pinion',
    'Pinion axis',
    'From the car’s centreline to the pinion axis, plus to the left.',
    [-400, 400],
    { needsLevel: true },
  ),
  oldAxle('survey.tubeOd', 'Tube outside diameter', 'Across the axle tube, clear of welds.', [25, 200], {
    instrument: 'caliper',
    datum: 'none',
  }),
  oldAxle(
    'survey.right',
    'Centreline to right WMS',
    'Plumb line from the car’s centreline to the right wheel face.',
    [200, 1400],
    { needsLevel: true },
  ),
  oldAxle(
    'survey.width',
    'WMS width',
    'Wheel face to wheel face across the car, in one reading.',
    [400, 2800],
    { datum: 'left WMS' },
  ),
  line(
    'survey.gearbox',
    'Gearbox output',
    'From the car’s centreline to the output axis, plus to the left.',
    [-400, 400],
    { needsLevel: true, waitsOn: ['gearbox'] },
  ),
];

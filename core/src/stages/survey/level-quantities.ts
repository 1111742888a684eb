import { SIDES } from '../../geometry';
import { quantities } from './headings';

const floor = quantities('floor', { datum: 'level line' });
const height = quantities('level', { datum: 'floor' });
const square = quantities('square', { datum: 'hub centres' });

/** The corners of the car, in walking order. */
export const CORNERS = ['leftFront', 'rightFront', 'rightRear', 'leftRear'] as const;
export type Corner = (typeof CORNERS)[number];
const CORNER_NAMES: Readonly<Record<Corner, string>> = {
  leftFront: 'left front',
  rightFront: 'right front',
  rightRear: 'right rear',
  leftRear: 'left rear',
};

/** How high the body stands at its corners. */
export const SILLS = CORNERS.map((c) =>
  height(
    `level.height.${c}`,
    `Sill, ${CORNER_NAMES[c]}`,
    'Floor to the end of the sill at this corner, car on its wheels.',
    [60, 1200],
  ),
);

/** How the car stands. */
export const LEVEL = [
  ...CORNERS.map((c) =>
    floor(
      `level.floor.${c}`,
      `Floor, ${CORNER_NAMES[c]}`,
      'From a level line down to the floor under this tyre.',
      [0, 3000],
    ),
  ),
  ...SILLS,
  ...SIDES.map((side) =>
    square(
      `level.wheelbase.${side}`,
      `Wheelbase, ${side}`,
      'Front hub centre to rear hub centre on this side.',
      [1200, 5000],
    ),
  ),
  square(
    'level.sillLength',
    'Between the sill readings',
    'Along the car, from the front sill readings to the rear ones.',
    [400, 4000],
  ),
  square('level.track', 'Rear track', 'Tyre middle to tyre middle across the rear.', [800, 2500]),
  square('level.diagonal.leftFront', 'Diagonal, left front', 'Left front hub to right rear hub.', [1400, 6000]),
  square(
    'level.diagonal.rightFront',
    'Diagonal, right front',
    'Right front hub to left rear hub.',
    [1400, 6000],
  ),
];

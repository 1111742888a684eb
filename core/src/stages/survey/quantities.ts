import { CAR_ANGLES } from './angle-quantities';
import { OLD_AXLE } from './axle-quantities';
import { BRAKES, LINE, SPRINGS } from './car-quantities';
import { LEVEL } from './level-quantities';
import { room } from './room-quantities';

/** What is read of the car, in walking order round it. */
export const SURVEY_QUANTITIES = [
  ...LEVEL,
  ...OLD_AXLE,
  ...room('left'),
  ...LINE,
  ...room('right'),
  ...SPRINGS,
  ...BRAKES,
  ...CAR_ANGLES,
];

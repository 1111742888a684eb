import type { Figure } from '../../../measure';
import { asks } from '../../../stage';

/** Where the axle goes as the suspension moves: forward of ride height, mm, and its pinion turned, rad, nose up plus. */
export interface AxleAt {
  readonly forward: Figure;
  readonly turned: Figure;
}
export interface AxleTravel {
  readonly bump: AxleAt;
  readonly droop: AxleAt;
}

/** How the axle goes over its travel, once the suspension’s motion is known. */
export const axleTravel = asks<AxleTravel>('driveline.axleTravel');

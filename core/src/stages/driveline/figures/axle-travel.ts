import type { Figure } from '../../../measure';
import { asks, type PlaceId } from '../../../stage';
import type { Place } from '../line-at';

/** The pinion’s joint and axis where the suspension takes the axle. */
export interface PinionAt {
  /** Such as `bump` or `droopRoll`. */
  readonly end: string;
  readonly words: string;
  /** From the axle’s place at ride height. */
  readonly place: Place;
  /** rad, front higher +. */
  readonly slope: Figure;
  /** rad, rear further left +. */
  readonly plan: Figure;
}

/** The pinion over the axle’s travel: at every end of it, level and rolled, and turned by no more than its links turn it. */
export interface AxleTravel {
  /** With the pinion as it is set. */
  readonly rest: readonly PinionAt[];
  /** While it drives, its nose lifted. */
  readonly driving: readonly PinionAt[];
  /** How far the pinion turns, rad, nose up +, by the pose it does so in. */
  readonly turned: readonly Figure[];
  /** What holds all of it up: links are listed, but what they do is not known. */
  readonly lacks: readonly PlaceId[];
}

/** Where the axle takes its pinion over its travel, once the suspension’s motion is known. */
export const axleTravel = asks<AxleTravel>('driveline.axleTravel');

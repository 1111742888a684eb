import type { AnyCalculation } from '../stage';
import { centreOfGravityOf, leafOf, linkLoadsOf, solidAxleOf } from './motion';
import { carryOverOf, uBoltOf } from '../stages/brackets/calc/places';
import { notchOf, saddleOf, weldGroupOf } from '../stages/brackets/calc/shapes';
import { criticalSpeedOf, driveline, pinionSlopesOf } from '../stages/driveline/calc/driveline';
import { gearAdvice } from '../stages/gears/calc/advice';
import { straightLineRunOf } from '../stages/gears/calc/run';
import { shimKit } from '../stages/gears/calc/shims';

/** What can be asked for by itself. */
export const CALCULATIONS: readonly AnyCalculation[] = [
  driveline,
  criticalSpeedOf,
  pinionSlopesOf,
  straightLineRunOf,
  shimKit,
  gearAdvice,
  carryOverOf,
  uBoltOf,
  saddleOf,
  notchOf,
  weldGroupOf,
  solidAxleOf,
  linkLoadsOf,
  leafOf,
  centreOfGravityOf,
];
export type { AnyCalculation };

import type { AnyCalculation } from '../stage';
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
];
export type { AnyCalculation };

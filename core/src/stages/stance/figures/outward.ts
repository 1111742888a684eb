import type { Sided } from '../../../geometry';
import type { Maybe } from '../../../measure';
import { asks } from '../../../stage';
import type { StancePoseId } from '../poses';

/** How far its links take the axle outward of one side in each pose, mm. */
export type Outward = Readonly<Record<StancePoseId, Sided<Maybe>>>;

/** Where the axle goes sideways, once the suspension’s motion is known. */
export const outward = asks<Outward>('stance.outward');

import { computed, inject, type Signal } from '@angular/core';
import { JOINT_IDS, type JointId } from '@intervex/core';
import { ScreenState } from '../../stage/screen-state';

/** Before a joint was asked for. */
const FIRST: JointId = 'spline';

/** The joint that was asked for last on this screen. Call it where injection is possible. */
export function chosenJoint(): Signal<JointId> {
  const state = inject(ScreenState);
  return computed(() => JOINT_IDS.find((id) => state.place() === placeOf(id)) ?? FIRST);
}

/** The place of a joint, as a jump names it. */
export const placeOf = <J extends JointId>(id: J): `joint.${J}` => `joint.${id}`;

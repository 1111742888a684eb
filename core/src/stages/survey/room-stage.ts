import { type Side, SIDES } from '../../geometry';
import { derive, type Figure } from '../../measure';
import type { FigureOf } from '../../stage';
import type { survey } from './words';
import { POSES, ROOM_HEIGHTS, type Pose, type RoomHeight } from './room-quantities';

export type RoomInput = FigureOf<typeof survey>;

/** Room for a wheel on one side in one pose: from the nearest thing inboard to the arch lip. */
export interface RoomResult {
  readonly side: Side;
  readonly pose: Pose;
  /** Height at which the room is least. */
  readonly height: RoomHeight;
  /** mm; what wheel and tyre, with their clearances, have to fit into. */
  readonly width: Figure;
}

/** The least room per side and pose, where both the inboard readings and the arch lip are known. */
export function roomStage(of: RoomInput): readonly RoomResult[] {
  return SIDES.flatMap((side) =>
    POSES.flatMap((pose) => {
      const lip = of(`room.out.${pose}.${side}`);
      const widest = ROOM_HEIGHTS.flatMap((height) => {
        const figure = of(`room.in.${pose}.${height}.${side}`);
        return figure ? [{ height, figure }] : [];
      }).sort((a, b) => b.figure.value - a.figure.value)[0];
      if (!lip || !widest) return [];
      return [{ side, pose, height: widest.height, width: roomOf(side, pose, lip, widest.figure) }];
    }),
  );
}

function roomOf(side: Side, pose: Pose, lip: Figure, inboard: Figure): Figure {
  return derive({
    id: `room.${pose}.${side}`,
    label: `Wheel room, ${side}, ${pose === 'ride' ? 'ride height' : 'full bump'}`,
    unit: 'mm',
    formula: '{y_lip} − {y_in}',
    source: 'Arch lip less the furthest-out thing inboard, both from the centreline',
    inputs: { y_lip: lip, y_in: inboard },
  });
}

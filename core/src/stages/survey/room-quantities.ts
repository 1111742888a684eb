import { SIDES, type Side } from '../../geometry';
import { quantities } from './headings';

/** Where the car stands while the wheel room is read: at ride height, and with the axle at full bump. */
export const POSES = ['ride', 'bump'] as const;
export type Pose = (typeof POSES)[number];
const POSE_NAMES: Readonly<Record<Pose, string>> = { ride: 'ride', bump: 'full bump' };

/** Heights at which the wheel room is read, from below. */
export const ROOM_HEIGHTS = ['low', 'axle', 'top'] as const;
export type RoomHeight = (typeof ROOM_HEIGHTS)[number];
/** The rim’s bottom lies this share of the tyre’s radius below the hub. */
export const RIM_BOTTOM = 0.65;
const HEIGHT_NAMES: Readonly<Record<RoomHeight, string>> = {
  low: 'rim bottom',
  axle: 'axle height',
  top: 'tyre top',
};

/** Room round one wheel. */
export function room(side: Side) {
  const of = quantities(`room${side === 'left' ? 'Left' : 'Right'}`, {
    side,
    needsLevel: true,
    waitsOn: ['rideHeight'],
  });
  return [
    ...POSES.flatMap((pose) => [
      ...ROOM_HEIGHTS.map((height) =>
        of(
          `room.in.${pose}.${height}.${side}`,
          `Inboard at ${HEIGHT_NAMES[height]}, ${POSE_NAMES[pose]}`,
          'Plumb line from the centreline to the nearest thing inboard of the wheel at this height.',
          [100, 1300],
        ),
      ),
      of(
        `room.out.${pose}.${side}`,
        `Arch lip, ${POSE_NAMES[pose]}`,
        'Plumb line from the centreline to the inner edge of the arch lip.',
        [200, 1500],
      ),
    ]),
    of(
      `room.lip.${side}`,
      'Arch lip above hub',
      'Hub centre straight up to the lip, at ride height.',
      [50, 900],
      { datum: 'hub centre', needsLevel: false },
    ),
  ];
}

/** Which fact says what kind of thing stands inboard, by the reading that comes to it. */
const KIND_OF: ReadonlyMap<string, `room.kind.${RoomHeight}.${Side}`> = new Map(
  SIDES.flatMap((side) =>
    POSES.flatMap((pose) =>
      ROOM_HEIGHTS.map(
        (height) => [`room.in.${pose}.${height}.${side}`, `room.kind.${height}.${side}`] as const,
      ),
    ),
  ),
);

/**
 * The fact that says what kind of thing a reading of the wheel room comes to; undefined where it is the arch lip.
 *
 * @example roomKindOf('room.in.bump.top.left') // 'room.kind.top.left'
 */
export const roomKindOf = (place: string) => KIND_OF.get(place);

/** A reading of the room round a wheel. */
export type RoomId = ReturnType<typeof room>[number]['id'];

import type { Point, Shape } from '../../../drawing';
import { POSES, ROOM_HEIGHTS, RIM_BOTTOM, type Pose } from '../../survey/room-quantities';
import type { Reads } from '../node';
import type { Side } from '../../../geometry';

/** How far a lip is drawn up and out, and how thick what stands inboard, mm. */
export const LIP_UP = 70;
const LIP_OUT = 26;
const METAL = 3;
const THICK = 34;

export type At = (y: number, v: number) => Point;

/** What a thing inboard is called in the drawing, by what was seen. */
const THINGS: Readonly<Record<string, string>> = {
  rail: 'rail',
  spring: 'spring',
  arch: 'inner arch',
  shock: 'shock',
  exhaust: 'exhaust',
};

/** A word beside a thing of the room. */
interface RoomWord {
  readonly text: string;
  readonly at: Point;
}

/** Heights of the readings over hub height, mm. */
export const heightsOf = (radius: number) => ({ low: -RIM_BOTTOM * radius, axle: 0, top: radius });

/**
 * What stands beside a wheel, shaded and named: rail, spring, exhaust or arch inboard at ride height and dashed at full
 * bump, and the arch lip.
 */
export function roomShapes(r: Reads, side: Side, at: At, radius: number, bump: number): readonly Shape[] {
  return POSES.flatMap((pose): readonly Shape[] => [
    ...inboard(r, side, at, { pose, radius, lift: pose === 'bump' ? bump : 0 }),
    ...lip(r, side, at, pose, radius),
  ]);
}

interface Posed {
  readonly pose: Pose;
  readonly radius: number;
  readonly lift: number;
}

const places = (r: Reads, side: Side, { pose, radius, lift }: Posed) => {
  const heights = heightsOf(radius);
  return ROOM_HEIGHTS.flatMap((height) => {
    const y = r.figure(`room.in.${pose}.${height}.${side}`)?.value;
    return y === undefined ? [] : [{ height, y, v: heights[height] + lift }];
  });
};

function inboard(r: Reads, side: Side, at: At, posed: Posed): readonly Shape[] {
  const found = places(r, side, posed);
  const style = posed.pose === 'ride' ? 'room' : 'ghost';
  const name = posed.pose === 'ride' ? 'what stands inboard' : 'what stands inboard, full bump';
  const face = found.map(({ y, v }) => at(y, v));
  const back = found.map(({ y, v }) => at(y - THICK, v)).reverse();
  return [
    ...(found.length > 1
      ? [
          posed.pose === 'ride'
            ? { kind: 'outline' as const, style: 'room' as const, name, points: [...face, ...back] }
            : { kind: 'line' as const, style: 'ghost' as const, name, points: face },
        ]
      : []),
    ...found.map(({ height, y, v }): Shape => {
      return {
        kind: 'circle',
        style,
        centre: at(y, v),
        radius: 4,
        at: `room.in.${posed.pose}.${height}.${side}`,
      };
    }),
  ];
}

/** The lip belongs to the body: the axle comes up to it. */
function lip(r: Reads, side: Side, at: At, pose: Pose, radius: number): readonly Shape[] {
  const y = r.figure(`room.out.${pose}.${side}`)?.value;
  if (y === undefined) return [];
  const v = r.figure(`room.lip.${side}`)?.value ?? radius;
  const top = v + LIP_UP - 20;
  const edge: Point[] = [at(y, v), at(y, top), at(y + LIP_OUT, top)];
  if (pose === 'bump') return [{ kind: 'line', style: 'ghost', name: 'arch lip, full bump', points: edge }];
  return [
    {
      kind: 'outline',
      style: 'room',
      name: 'arch and its lip',
      at: `room.out.ride.${side}`,
      points: [...edge, at(y + LIP_OUT, top + METAL), at(y - METAL, top + METAL), at(y - METAL, v)],
    },
  ];
}

/** Names of what stands beside the wheel; `not seen what` where nobody has looked. */
export function roomWords(r: Reads, side: Side, at: At, radius: number): readonly RoomWord[] {
  const found = places(r, side, { pose: 'ride', radius, lift: 0 });
  const words = found.map(({ height, y, v }): RoomWord => {
    const seen = r.fact(`room.kind.${height}.${side}`)?.value ?? '';
    return { text: THINGS[seen] ?? 'not seen what', at: at(y - THICK - 4, v) };
  });
  const lipAt = r.figure(`room.out.ride.${side}`)?.value;
  const v = r.figure(`room.lip.${side}`)?.value ?? radius;
  return lipAt === undefined
    ? words
    : [...words, { text: 'arch', at: at(lipAt + LIP_OUT + 4, v + LIP_UP - 30) }];
}

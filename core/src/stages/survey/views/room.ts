import { optionText, valuesOf } from '../../../stage';
import { SURVEY_FACTS } from '../facts';
import { room } from '../figures/car';
import { node, type Reads } from '../node';
import { SIDES, type Side } from '../../../geometry';
import { POSES, ROOM_HEIGHTS, type Pose, type RoomHeight, RIM_BOTTOM } from '../room-quantities';
import type { Caption, Dimension, Point, Shape, View } from '../../../drawing';

/** Tyre while its diameter is not known, mm. */
const USUAL_TYRE = 620;
/** Bump travel while it is not known, mm. */
const USUAL_BUMP = 70;
/** Half-width of the drawing while nothing is read, mm. */
const EMPTY_HALF = 900;
/** Beyond the widest thing drawn: room for its dimension’s text, mm. */
const MARGIN = 260;
/** How far a lip is drawn out, mm. */
const LIP_OUT = 30;
/** From a thing to its name, mm. */
const NAME_GAP = 22;
/** How far a lip is drawn up, mm. */
const LIP = 90;

/**
 * Wheel room from behind, origin at hub height on the car’s centreline: what stands inboard at three heights, at
 * ride height and at full bump, and the arch lip.; what stands inboard is named where it is known.
 */
export const roomView = node('roomView', (r): View => {
  const of = valuesOf(r);
  const radius = (of('brief.tyreDiameter') ?? USUAL_TYRE) / 2;
  const bump = of('spring.bump') ?? USUAL_BUMP;
  const at: Readonly<Record<RoomHeight, number>> = { low: -RIM_BOTTOM * radius, axle: 0, top: radius };
  const lift: Readonly<Record<Pose, number>> = { ride: 0, bump };
  const shapes: Shape[] = [centreline(-radius, radius + bump + LIP)];
  for (const side of SIDES) {
    const place = placer(side);
    shapes.push(...wheelFace(of(`survey.${side}`), place, radius, side));
    for (const pose of POSES) {
      const points = ROOM_HEIGHTS.flatMap((height): Point[] => {
        const y = of(`room.in.${pose}.${height}.${side}`);
        return y === undefined ? [] : [place(y, at[height] + lift[pose])];
      });
      shapes.push(...edge(points, pose, `room.in.${pose}.axle.${side}`));
      shapes.push(...lip(of(`room.out.${pose}.${side}`), of(`room.lip.${side}`) ?? radius, place, pose, side));
    }
  }
  const reach = Math.max(
    EMPTY_HALF,
    ...SIDES.flatMap((s) => POSES.map((p) => (of(`room.out.${p}.${s}`) ?? 0) + MARGIN)),
  );
  const top = radius + bump + LIP;
  return {
    title: 'Rear view, wheel room',
    bounds: { left: -reach, right: reach, top, bottom: -radius },
    shapes,
    dimensions: dimensions(r, top, -radius),
    handles: [],
    captions: [
      { text: 'car centreline', at: [0, -radius + 8], anchor: 'start' },
      { text: 'LEFT', at: [-reach * 0.2, -radius * 0.3], anchor: 'middle' },
      { text: 'RIGHT', at: [reach * 0.2, -radius * 0.3], anchor: 'middle' },
      ...SIDES.flatMap((side) => names(side, r, at)),
    ],
  };
});

/** What stands inboard at each height, beside its reading, and the wheel face of the axle in the car. */
function names(side: Side, r: Reads, at: Readonly<Record<RoomHeight, number>>): Caption[] {
  const inward = side === 'left' ? 'start' : 'end';
  const inboard = ROOM_HEIGHTS.flatMap((height): Caption[] => {
    const y = r.figure(`room.in.ride.${height}.${side}`)?.value;
    const id = `room.kind.${height}.${side}` as const;
    const fact = r.fact(id);
    if (y === undefined || !fact) return [];
    const kind = SURVEY_FACTS.find((k) => k.id === id);
    return [{ text: optionText(kind, fact.value), at: placer(side)(y - NAME_GAP, at[height]), anchor: inward }];
  });
  const face = r.figure(`survey.${side}`)?.value;
  return face === undefined
    ? inboard
    : [...inboard, { text: 'WMS', at: placer(side)(face, at.low - 2 * NAME_GAP), anchor: 'middle' }];
}

type Place = (y: number, v: number) => Point;
const placer =
  (side: Side): Place =>
  (y, v) => [side === 'left' ? -y : y, v];

const centreline = (bottom: number, top: number): Shape => ({
  kind: 'line',
  style: 'centreline',
  points: [
    [0, bottom],
    [0, top],
  ],
});

/** What stands inboard, joined over the heights it was read at; a single reading is a point with a tick. */
function edge(points: readonly Point[], pose: Pose, at: string): Shape[] {
  const style = pose === 'ride' ? 'mark' : 'ghost';
  const dots = points.map((centre): Shape => ({ kind: 'circle', style, centre, radius: 7 }));
  return points.length < 2 ? dots : [{ kind: 'line', style, points, at }, ...dots];
}

function lip(y: number | undefined, v: number, place: Place, pose: Pose, side: Side): Shape[] {
  if (y === undefined) return [];
  const style = pose === 'ride' ? 'mark' : 'ghost';
  const points = [place(y, v), place(y, v + LIP), place(y + LIP_OUT, v + LIP)];
  return [{ kind: 'line', style, points, at: `room.out.${pose}.${side}` }];
}

function wheelFace(y: number | undefined, place: Place, radius: number, side: Side): Shape[] {
  if (y === undefined) return [];
  const points = [place(y, -radius * RIM_BOTTOM), place(y, radius * RIM_BOTTOM)];
  return [{ kind: 'line', style: 'axis', points, at: `survey.${side}` }];
}

function dimensions(r: Reads, top: number, bottom: number): Dimension[] {
  const rooms = r.of(room).flatMap(({ side, pose, height, width }): Dimension[] => {
    const lipAt = r.figure(`room.out.${pose}.${side}`)?.value;
    const inboard = r.figure(`room.in.${pose}.${height}.${side}`)?.value;
    if (lipAt === undefined || inboard === undefined) return [];
    const ends = [placer(side)(lipAt, top), placer(side)(inboard, top)].sort((a, b) => a[0] - b[0]);
    return [
      {
        id: width.id,
        label: width.label,
        from: ends[0] as Point,
        to: ends[1] as Point,
        row: pose === 'ride' ? 1 : 2,
        value: width.value,
        figureId: width.id,
        name: pose,
      },
    ];
  });
  const inboards = SIDES.flatMap((side): Dimension[] => {
    const id = `room.in.ride.axle.${side}` as const;
    const figure = r.figure(id);
    if (!figure) return [];
    const ends = [[0, bottom] as const, placer(side)(figure.value, bottom)].sort((a, b) => a[0] - b[0]);
    return [
      {
        id,
        label: figure.label,
        from: ends[0] as Point,
        to: ends[1] as Point,
        row: -1,
        value: figure.value,
        figureId: id,
        quantityId: id,
      },
    ];
  });
  return [...rooms, ...inboards];
}

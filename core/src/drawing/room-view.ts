import type { Results } from '../evaluate';
import { SIDES, type Side } from '../geometry';
import { factText, POSES, ROOM_HEIGHTS, type Fact, type Pose, type RoomHeight } from '../plan';
import { RIM_BOTTOM } from '../stages/stance';
import type { Caption, Dimension, Point, Shape, View } from './view';

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
 * ride height and at full bump, and the arch lip.
 *
 * @param facts what stands inboard is named where it is known
 */
export function roomView(results: Results, facts: Readonly<Record<string, Fact>> = {}): View {
  const of = (id: string) => results.known[id]?.figure.value;
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
    dimensions: dimensions(results, top, -radius),
    handles: [],
    captions: [
      { text: 'car centreline', at: [0, -radius + 8], anchor: 'start' },
      { text: 'LEFT', at: [-reach * 0.2, -radius * 0.3], anchor: 'middle' },
      { text: 'RIGHT', at: [reach * 0.2, -radius * 0.3], anchor: 'middle' },
      ...SIDES.flatMap((side) => names(side, of, facts, at)),
    ],
  };
}

/** What stands inboard at each height, beside its reading, and the wheel face of the axle in the car. */
function names(
  side: Side,
  of: (id: string) => number | undefined,
  facts: Readonly<Record<string, Fact>>,
  at: Readonly<Record<RoomHeight, number>>,
): Caption[] {
  const inward = side === 'left' ? 'start' : 'end';
  const inboard = ROOM_HEIGHTS.flatMap((height): Caption[] => {
    const y = of(`room.in.ride.${height}.${side}`);
    const id = `room.kind.${height}.${side}`;
    const fact = facts[id];
    if (y === undefined || !fact) return [];
    return [{ text: factText(id, fact.value), at: placer(side)(y - NAME_GAP, at[height]), anchor: inward }];
  });
  const face = of(`survey.${side}`);
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

function dimensions({ room, known }: Results, top: number, bottom: number): Dimension[] {
  const rooms = room.flatMap(({ side, pose, height, width }): Dimension[] => {
    const lipAt = known[`room.out.${pose}.${side}`]?.figure.value;
    const inboard = known[`room.in.${pose}.${height}.${side}`]?.figure.value;
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
    const id = `room.in.ride.axle.${side}`;
    const figure = known[id]?.figure;
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

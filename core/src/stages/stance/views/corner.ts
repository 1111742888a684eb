import { valuesOf, type Quantity } from '../../../stage';
import { BRIEF_QUANTITIES } from '../../brief/quantities';
import { stand } from '../../cut/figures/stand';
import { stance } from '../figures/stance';
import { node, type Reads } from '../node';
import { STANCE_QUANTITIES } from '../quantities';
import { bySide, sideName, type Side } from '../../../geometry';
import { restsOn } from '../../../measure';
import { MM_PER_INCH } from '../../../units';
import { POSES, ROOM_HEIGHTS, type Pose, RIM_BOTTOM } from '../../survey/room-quantities';
import { POSE_SHAPES } from '../poses';
import { tightest } from '../stance-checks';
import type { Dimension, MarkHandle, Point, Shape, View } from '../../../drawing';

const named = (id: string) => (q: Quantity) => q.id === id;
const OFFSET = STANCE_QUANTITIES.find(named('wheel.et')) as Quantity;
const WIDTH = BRIEF_QUANTITIES.find(named('brief.targetWidth')) as Quantity;

/** Tyre while its size is not known, mm. */
const USUAL_RADIUS = 310;
const USUAL_BUMP = 70;
/** Drawn of the car beside wheel and room, mm. */
const MARGIN = 46;
/** How far a lip is drawn up and out, mm. */
const LIP_UP = 70;
const LIP_OUT = 26;
/** Wall of a rim as drawn, mm. */
const RIM_WALL = 10;

/**
 * One rear corner from behind, origin at hub height on the car’s centreline: tyre on its rim, wheel face, what stands
 * inboard and the arch lip, at ride height and at full bump. Wheel and wheel face can be moved.; the gap with the least left over its own limit is the one that is dimensioned.
 */
function cornerOf(r: Reads, side: Side): View {
  const found = r.of(stance);
  const of = valuesOf(r);
  const radius = found.diameter ? found.diameter.value / 2 : USUAL_RADIUS;
  const bump = of('spring.bump') ?? USUAL_BUMP;
  const out = side === 'left' ? -1 : 1;
  const at = (y: number, v: number): Point => [out * y, v];
  const edges = found.edges?.[side];
  const shapes: Shape[] = [
    ...roomShapes(of, side, at, radius, bump),
    ...(edges ? wheelShapes(edges, found.tyre?.rim, at, radius, bump) : []),
    ...faceShapes(r, side, at, radius),
  ];
  const ys = shapes
    .flatMap((s) => (s.kind === 'circle' ? [s.centre[0]] : s.points.map((p) => p[0])))
    .map((u) => out * u);
  const [least, most] = ys.length ? [Math.min(...ys) - MARGIN, Math.max(...ys) + MARGIN] : [420, 860];
  const top = radius + bump + LIP_UP;
  return {
    title: `Rear view, ${side} corner`,
    bounds: {
      left: Math.min(out * least, out * most),
      right: Math.max(out * least, out * most),
      top,
      bottom: -radius,
    },
    shapes,
    dimensions: edges ? dimensionsOf(r, side, at, [top, -radius]) : [],
    handles: handlesOf(r, side, at, radius),
    captions: [
      {
        text: sideName(side).toUpperCase(),
        at: at(most - MARGIN, -radius + 10),
        anchor: side === 'left' ? 'end' : 'start',
      },
    ],
  };
}

type At = (y: number, v: number) => Point;

function roomShapes(
  of: (id: Parameters<Reads['figure']>[0]) => number | undefined,
  side: Side,
  at: At,
  radius: number,
  bump: number,
): Shape[] {
  const heights = { low: -RIM_BOTTOM * radius, axle: 0, top: radius };
  return POSES.flatMap((pose: Pose): Shape[] => {
    const lift = pose === 'bump' ? bump : 0;
    const style = pose === 'ride' ? 'mark' : 'ghost';
    const inboard = ROOM_HEIGHTS.flatMap((height): Point[] => {
      const y = of(`room.in.${pose}.${height}.${side}`);
      return y === undefined ? [] : [at(y, heights[height] + lift)];
    });
    const lip = of(`room.out.${pose}.${side}`);
    // The lip belongs to the body: the axle comes up to it.
    const v = of(`room.lip.${side}`) ?? radius;
    return [
      ...(inboard.length > 1
        ? [{ kind: 'line' as const, style: style as 'mark' | 'ghost', points: inboard }]
        : []),
      ...inboard.map((centre): Shape => ({ kind: 'circle', style, centre, radius: 4 })),
      ...(lip === undefined
        ? []
        : [
            {
              kind: 'line' as const,
              style: style as 'mark' | 'ghost',
              points: [at(lip, v), at(lip, v + LIP_UP - 20), at(lip + LIP_OUT, v + LIP_UP - 20)],
            },
          ]),
    ];
  });
}

interface Edges {
  readonly centre: number;
  readonly rimIn: number;
  readonly rimOut: number;
  readonly tyreIn: number;
  readonly tyreOut: number;
}

function wheelShapes(e: Edges, rim: number | undefined, at: At, radius: number, bump: number): Shape[] {
  const tyre = (lift: number): readonly Point[] =>
    rounded(e.tyreIn, e.tyreOut, -radius + lift, radius + lift, at);
  const r = rim === undefined ? radius * RIM_BOTTOM : (rim * MM_PER_INCH + RIM_WALL) / 2;
  const band = (v: number): Shape => ({
    kind: 'line',
    style: 'detail',
    points: [at(e.rimIn, v), at(e.rimOut, v)],
  });
  return [
    { kind: 'outline', style: 'ghost', points: tyre(bump) },
    { kind: 'outline', style: 'tyre', points: tyre(0) },
    {
      kind: 'outline',
      style: 'rim',
      points: [at(e.rimIn, -r), at(e.rimOut, -r), at(e.rimOut, r), at(e.rimIn, r)],
    },
    band(r - RIM_WALL),
    band(-r + RIM_WALL),
  ];
}

/** A tyre’s outline: its shoulders are cut off by a sixth of its width. */
function rounded(inner: number, outer: number, bottom: number, top: number, at: At): readonly Point[] {
  const c = (outer - inner) / 6;
  return [
    at(inner + c, bottom),
    at(outer - c, bottom),
    at(outer, bottom + c),
    at(outer, top - c),
    at(outer - c, top),
    at(inner + c, top),
    at(inner, top - c),
    at(inner, bottom + c),
  ];
}

/** Where the wheel’s face stands on one side, from the car’s centreline, mm. */
function faceOf(r: Reads, side: Side): number | undefined {
  const { half, offCentre } = r.of(stance);
  return half && half.value + (side === 'left' ? offCentre : -offCentre);
}

function faceShapes(r: Reads, side: Side, at: At, radius: number): Shape[] {
  const y = faceOf(r, side);
  if (y === undefined) return [];
  const brake = r.figure('brake.radius')?.value;
  const reach = radius * 0.32;
  return [
    { kind: 'line', style: 'flange', points: [at(y, -reach), at(y, reach)], at: 'brief.targetWidth' },
    { kind: 'line', style: 'axis', points: [at(y - 130, 0), at(y + 20, 0)] },
    ...(brake === undefined
      ? []
      : [
          {
            kind: 'outline' as const,
            style: 'detail' as const,
            points: [at(y - 58, -brake), at(y - 14, -brake), at(y - 14, brake), at(y - 58, brake)],
            at: 'brake.radius',
          },
        ]),
  ];
}

function dimensionsOf(r: Reads, side: Side, at: At, [top, bottom]: readonly [number, number]): Dimension[] {
  const found = r.of(stance);
  const edges = found.edges?.[side];
  const face = faceOf(r, side);
  if (!edges || face === undefined) return [];
  const between = (a: number, b: number, v: number) => {
    const ends = [at(a, v), at(b, v)].sort((p, q) => p[0] - q[0]) as [Point, Point];
    return { from: ends[0], to: ends[1] };
  };
  const gaps = (['inboard', 'outboard'] as const).flatMap((from): Dimension[] => {
    const worst = tightest(found.clearances, side, from, r.limit);
    const y = worst && r.figure(worst.place)?.value;
    if (!worst || y === undefined) return [];
    const edge = from === 'inboard' ? edges.tyreIn : edges.tyreOut;
    return [
      {
        id: worst.gap.id,
        label: worst.gap.label,
        ...between(y, edge, top),
        row: from === 'inboard' ? 1 : 2,
        value: worst.gap.value,
        figureId: worst.gap.id,
        name: `${from === 'inboard' ? 'in' : 'out'}, ${POSE_SHAPES[worst.pose].short}`,
      },
    ];
  });
  const { et, backspace } = found;
  return [
    ...gaps,
    ...(et
      ? [
          {
            id: `et.${side}`,
            label: `Offset, ${side}`,
            ...between(edges.centre, face, bottom),
            row: -1,
            value: et.value,
            figureId: et.id,
            quantityId: 'wheel.et',
            name: 'ET',
            signed: true,
          },
        ]
      : []),
    ...(backspace
      ? [
          {
            id: `backspace.${side}`,
            label: `Backspace, ${side}`,
            ...between(edges.rimIn, face, bottom),
            row: -2,
            value: backspace.value,
            figureId: backspace.id,
            name: 'backspace',
          },
        ]
      : []),
  ];
}

/** The wheel moves by its offset, the wheel face by the axle’s width; both sides move together. */
function handlesOf(r: Reads, side: Side, at: At, radius: number): MarkHandle[] {
  const found = r.of(stance);
  const edges = found.edges?.[side];
  const face = faceOf(r, side);
  const [et, width] = [r.figure('wheel.et')?.value, r.figure('brief.targetWidth')?.value];
  const out = side === 'left' ? -1 : 1;
  const handle = (
    { id, min, max }: Quantity,
    label: string,
    value: number,
    place: Point,
    direction: number,
  ): MarkHandle => {
    return { id: `${id}.${side}`, quantityId: id, label, at: place, value, min, max, direction };
  };
  return [
    ...(edges && et !== undefined
      ? [handle(OFFSET, `Wheel offset, ${side} wheel`, et, at(edges.centre, radius * 0.8), -out)]
      : []),
    ...(face !== undefined &&
    width !== undefined &&
    found.half &&
    restsOn(found.half).has('brief.targetWidth') &&
    !r.of(stand).by.left &&
    !r.of(stand).by.right
      ? [handle(WIDTH, `WMS width, ${side} wheel face`, width, at(face, -radius * 0.32), out / 2)]
      : []),
  ];
}

/** Both rear corners. */
export const cornerViews = node('cornerViews', (r) => bySide((side) => cornerOf(r, side)));

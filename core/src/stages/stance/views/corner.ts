import { valuesOf, type Quantity } from '../../../stage';
import { BRIEF_QUANTITIES } from '../../brief/quantities';
import { stand } from '../../cut/figures/stand';
import { stance } from '../figures/stance';
import { node, type Reads } from '../node';
import { STANCE_QUANTITIES } from '../quantities';
import { bySide, sideName, type Side } from '../../../geometry';
import { restsOn } from '../../../measure';
import { MM_PER_INCH } from '../../../units';
import { RIM_BOTTOM } from '../../survey/room-quantities';
import { POSE_SHAPES } from '../poses';
import { tightest } from '../stance-checks';
import type { Caption, Dimension, MarkHandle, Point, Shape, View } from '../../../drawing';
import type { Clearance } from '../stance-result';
import { heightsOf, LIP_UP, roomShapes, roomWords, type At } from './corner-room';
import { hubShapes, tyreSection, wheelShapes, type WheelEdges } from './wheel-section';

const named = (id: string) => (q: Quantity) => q.id === id;
const OFFSET = STANCE_QUANTITIES.find(named('wheel.et')) as Quantity;
const WIDTH = BRIEF_QUANTITIES.find(named('brief.targetWidth')) as Quantity;

/** Tyre while its size is not known, mm. */
const USUAL_RADIUS = 310;
const USUAL_BUMP = 70;
/** Wheel face while the width is not known, mm. */
const USUAL_FACE = 680;
/** Drawn of the car beside wheel and room, mm. */
const MARGIN = 46;
/**
 * One rear corner from behind in section, origin at hub height on the car’s centreline: tyre on its rim, disc, hub, rotor
 * and caliper; what stands inboard and the arch, at ride height and at full bump. Gaps are given where they are, the one
 * with the least left over its limit strong. Wheel and wheel face can be moved.
 */
function cornerOf(r: Reads, side: Side): View {
  const found = r.of(stance);
  const of = valuesOf(r);
  const radius = found.diameter ? found.diameter.value / 2 : USUAL_RADIUS;
  const bump = of('spring.bump') ?? USUAL_BUMP;
  const out = side === 'left' ? -1 : 1;
  const at = (y: number, v: number): Point => [out * y, v];
  const edges = found.edges?.[side];
  const section = edges && {
    edges,
    face: faceOf(r, side),
    radius,
    seat: found.tyre ? (found.tyre.rim * MM_PER_INCH) / 2 : radius * RIM_BOTTOM,
    brake: of('brake.radius'),
    at,
  };
  const shapes: Shape[] = [
    ...roomShapes(r, side, at, radius, bump),
    ...(section
      ? [
          {
            kind: 'outline' as const,
            style: 'ghost' as const,
            name: 'tyre, full bump',
            points: tyreSection(section, bump),
          },
          ...hubShapes(section),
          ...wheelShapes(section),
        ]
      : faceShape(r, side, at)),
    ...axisShape(r, side, at),
  ];
  const ys = shapes
    .flatMap((s) => (s.kind === 'circle' ? [s.centre[0]] : s.points.map((p) => p[0])))
    .map((u) => out * u);
  const [least, most] = ys.length ? [Math.min(...ys) - MARGIN, Math.max(...ys) + MARGIN] : [420, 860];
  const top = radius + bump + LIP_UP / 2;
  return {
    title: `Rear view, ${side} corner`,
    bounds: {
      left: Math.min(out * least, out * most),
      right: Math.max(out * least, out * most),
      top,
      bottom: -radius,
    },
    shapes,
    dimensions: edges ? dimensionsOf(r, side, at, -radius) : [],
    handles: handlesOf(r, side, at, radius),
    captions: [
      ...roomWords(r, side, at, radius).map(({ text, at: place }): Caption => {
        const inboard = out * place[0] < (faceOf(r, side) ?? USUAL_FACE);
        return { text, at: place, anchor: (side === 'left') === inboard ? 'start' : 'end' };
      }),
      {
        text: sideName(side).toUpperCase(),
        at: at(most - MARGIN, -radius + 10),
        anchor: side === 'left' ? 'end' : 'start',
      },
    ],
  };
}

/** Where the wheel’s face stands on one side, from the car’s centreline, mm. */
function faceOf(r: Reads, side: Side): number | undefined {
  const { half, offCentre } = r.of(stance);
  return half && half.value + (side === 'left' ? offCentre : -offCentre);
}

/** The axle’s axis through the wheel. */
function axisShape(r: Reads, side: Side, at: At): Shape[] {
  const y = faceOf(r, side);
  return y === undefined ? [] : [{ kind: 'line', style: 'axis', points: [at(y - 170, 0), at(y + 40, 0)] }];
}

/** The wheel face alone, while there is no wheel on it. */
function faceShape(r: Reads, side: Side, at: At): Shape[] {
  const y = faceOf(r, side);
  if (y === undefined) return [];
  return [{ kind: 'line', style: 'flange', points: [at(y, -72), at(y, 72)], at: 'brief.targetWidth' }];
}

function dimensionsOf(r: Reads, side: Side, at: At, bottom: number): Dimension[] {
  const found = r.of(stance);
  const edges = found.edges?.[side];
  const face = faceOf(r, side);
  if (!edges || face === undefined) return [];
  const between = (a: number, b: number, v: number) => {
    const ends = [at(a, v), at(b, v)].sort((p, q) => p[0] - q[0]) as [Point, Point];
    return { from: ends[0], to: ends[1] };
  };
  const gaps = gapDimensions(r, side, edges, between);
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
            fine: !et.byTape,
            figureId: et.id,
            quantityId: 'wheel.et',
            name: 'ET',
            inMm: true,
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
            fine: !backspace.byTape,
            figureId: backspace.id,
            name: 'backspace',
          },
        ]
      : []),
  ];
}

type Between = (a: number, b: number, v: number) => { readonly from: Point; readonly to: Point };

/** The tightest gap of each place beside the wheel, at its height; the one of each side that is judged strong. */
function gapDimensions(r: Reads, side: Side, edges: WheelEdges, between: Between): readonly Dimension[] {
  const found = r.of(stance);
  const radius = found.diameter ? found.diameter.value / 2 : USUAL_RADIUS;
  const bump = r.figure('spring.bump')?.value ?? USUAL_BUMP;
  const judged = (['inboard', 'outboard'] as const).map((from) =>
    tightest(found.clearances, side, from, r.limit),
  );
  const margin = (c: Clearance) => c.gap.value - r.limit(`stance.${c.limit}`).value;
  const worst = new Map<string, Clearance>();
  for (const c of found.clearances) {
    if (c.side !== side) continue;
    const before = worst.get(c.place);
    if (!before || margin(c) < margin(before)) worst.set(c.place, c);
  }
  return [...worst.values()].flatMap((c): Dimension[] => {
    const y = r.figure(c.place)?.value;
    if (y === undefined) return [];
    return [
      {
        id: c.gap.id,
        label: c.gap.label,
        ...between(
          y,
          c.from === 'inboard' ? edges.tyreIn : edges.tyreOut,
          heightOf(c.place, radius, bump, r.figure(`room.lip.${side}`)?.value),
        ),
        row: 0,
        value: c.gap.value,
        figureId: c.gap.id,
        name: POSE_SHAPES[c.pose].short,
        ...(judged.includes(c) ? { strong: true } : {}),
      },
    ];
  });
}

/** Height over the hub at which a place of the room was read, mm. */
function heightOf(place: string, radius: number, bump: number, lip: number | undefined): number {
  const [, from, pose, height] = place.split('.');
  const lift = pose === 'bump' ? bump : 0;
  if (from === 'out') return (lip ?? radius) + (pose === 'bump' ? LIP_UP / 3 : 6);
  const heights: Readonly<Record<string, number>> = heightsOf(radius);
  return (heights[height ?? ''] ?? 0) + lift;
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
      ? [handle(OFFSET, `Wheel offset, ${side} wheel`, et, at(edges.centre, radius * 0.96), -out)]
      : []),
    ...(face !== undefined &&
    width !== undefined &&
    found.half &&
    restsOn(found.half).has('brief.targetWidth') &&
    !r.of(stand).by.left &&
    !r.of(stand).by.right
      ? [handle(WIDTH, `WMS width, ${side} wheel face`, width, at(face, -84), out / 2)]
      : []),
  ];
}

/** Both rear corners. */
export const cornerViews = node('cornerViews', (r) => bySide((side) => cornerOf(r, side)));

import { patterns } from '../figures/patterns';
import { node } from '../node';
import { flangeShapes } from '../flange-shapes';
import type { JigShape } from '../jig';
import type { DrilledFace, Holes } from '../redrill';
import { formatAngle } from '../../../units';
import type { Caption, Point, Shape, ShapeStyle, View } from '../../../drawing';

const STYLES: Readonly<Record<JigShape['layer'], ShapeStyle>> = {
  outline: 'casting',
  locate: 'mark',
  drill: 'newHole',
  mark: 'detail',
  old: 'hole',
  keep: 'keep',
};
/** Room round the flange for its words, mm. */
const MARGIN = 12;

/** Shapes of jig or flange as a view. */
const drawn = (shape: JigShape): Shape => {
  const style = STYLES[shape.layer];
  if (shape.kind === 'circle') return { kind: 'circle', style, centre: shape.centre, radius: shape.radius };
  return { kind: shape.closed ? 'outline' : 'line', style, points: shape.points };
};

/**
 * The wheel flange seen from outside with its old holes, the new ones at their best clocking and what must stay
 * whole; undefined while its pattern is not known.
 */
export const flangeView = node('flangeView', (r): View | undefined => {
  const { face, redrill, same } = r.of(patterns);
  if (!face) return undefined;
  const shapes = [...flangeShapes(face, redrill?.clockRad).map(drawn), ...circlesOf(face, same === false)];
  const clock = same === false ? redrill?.clockRad : undefined;
  if (clock !== undefined) shapes.push(...clockShapes(face, clock));
  const reach = Math.max(face.rim ?? 0, face.old.pcd + face.old.hole, face.wanted.pcd + face.wanted.hole) / 2;
  const near = redrill && !redrill.possible;
  const captions: Caption[] = [
    {
      text: `${face.old.count} × {} there`,
      length: face.old.pcd,
      fine: true,
      at: [-reach - MARGIN, reach - 4],
      anchor: 'end',
    },
    ...(same === false
      ? [
          {
            text: `${face.wanted.count} × {} ${near ? 'runs into them' : 'new'}`,
            length: face.wanted.pcd,
            fine: true,
            at: [reach + MARGIN, reach - 4] as const,
            anchor: 'start' as const,
          },
        ]
      : []),
    ...numbersOf(face, clock),
  ];
  return {
    title: 'Wheel flange, from outside',
    bounds: { left: -2.4 * reach, right: 2.4 * reach, top: reach + MARGIN, bottom: -reach - MARGIN },
    shapes,
    dimensions: [
      {
        id: 'flange.old',
        label: 'Old circle',
        from: [-face.old.pcd / 2, 0],
        to: [face.old.pcd / 2, 0],
        row: 1,
        value: face.old.pcd,
        figureId: 'donor.flangePcd',
        fine: true,
        quantityId: 'donor.flangePcd',
        name: 'old',
      },
      {
        id: 'flange.new',
        label: 'New circle',
        from: [-face.wanted.pcd / 2, 0],
        to: [face.wanted.pcd / 2, 0],
        row: -1,
        value: face.wanted.pcd,
        figureId: 'car.wheelPcd',
        fine: true,
        quantityId: 'car.wheelPcd',
        name: 'wheel',
      },
    ],
    handles: [],
    captions,
  };
});

/** The circles the hole centres lie on. */
const circlesOf = ({ old, wanted }: DrilledFace, both: boolean): Shape[] => [
  { kind: 'circle', style: 'pitch', name: 'old circle', centre: [0, 0], radius: old.pcd / 2 },
  ...(both
    ? [
        {
          kind: 'circle' as const,
          style: 'pitch' as const,
          name: 'new circle',
          centre: [0, 0] as const,
          radius: wanted.pcd / 2,
        },
      ]
    : []),
];

/** Pieces an arc is drawn in. */
const ARC = 24;
const onCircle = (radius: number, angle: number): Point => [radius * Math.cos(angle), radius * Math.sin(angle)];

/** From the first old hole to the first new one, with the angle between them: how the jig is clocked. */
function clockShapes({ old, wanted }: DrilledFace, clock: number): Shape[] {
  const reach = Math.min(old.pcd, wanted.pcd) / 2 - Math.max(old.hole, wanted.hole);
  return [
    { kind: 'line', style: 'clock', name: 'clocking', points: [[0, 0], onCircle(old.pcd / 2, 0)] },
    { kind: 'line', style: 'clock', name: 'clocking', points: [[0, 0], onCircle(wanted.pcd / 2, clock)] },
    {
      kind: 'line',
      style: 'clock',
      name: `clocking, ${formatAngle(clock)}`,
      points: Array.from({ length: ARC + 1 }, (_, i) => onCircle(reach, (i * clock) / ARC)),
    },
  ];
}

/** Numbers of the holes, new ones first where both are drawn, and the angle they are clocked by. */
function numbersOf({ old, wanted }: DrilledFace, clock: number | undefined): readonly Caption[] {
  const numbered = ({ count, pcd, hole }: Holes, from: number, sign: string): Caption[] =>
    Array.from({ length: count }, (_, i) => {
      const [u, v] = onCircle(pcd / 2 + hole / 2 + NUMBER, from + (2 * Math.PI * i) / count);
      return { text: `${sign}${i + 1}`, at: [u, v - 3], anchor: 'middle' };
    });
  const reach = Math.min(old.pcd, wanted.pcd) / 2 - Math.max(old.hole, wanted.hole);
  return [
    ...(clock === undefined
      ? []
      : [{ text: formatAngle(clock), at: onCircle(reach * 0.7, clock / 2), anchor: 'middle' as const }]),
    ...(clock === undefined ? [] : numbered(wanted, clock, 'n')),
    ...numbered(old, 0, ''),
  ];
}

/** From a hole’s edge to its number, mm. */
const NUMBER = 5;

/** The jig as it will be cut, seen from outside; undefined where there is none. */
export const jigView = node('jigView', (r): View | undefined => {
  const { jig } = r.of(patterns);
  if (!jig) return undefined;
  const shapes = jig.shapes.map(drawn);
  const points = shapes.flatMap((s) =>
    s.kind === 'circle'
      ? [
          [s.centre[0] - s.radius, s.centre[1] - s.radius],
          [s.centre[0] + s.radius, s.centre[1] + s.radius],
        ]
      : s.points.map((p) => [...p]),
  );
  const [us, vs] = [points.map((p) => p[0] ?? 0), points.map((p) => p[1] ?? 0)];
  const [left, right, top, bottom] = [Math.min(...us), Math.max(...us), Math.max(...vs), Math.min(...vs)];
  return {
    title: 'Drilling jig, from outside',
    bounds: { left: left - MARGIN, right: right + MARGIN, top: top + MARGIN, bottom: bottom - MARGIN },
    shapes,
    dimensions: [],
    handles: [],
    captions: [],
  };
});

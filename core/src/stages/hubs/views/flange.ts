import { patterns } from '../figures/patterns';
import { node } from '../node';
import { flangeShapes } from '../flange-shapes';
import type { JigShape } from '../jig';
import type { Caption, Shape, ShapeStyle, View } from '../../../drawing';

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
  const shapes = flangeShapes(face, redrill?.clockRad).map(drawn);
  const reach = Math.max(face.rim ?? 0, face.old.pcd + face.old.hole, face.wanted.pcd + face.wanted.hole) / 2;
  const near = redrill && !redrill.possible;
  const captions: Caption[] = [
    {
      text: `${face.old.count} × {} there`,
      length: face.old.pcd,
      at: [-reach - MARGIN, reach - 4],
      anchor: 'end',
    },
    ...(same === false
      ? [
          {
            text: `${face.wanted.count} × {} ${near ? 'runs into them' : 'new'}`,
            length: face.wanted.pcd,
            at: [reach + MARGIN, reach - 4] as const,
            anchor: 'start' as const,
          },
        ]
      : []),
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
        quantityId: 'car.wheelPcd',
        name: 'wheel',
      },
    ],
    handles: [],
    captions,
  };
});

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

import { bar, type Caption, type Point, type Shape, type View } from '../../../drawing';
import { bySide, sideName, type Side } from '../../../geometry';
import { stand } from '../../cut/figures/stand';
import { shafts } from '../figures/shafts';
import { node, type Reads } from '../node';
import { shaftOrder } from '../shaft-order';
import { shaftDimensions } from './shaft-dimensions';
import { sizesOf, type Scene } from './shaft-scene';

/** Drawn where a size is not read, mm: a flange’s thickness; a body nobody has read. */
const FLANGE = 10;
const USUAL_BODY = 28;
/** Side gear over the spline’s diameter, and its hub. */
const GEAR = 1.55;
/** Lines that stand for teeth. */
const TEETH = 5;
/** Length of a pilot as drawn, mm. */
const PILOT = 8;

/**
 * The shaft of one side in its place, from behind: pinion axis at u = 0, wheel face outboard. Spline, clip groove, body,
 * journal and flange to scale, with the side gear it engages and the cross shaft; nothing while its length is not known.
 */
function shaftOf(r: Reads, side: Side, alone = false): View | undefined {
  const need = r.of(shafts).needs[side];
  const half = r.of(stand).half[side];
  if (!need || !half) return undefined;
  const d = side === 'left' ? -1 : 1;
  const [face, length] = [half.value, need.fitted.value];
  const inner = face - length;
  const sizes = sizesOf(r, side);
  const major = r.figure('donor.splineMajor')?.value ?? (sizes.body ?? USUAL_BODY) * 1.1;
  const rim = r.figure('donor.flangeRim')?.value ?? 150;
  const at = (from: number, to: number, diameter: number): readonly Point[] => bar(d * from, d * to, diameter);
  const scene: Scene = { r, side, d, at, face, inner, major, sizes, alone };
  const shapes: Shape[] = [
    ...(alone ? [axisShape(scene)] : gearShapes(scene)),
    ...barShapes(scene),
    ...flangeShapes(scene, rim),
  ];
  const left = Math.min(d * Math.min(-8, inner - 10), d * (face + 12));
  const right = Math.max(d * Math.min(-8, inner - 10), d * (face + 12));
  return {
    title: alone ? `${sideName(side)} shaft` : `${sideName(side)} shaft in its place`,
    bounds: { left, right, top: rim / 2, bottom: -rim / 2 },
    shapes,
    dimensions: shaftDimensions(scene, need.fitted),
    handles: [],
    captions: captionsOf(scene, rim),
  };
}

/** The shaft’s own axis. */
const axisShape = ({ d, inner, face }: Scene): Shape => ({
  kind: 'line',
  style: 'centreline',
  points: [
    [d * (inner - 10), 0],
    [d * (face + 12), 0],
  ],
});

function gearShapes({ r, side, at, major }: Scene): readonly Shape[] {
  const [gear, long] = [r.figure(`donor.sideGear.${side}`)?.value, r.figure('donor.sideGearSpline')?.value];
  const cross = r.figure('donor.crossShaft')?.value;
  const shapes: Shape[] = [];
  if (gear !== undefined && long !== undefined)
    shapes.push({
      kind: 'outline',
      style: 'gear',
      name: 'side gear’s spline',
      at: 'donor.sideGearSpline',
      points: at(gear, gear + long, major * GEAR),
    });
  if (cross !== undefined)
    shapes.push({
      kind: 'circle',
      style: 'casting',
      name: 'cross shaft',
      at: 'donor.crossShaft',
      centre: [0, 0],
      radius: cross / 2,
    });
  shapes.push({
    kind: 'line',
    style: 'centreline',
    name: 'pinion axis',
    points: [
      [0, -major],
      [0, major],
    ],
  });
  return shapes;
}

function barShapes({ side, at, face, inner, major, sizes, d }: Scene): readonly Shape[] {
  const { spline, journal, shoulder, width, line } = sizes;
  const body = sizes.body ?? USUAL_BODY;
  const shapes: Shape[] = [
    {
      kind: 'outline',
      style: sizes.body === undefined ? 'ghost' : 'shaft',
      name: sizes.body === undefined ? 'body, its diameter is not read' : 'body',
      points: at(inner + (spline ?? 0), face - FLANGE, body),
    },
  ];
  if (spline !== undefined) {
    shapes.push({
      kind: 'outline',
      style: 'spline',
      name: 'spline',
      at: `donor.shaftSpline.${side}`,
      points: at(inner, inner + spline, major),
    });
    for (let i = 1; i <= TEETH; i += 1) {
      const v = -major / 2 + (i * major) / (TEETH + 1);
      shapes.push({
        kind: 'line',
        style: 'detail',
        points: [
          [d * inner, v],
          [d * (inner + spline), v],
        ],
      });
    }
  }
  if (journal !== undefined && shoulder !== undefined)
    shapes.push({
      kind: 'outline',
      style: 'journal',
      name: 'bearing journal',
      at: 'donor.journal',
      points: at(face - shoulder - (width ?? 20), face - shoulder, journal),
    });
  if (line?.clipPlace !== undefined && line.clipWidth !== undefined)
    shapes.push({
      kind: 'outline',
      style: 'kerf',
      name: 'clip groove',
      at: 'shaft.clipPlace',
      points: at(
        inner + line.clipPlace - line.clipWidth,
        inner + line.clipPlace,
        line.clipDiameter ?? major * 0.8,
      ),
    });
  return shapes;
}

function flangeShapes({ r, at, face, d }: Scene, rim: number): readonly Shape[] {
  const { pcd, pilot } = r.of(shaftOrder).flange;
  const known = r.figure('donor.flangeRim') !== undefined;
  const studs = pcd === undefined ? [] : [pcd / 2, -pcd / 2];
  return [
    {
      kind: 'outline',
      style: known ? 'flange' : 'ghost',
      name: known ? 'wheel flange' : 'wheel flange, its diameter is not read',
      at: 'donor.flangeRim',
      points: at(face - FLANGE, face, rim),
    },
    ...(pilot === undefined
      ? []
      : [
          {
            kind: 'outline' as const,
            style: 'flange' as const,
            name: 'pilot',
            points: at(face, face + PILOT, pilot),
          },
        ]),
    ...studs.map((v): Shape => ({
      kind: 'line',
      style: 'centreline',
      name: 'stud circle',
      points: [
        [d * (face - FLANGE - 14), v],
        [d * (face + 10), v],
      ],
    })),
  ];
}

function captionsOf({ r, side, d, face, inner, major, sizes }: Scene, rim: number): readonly Caption[] {
  const { line, spline, body, journal, shoulder } = sizes;
  const middle = (inner + (spline ?? 0) + face - (shoulder ?? 0)) / 2;
  const word = (text: string, place: number, v: number, length?: number): Caption => ({
    text,
    at: [d * place, v],
    anchor: 'middle',
    ...(length === undefined ? {} : { length, fine: true }),
  });
  const teeth = line?.spline;
  return [
    word(sideName(side).toUpperCase(), middle, rim / 2 - 12),
    ...(teeth ? [word(`spline ${teeth}`, inner + (spline ?? 0) / 2, major * 0.95)] : []),
    ...(body === undefined
      ? [word('body not read', middle, major * 0.8)]
      : [word('⌀ {}', middle, major * 0.8, body)]),
    ...(journal === undefined || shoulder === undefined
      ? []
      : [word('journal ⌀ {}', face - shoulder - 10, major * 1.2, journal)]),
    ...(r.of(shaftOrder).flange.pcd === undefined
      ? []
      : [word('circle {}', face - 70, rim / 2 - 12, r.of(shaftOrder).flange.pcd)]),
  ];
}

/** The shafts that will run, each in its place; nothing while its length is not known. */
export const shaftViews = node('shaftViews', (r) => bySide((side) => shaftOf(r, side)));

/** The shafts that are ordered, as parts to be made. */
export const shaftPartViews = node('shaftPartViews', (r): readonly View[] =>
  r.of(shaftOrder).lines.flatMap(({ side }) => shaftOf(r, side, true) ?? []),
);

import { formatAngle } from '../../../units';
import type { Caption, Dimension, MarkHandle, Point, Shape, View } from '../../../drawing';
import { line } from '../figures/line';
import { atRest } from '../figures/motion';
import { shaftRoom } from '../figures/room';
import { runningSlope, setSlope, aimWay } from '../figures/slopes';
import type { Line, LineAt } from '../line-at';
import { node, type Reads } from '../node';
import { ahead, arc, axesOf, jointMarks, pointOf, rod, type Look } from './scene';

const USUAL_TUBE = 64;
const GEARBOX = { length: 300, height: 130 };
const CASTING = 105;
const PINION = 74;
/** How far the pinion may be dragged from level, rad. */
const STEEPEST = 0.3;

interface Scene {
  readonly r: Reads;
  readonly known: Line;
  readonly at: LineAt;
  /** At rest. */
  readonly slope: number;
  readonly look: Look;
  readonly joints: readonly Point[];
  readonly tube: number;
}

function sceneOf(r: Reads, look: Look): Scene | undefined {
  const [known, at, slope] = [r.of(line).line, r.of(atRest), r.of(setSlope)];
  if (!known || !at || !slope) return undefined;
  const places = [known.gearbox, ...(known.centre ? [known.centre] : []), at.pinion];
  return {
    r,
    known,
    at,
    slope: slope.value,
    look,
    joints: places.map((place) => pointOf(look, place)),
    tube: r.figure('drive.outside')?.value ?? USUAL_TUBE,
  };
}

/** The axle’s centre on the picture. */
const axleOf = ({ known, look }: Scene): Point =>
  look === 'side' ? [0, known.axleHeight.value] : [0, -known.pinionSide.value];

function bodies(scene: Scene): Shape[] {
  const { known, joints, tube, look, slope } = scene;
  const axle = axleOf(scene);
  const first = joints[0] as Point;
  const rise = look === 'side' ? known.gearboxSlope.value : known.gearboxPlan.value;
  const foot = pinionFoot(scene);
  const shafts = joints.slice(1).map((to, i): Shape => ({
    kind: 'outline',
    style: 'tube',
    points: rod(joints[i] as Point, to, tube),
    name: joints.length > 2 ? (i === 0 ? 'front driveshaft' : 'rear driveshaft') : 'driveshaft',
    at: 'drive.outside',
  }));
  const axleBody: Shape =
    look === 'side'
      ? { kind: 'circle', style: 'casting', centre: axle, radius: CASTING, name: 'axle casting' }
      : {
          kind: 'outline',
          style: 'casting',
          points: rod([0, axle[1] - 190], [0, axle[1] + 190], 84),
          name: 'axle',
        };
  return [
    {
      kind: 'outline',
      style: 'casting',
      points: rod(first, ahead(first, rise, GEARBOX.length), GEARBOX.height),
      name: `gearbox, ${formatAngle(known.gearboxSlope.value)}`,
    },
    axleBody,
    {
      kind: 'outline',
      style: 'flange',
      points: rod(foot, joints.at(-1) as Point, PINION),
      name: `pinion, ${formatAngle(slope)} at rest`,
      at: 'drive.slope',
    },
    ...shafts,
  ];
}

/** Where the pinion’s axis passes the axle’s centre. */
function pinionFoot({ known, slope, look }: Scene): Point {
  const d = known.drop.value;
  return look === 'side'
    ? [-d * Math.sin(slope), known.axleHeight.value - d * Math.cos(slope)]
    : [0, -known.pinionSide.value];
}

/** Where the fan of slopes stands behind the axle, mm from the pinion’s foot. */
const FAN = { from: 300, to: 620, pointer: 660 };

/** Slopes that are allowed, as a scale behind the axle on which the pinion’s own axis points. */
function fan(scene: Scene): Shape[] {
  const { r, slope } = scene;
  const centre = pinionFoot(scene);
  const allowed = (r.of(aimWay)?.allowed ?? []).map(([from, to]): Shape => ({
    kind: 'outline',
    style: 'window',
    points: [...arc(centre, from, to, -FAN.from), ...arc(centre, to, from, -FAN.to)],
    name: `allowed at rest, ${formatAngle(from)} to ${formatAngle(to)}`,
  }));
  return [
    ...allowed,
    {
      kind: 'line',
      style: 'mark',
      points: [centre, ahead(centre, slope, -FAN.pointer)],
      name: `pinion’s axis, ${formatAngle(slope)}`,
    },
  ];
}

/** Ends of what is allowed, where the fan stands. */
function fanWords(scene: Scene): Caption[] {
  const allowed = scene.r.of(aimWay)?.allowed ?? [];
  const [first, last] = [allowed[0], allowed.at(-1)];
  if (!first || !last) return [];
  const centre = pinionFoot(scene);
  const at = (slope: number, v: number): Point => {
    const [u, y] = ahead(centre, slope, -FAN.to);
    return [u, y + v];
  };
  return [
    { text: `allowed ${formatAngle(first[0])}`, at: at(first[0], 46), anchor: 'end' },
    { text: `to ${formatAngle(last[1])}`, at: at(last[1], -62), anchor: 'end' },
  ];
}

function ground(scene: Scene): Shape[] {
  const { known, joints } = scene;
  const left = (joints[0] as Point)[0] - GEARBOX.length;
  return [
    {
      kind: 'line',
      style: 'axis',
      points: [
        [left, 0],
        [known.axleHeight.value, 0],
      ],
      name: 'ground',
    },
    {
      kind: 'circle',
      style: 'ghost',
      centre: [0, known.axleHeight.value],
      radius: known.axleHeight.value,
      name: 'wheel',
    },
  ];
}

function over({ r }: Scene): Shape[] {
  return r.of(shaftRoom).over.map(({ along, under, name }): Shape => ({
    kind: 'outline',
    style: 'room',
    points: [
      [-along - 60, under],
      [-along + 60, under],
      [-along + 60, under + 24],
      [-along - 60, under + 24],
    ],
    name,
  }));
}

/** How the pinion stands while it drives. */
function underLoad(scene: Scene): Shape[] {
  const running = scene.r.of(runningSlope);
  if (!running || Math.abs(running.value - scene.slope) < 1e-6) return [];
  const from = pinionFoot(scene);
  return [
    {
      kind: 'line',
      style: 'ghost',
      points: [from, ahead(from, running.value, scene.known.nose.value * 1.5)],
      name: `pinion while it drives, ${formatAngle(running.value)}`,
    },
  ];
}

function dimensionsOf({ at, known, joints, look }: Scene): Dimension[] {
  const rows = at.shafts.map(({ length }, i): Dimension => ({
    id: length.id,
    label: length.label,
    from: joints[i] as Point,
    to: joints[i + 1] as Point,
    row: 1,
    value: length.value,
    figureId: length.id,
    fine: !length.byTape,
    ...(at.shafts.length > 1 ? { name: i === 0 ? 'front' : 'rear' } : {}),
  }));
  if (look === 'plan') return [];
  const { along } = known.gearbox;
  return [
    ...rows,
    {
      id: along.id,
      label: along.label,
      from: joints[0] as Point,
      to: [0, known.axleHeight.value],
      row: -1,
      value: along.value,
      figureId: along.id,
      quantityId: 'drive.along',
      fine: !along.byTape,
    },
  ];
}

function handlesOf(scene: Scene): MarkHandle[] {
  const { slope, known, joints, r } = scene;
  // Once it is welded there is nothing to drag.
  if (r.figure('bench.welded')) return [];
  return [
    {
      quantityId: 'drive.slope',
      label: 'Pinion slope to set',
      at: joints.at(-1) as Point,
      value: slope,
      min: -STEEPEST,
      max: STEEPEST,
      direction: known.nose.value * Math.cos(slope),
      up: true,
      unit: 'rad',
    },
  ];
}

function captionsOf(scene: Scene): Caption[] {
  const { known, slope, joints, r } = scene;
  const running = r.of(runningSlope);
  const first = joints[0] as Point;
  const drives =
    running && Math.abs(running.value - slope) > 1e-6 ? `, ${formatAngle(running.value)} driving` : '';
  return [
    {
      text: `gearbox ${formatAngle(known.gearboxSlope.value)}`,
      at: [first[0] - GEARBOX.length, first[1] + GEARBOX.height * 0.75],
      anchor: 'start',
    },
    {
      text: `pinion ${formatAngle(slope)}${drives}`,
      at: [60, known.axleHeight.value + CASTING + 46],
      anchor: 'middle',
    },
  ];
}

/** The driveline from the car’s left side, to scale: angles, what is allowed, what stands over it. */
export const sideView = node('sideView', (r): View | undefined => {
  const scene = sceneOf(r, 'side');
  if (!scene) return undefined;
  const { joints, known, at, slope } = scene;
  const marks = jointMarks(
    'side',
    joints,
    axesOf(known, at, slope),
    at.joints.map((j) => j.value),
  );
  const left = (joints[0] as Point)[0] - GEARBOX.length;
  const top = Math.max(...joints.map(([, v]) => v), known.axleHeight.value + CASTING) + 110;
  return {
    title: 'Driveline from the left',
    bounds: { left: left - 20, right: FAN.pointer + 30, top, bottom: -25 },
    shapes: [
      ...ground(scene),
      ...fan(scene),
      ...over(scene),
      ...bodies(scene),
      ...underLoad(scene),
      ...marks.shapes,
    ],
    dimensions: dimensionsOf(scene),
    handles: handlesOf(scene),
    captions: [...captionsOf(scene), ...fanWords(scene), ...marks.captions],
  };
});

/** The driveline from above, to scale. */
export const planView = node('planView', (r): View | undefined => {
  const scene = sceneOf(r, 'plan');
  if (!scene) return undefined;
  const { joints, known, at, slope } = scene;
  const marks = jointMarks(
    'plan',
    joints,
    axesOf(known, at, slope),
    at.joints.map((j) => j.value),
  );
  const left = (joints[0] as Point)[0] - GEARBOX.length;
  return {
    title: 'Driveline from above',
    bounds: { left: left - 20, right: 340, top: 215, bottom: -215 },
    shapes: [
      {
        kind: 'line',
        style: 'centreline',
        points: [
          [left, 0],
          [320, 0],
        ],
        name: 'centreline of the car',
      },
      ...bodies(scene),
      ...marks.shapes,
    ],
    dimensions: dimensionsOf(scene),
    handles: [],
    captions: [
      { text: 'LEFT', at: [left + 10, -190], anchor: 'start' },
      { text: 'RIGHT', at: [left + 10, 178], anchor: 'start' },
      ...sides(scene),
    ],
  };
});

/** How far gearbox and pinion lie from the centreline. */
function sides({ known, joints }: Scene): Caption[] {
  const said = (what: string, value: number, [u]: Point, v: number): Caption => ({
    text: Math.abs(value) < 0.05 ? `${what} in the middle` : `{} ${value > 0 ? 'left' : 'right'}`,
    length: Math.abs(value),
    at: [u, v],
    anchor: 'middle',
  });
  return [
    said('gearbox', known.gearbox.side.value, joints[0] as Point, 150),
    said('pinion', known.pinionSide.value, joints.at(-1) as Point, 150),
  ];
}

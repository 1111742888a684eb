import type { Figure } from '../../../measure';
import { valuesOf } from '../../../stage';
import { axle } from '../../donor/figures/axle';
import type { EndsResult } from '../ends-stage';
import { ends } from '../figures/ends';
import { marks } from '../figures/marks';
import { school } from '../figures/schools';
import { stand } from '../figures/stand';
import type { MarksResult } from '../marks-result';
import { node, type Reads } from '../node';
import type { StandResult } from '../stand-stage';
import { SIDES, type Side } from '../../../geometry';
import { castingRadius, castingShapes } from '../../donor/views/casting';
import { across, donorHalves, flange, USUAL_TUBE } from '../../donor/views/donor-parts';
import { markHandles } from './mark-handle';
import type { SchoolPlan } from '../school-stage';
import type { SideMarks } from '../marks-result';
import type { CutMethod } from '../choices';
import {
  bar,
  upright,
  type Caption,
  type Dimension,
  type MarkHandle,
  type Shape,
  type View,
} from '../../../drawing';

/** Half of one side as it is drawn: as measured after the work, else as planned. */
const halfNow = ({ now, plan }: Scene, side: Side): number =>
  (now.by[side] ? now.half[side] : plan?.half[side])?.value ?? 0;

interface Scene {
  readonly now: StandResult;
  readonly marks: MarksResult['marks'];
  readonly ends: EndsResult;
  /** Middle of the donor’s own width. */
  readonly donorMiddle: Figure | undefined;
  readonly plan: SchoolPlan | undefined;
  readonly od: number;
  readonly of: (id: Parameters<Reads['figure']>[0]) => number | undefined;
}

/**
 * Rear view, from behind the car, origin at the pinion axis: the donor as a ghost, the result over it, cut
 * marks and slug on the tube.
 */
export const rearView = node('rearView', (r): View => {
  const of = valuesOf(r);
  const [plan, method] = [r.of(school), r.choice('method')];
  const scene: Scene = {
    now: r.of(stand),
    marks: r.of(marks).marks,
    ends: r.of(ends),
    donorMiddle: r.of(axle).pinion,
    plan,
    of,
    od: of('donor.tubeOd') ?? USUAL_TUBE,
  };
  const reach = SIDES.map((side) => Math.max(of(`donor.half.${side}`) ?? 0, plan?.half[side].value ?? 0, 100));
  const tall = Math.max(scene.od * 2, castingRadius(scene.of, scene.od) + 10);
  return {
    title: 'Rear view, result over donor',
    bounds: { left: -(reach[0] ?? 0), right: reach[1] ?? 0, top: tall, bottom: -tall },
    shapes: [...SIDES.flatMap((side) => sideShapes(scene, side)), ...middleShapes(scene, tall)],
    dimensions: dimensions(scene),
    handles: plan ? SIDES.flatMap((side) => handles(scene, side, method)) : [],
    captions: captions(scene, tall),
  };
});

function middleShapes({ of, od, plan, donorMiddle }: Scene, tall: number): Shape[] {
  const shapes = castingShapes(of, od);
  const middle = plan ? plan.pinion.value : donorMiddle?.value;
  if (middle !== undefined) shapes.push(upright('centreline', middle, tall));
  return shapes;
}

function sideShapes(scene: Scene, side: Side): Shape[] {
  const { of, od, plan } = scene;
  const H = of(`donor.half.${side}`);
  const K = of(`donor.casting.${side}`);
  const T = of(`donor.tube.${side}`);
  if (H === undefined) return [];
  const shapes: Shape[] = [flange('ghost', side, H, od * 2.2, `donor.half.${side}`)];
  const end = K !== undefined && T !== undefined ? K + T : undefined;
  if (end !== undefined && K !== undefined) {
    shapes.push({
      kind: 'outline',
      style: 'ghost',
      points: bar(across(side, K), across(side, end), od),
      at: `donor.tube.${side}`,
    });
    shapes.push(flange('ghost', side, end, od * 1.5, `donor.brakeSpace.${side}`));
  }
  if (!plan || plan.work[side] === 'widen') return shapes;
  const half = halfNow(scene, side);
  if (end !== undefined && K !== undefined) {
    const tube = scene.now.tube[side]?.value;
    const newEnd = tube === undefined ? end - plan.cut[side].value : K + tube;
    if (newEnd <= K) return shapes;
    shapes.push({
      kind: 'outline',
      style: 'shaft',
      points: bar(across(side, newEnd), across(side, half), od * 0.42),
    });
    shapes.push({
      kind: 'outline',
      style: 'tube',
      points: bar(across(side, K), across(side, newEnd), od),
      at: `donor.tube.${side}`,
    });
    shapes.push(...slugShapes(scene.marks[side], side, K, od));
    shapes.push(flange('flange', side, newEnd, od * 1.5, `donor.brakeSpace.${side}`));
  } else {
    shapes.push({ kind: 'outline', style: 'shaft', points: bar(0, across(side, half), od * 0.42) });
  }
  shapes.push(flange('flange', side, half, od * 2.2, `donor.half.${side}`));
  return shapes;
}

function slugShapes(marks: SideMarks | undefined, side: Side, K: number, od: number): Shape[] {
  if (!marks) return [];
  const u = [marks.inner, marks.outer].map((m) => across(side, K + m.fromCasting.value)) as [number, number];
  const line = (at: number) => upright('mark', at, od * 0.75, `cut.mark.${side}`);
  return [
    { kind: 'outline', style: 'slug', points: bar(u[0], u[1], od), at: `cut.mark.${side}` },
    line(u[0]),
    line(u[1]),
  ];
}

function dimensions(scene: Scene): Dimension[] {
  const { plan, od, of } = scene;
  if (!plan) return donorHalves(of, od);
  const { now } = scene;
  const [L, R] = SIDES.map((side) => halfNow(scene, side)) as [number, number];
  const measured = now.by.left ?? now.by.right;
  const width = (measured ? now.width : undefined) ?? plan.width;
  const idOf = (side: Side) => ((now.by[side] ? now.half[side] : undefined) ?? plan.half[side]).id;
  const top = od * 1.1;
  const list: Dimension[] = [
    {
      id: 'width',
      label: 'WMS width',
      from: [-L, top],
      to: [R, top],
      row: 2,
      value: width.value,
      figureId: width.id,
      ...(measured ? {} : { quantityId: 'brief.targetWidth' }),
    },
    {
      id: 'half.left',
      label: 'New half, left',
      from: [-L, top],
      to: [0, 0],
      row: 1,
      value: L,
      figureId: idOf('left'),
    },
    {
      id: 'half.right',
      label: 'New half, right',
      from: [0, 0],
      to: [R, top],
      row: 1,
      value: R,
      figureId: idOf('right'),
    },
  ];
  for (const side of SIDES) {
    const H = scene.ends.half[side]?.value;
    const K = of(`donor.casting.${side}`);
    const drawn = scene.marks[side];
    if (H !== undefined && plan.work[side] !== 'leave')
      list.push({
        id: `cut.${side}`,
        label: `Cut, ${side}`,
        from: [across(side, H), -top],
        to: [across(side, plan.half[side].value), -top],
        row: -3,
        value: Math.abs(plan.cut[side].value),
        figureId: plan.cut[side].id,
        name: plan.cut[side].value < 0 ? 'to add' : 'comes off',
      });
    if (!drawn || K === undefined) continue;
    const [inner, outer] = [K + drawn.inner.fromCasting.value, K + drawn.outer.fromCasting.value];
    list.push(
      {
        id: `mark.${side}`,
        label: `Inner mark from the casting, ${side}`,
        from: [across(side, K), -od / 2],
        to: [across(side, inner), -od / 2],
        row: -2,
        value: drawn.inner.fromCasting.value,
        figureId: drawn.inner.fromCasting.id,
        quantityId: `cut.mark.${side}`,
      },
      {
        id: `spacing.${side}`,
        label: `Between the marks, ${side}`,
        from: [across(side, inner), -od / 2],
        to: [across(side, outer), -od / 2],
        row: -1,
        value: drawn.spacing.value,
        figureId: drawn.spacing.id,
      },
    );
  }
  return list;
}

function handles({ marks: found, of, od }: Scene, side: Side, method: CutMethod): readonly MarkHandle[] {
  const K = of(`donor.casting.${side}`);
  if (K === undefined) return [];
  const place = { side, method, casting: across(side, K), v: od * 0.75 };
  return markHandles(found[side], { outboard: side === 'left' ? -1 : 1, ...place });
}

function captions({ plan, of }: Scene, tall: number): Caption[] {
  const place = (side: Side) => across(side, (of(`donor.half.${side}`) ?? 600) * 0.72);
  const list: Caption[] = [
    { text: 'LEFT', at: [place('left'), tall * 0.62], anchor: 'middle' },
    { text: 'RIGHT', at: [place('right'), tall * 0.62], anchor: 'middle' },
  ];
  if (plan)
    list.push({
      text: 'car centreline',
      at: [plan.pinion.value + (of('stance.offCentre') ?? 0), -tall],
      anchor: 'start',
    });
  return list;
}

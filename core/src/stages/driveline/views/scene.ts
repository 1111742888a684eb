import { formatAngle } from '../../../units';
import type { Caption, Point, Shape } from '../../../drawing';
import type { Axis } from '../../../mechanics';
import type { Line, LineAt } from '../line-at';

/** One of the two ways a driveline is looked at: from its left side, or from above. */
export type Look = 'side' | 'plan';

/** A place of the driveline on the picture: forward to the left; from above, the car’s left below. */
export const pointOf = (look: Look, { along, side, height }: Line['gearbox']): Point => [
  -along.value,
  look === 'side' ? height.value : -side.value,
];

/** Slope of an axis on the picture: how much it rises to the left. */
const riseOf = (look: Look, axis: Axis): number => (look === 'side' ? axis.slope : axis.plan);

/** Along an axis from a place, forward. */
export const ahead = ([u, v]: Point, rise: number, far: number): Point => [
  u - far * Math.cos(rise),
  v + far * Math.sin(rise),
];

/** A bar of a width between two places. */
export function rod(a: Point, b: Point, width: number): readonly Point[] {
  const l = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
  const [x, y] = [((b[1] - a[1]) / l) * (width / 2), ((a[0] - b[0]) / l) * (width / 2)];
  return [
    [a[0] + x, a[1] + y],
    [b[0] + x, b[1] + y],
    [b[0] - x, b[1] - y],
    [a[0] - x, a[1] - y],
  ];
}

/** Points of an arc about a place, from one slope to another, ahead of it. */
export function arc(at: Point, from: number, to: number, radius: number): readonly Point[] {
  const steps = 12;
  return Array.from({ length: steps + 1 }, (_, i) => ahead(at, from + ((to - from) * i) / steps, radius));
}

/** The axes of a driveline, gearbox to pinion, as plain numbers. */
export function axesOf(known: Line, at: LineAt, slope: number): readonly Axis[] {
  const plain = ({
    slope: s,
    plan: p,
  }: {
    readonly slope: { readonly value: number };
    readonly plan: { readonly value: number };
  }): Axis => ({
    slope: s.value,
    plan: p.value,
  });
  return [
    { slope: known.gearboxSlope.value, plan: known.gearboxPlan.value },
    ...at.shafts.map(plain),
    { slope, plan: known.pinionPlan.value },
  ];
}

const ARC = 230;

/** Arc and word of each joint’s angle; a joint opens ahead of it, towards the axis in front. */
export function jointMarks(
  look: Look,
  joints: readonly Point[],
  axes: readonly Axis[],
  angles: readonly number[],
) {
  const shapes: Shape[] = [];
  const captions: Caption[] = [];
  joints.forEach((at, i) => {
    const [a, b] = [riseOf(look, axes[i] as Axis), riseOf(look, axes[i + 1] as Axis)];
    shapes.push(
      { kind: 'circle', style: 'journal', centre: at, radius: 26, name: `joint ${i + 1}` },
      { kind: 'line', style: 'centreline', points: [at, ahead(at, b, ARC + 30)] },
      { kind: 'line', style: 'clock', points: arc(at, a, b, ARC), name: `working angle of joint ${i + 1}` },
    );
    if (look === 'side')
      captions.push({
        text: `joint ${i + 1} ${formatAngle(angles[i] ?? 0)}`,
        at: [at[0], at[1] - 118],
        anchor: 'middle',
      });
  });
  return { shapes, captions };
}

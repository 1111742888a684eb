import { valuesOf, type QuantityIdOf } from '../../../stage';
import { level } from '../figures/car';
import type { LevelResult } from '../level-stage';
import { node } from '../node';
import type { survey } from '../words';
import { SIDES } from '../../../geometry';
import { formatAngle } from '../../../units';
import { bar, type Caption, type Dimension, type Point, type Shape, type View } from '../../../drawing';

type SurveyId = QuantityIdOf<typeof survey>;

/** How many times the thrust angle is drawn larger than it is. */
export const THRUST_DRAWN = 20;
const USUAL = { wheelbase: 2500, track: 1350 };
const TYRE = { width: 190, length: 600 };

/**
 * The car from above, its nose to the left of the picture and its left side at the bottom: wheelbases, track
 * and diagonals, and where the rear axle points. Origin in the middle of the rear axle.
 */
export const topView = node('topView', (r): View => {
  const of = valuesOf(r);
  const [W_L, W_R] = [of('level.wheelbase.left'), of('level.wheelbase.right')];
  const half = (of('level.track') ?? USUAL.track) / 2;
  const wheelbase = { left: W_L ?? W_R ?? USUAL.wheelbase, right: W_R ?? W_L ?? USUAL.wheelbase };
  const longest = Math.max(wheelbase.left, wheelbase.right);
  const thrust = r.of(level).thrust?.value ?? 0;
  const turn = thrust * THRUST_DRAWN;
  // The left wheelbase is the longer one where the axle points to the left: its left wheel lies farther back.
  const rear = { left: [half * Math.sin(turn), -half], right: [-half * Math.sin(turn), half] } as const;
  const front = { left: [-longest, -half], right: [-longest, half] } as const;
  const read = (id: SurveyId) => of(id) !== undefined;
  const line = (style: 'mark' | 'ghost', a: Point, b: Point, at: string): Shape => ({
    kind: 'line',
    style,
    points: [a, b],
    at,
  });
  const shapes: Shape[] = [
    ...[front.left, front.right, rear.left, rear.right].map(tyre),
    { kind: 'line', style: 'axis', points: [front.left, front.right] },
    { kind: 'line', style: 'axis', points: [rear.left, rear.right] },
    ...SIDES.map((side) =>
      line(
        read(`level.wheelbase.${side}`) ? 'mark' : 'ghost',
        front[side],
        rear[side],
        `level.wheelbase.${side}`,
      ),
    ),
    line(
      read('level.diagonal.leftFront') ? 'mark' : 'ghost',
      front.left,
      rear.right,
      'level.diagonal.leftFront',
    ),
    line(
      read('level.diagonal.rightFront') ? 'mark' : 'ghost',
      front.right,
      rear.left,
      'level.diagonal.rightFront',
    ),
    {
      kind: 'line',
      style: 'centreline',
      points: [
        [-longest - 260, 0],
        [320, 0],
      ],
    },
    ...(r.of(level).thrust ? [arrow(turn, longest)] : []),
  ];
  return {
    title: `Car from above, thrust angle drawn ${THRUST_DRAWN} times`,
    bounds: { left: -longest - 330, right: 380, top: half + 130, bottom: -half - 130 },
    shapes,
    dimensions: dimensions(of, longest, half),
    handles: [],
    captions: captions(r.of(level), longest, half),
  };
});

const tyre = ([u, v]: Point): Shape => ({
  kind: 'outline',
  style: 'casting',
  points: bar(u - TYRE.length / 2, u + TYRE.length / 2, TYRE.width).map(([x, y]): Point => [x, y + v]),
});

/** Where the rear axle drives the car to: forward is to the left of the picture, the car's left is down. */
function arrow(turn: number, length: number): Shape {
  const tip: Point = [-length * Math.cos(turn), -length * Math.sin(turn)];
  return { kind: 'line', style: 'mark', points: [[0, 0], tip], at: 'level.track' };
}

function dimensions(of: (id: SurveyId) => number | undefined, longest: number, half: number): Dimension[] {
  return (['right', 'left'] as const).flatMap((side) => {
    const id = `level.wheelbase.${side}` as const;
    const value = of(id);
    if (value === undefined) return [];
    const v = side === 'right' ? half : -half;
    const [from, to]: [Point, Point] = [
      [-longest, v],
      [value - longest, v],
    ];
    const row = side === 'right' ? 1 : -1;
    return [
      { id, label: `Wheelbase, ${side}`, name: side, from, to, row, value, figureId: id, quantityId: id },
    ];
  });
}

function captions({ thrust, diagonals }: LevelResult, longest: number, half: number): Caption[] {
  const list: Caption[] = [
    { text: 'LEFT', at: [-longest / 2, -half + 40], anchor: 'middle' },
    { text: 'RIGHT', at: [-longest / 2, half - 90], anchor: 'middle' },
    { text: 'front', at: [-longest - 300, 40], anchor: 'start' },
  ];
  if (thrust)
    list.push({
      text: `thrust ${formatAngle(thrust.value)}, drawn ${THRUST_DRAWN} times`,
      at: [-longest / 2, half * 0.45],
      anchor: 'middle',
    });
  if (diagonals)
    list.push({
      text: `diagonals ${diagonals.value > 0 ? '+' : ''}{}`,
      length: diagonals.value,
      at: [-longest / 2, -half * 0.55],
      anchor: 'middle',
    });
  return list;
}

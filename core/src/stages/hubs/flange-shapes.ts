import { newHoles, type JigShape } from './jig';
import type { DrilledFace } from './redrill';

/** The flange with its old and new holes, mm, seen from outside, its first old hole to the right. */
export function flangeShapes(
  { old, wanted, rim, pilot, keepOuts = [] }: DrilledFace,
  clockRad?: number,
): readonly JigShape[] {
  const circle = (layer: JigShape['layer'], centre: readonly [number, number], diameter: number): JigShape => ({
    kind: 'circle',
    layer,
    centre,
    radius: diameter / 2,
  });
  return [
    ...(rim === undefined ? [] : [circle('outline', [0, 0], rim)]),
    ...(pilot === undefined ? [] : [circle('outline', [0, 0], pilot)]),
    ...newHoles(old, 0).map((at) => circle('old', at, old.hole)),
    ...(clockRad === undefined ? [] : newHoles(wanted, clockRad).map((at) => circle('drill', at, wanted.hole))),
    ...keepOuts.map((k) =>
      circle('keep', [k.radius * Math.cos(k.angle), k.radius * Math.sin(k.angle)], k.diameter),
    ),
  ];
}

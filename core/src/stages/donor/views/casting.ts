import type { QuantityIdOf } from '../../../stage';
import type { donor } from '../words';
import type { Point, Shape } from '../../../drawing';

/** Bolts of the cover as drawn; they are not measured. */
const BOLTS = 10;
const BOLT_RADIUS = 4;
/** Points along one flare and round one arc. */
const FLARE_STEPS = 6;
const ARC_STEPS = 12;
const FLARE_ENDS = Math.PI / 4;

type Known = (id: QuantityIdOf<typeof donor>) => number | undefined;

/** Radius the casting is drawn with: as large as its faces allow, mm. */
export function castingRadius(of: Known, od: number): number {
  const [left, right] = [of('donor.casting.left') ?? od * 1.5, of('donor.casting.right') ?? od * 1.5];
  return Math.max(od, 0.95 * Math.min(left, right));
}

/** The casting from behind, round the pinion axis: body, cover with its bolts, and the axis itself. */
export function castingShapes(of: Known, od: number): Shape[] {
  const radius = castingRadius(of, od);
  const [left, right] = [of('donor.casting.left'), of('donor.casting.right')];
  const body: Shape =
    left && right
      ? {
          kind: 'outline',
          style: 'casting',
          points: outline(radius, od / 2 + 4, left, right),
          at: 'donor.casting.left',
        }
      : { kind: 'circle', style: 'casting', centre: [0, 0], radius };
  const bolts = Array.from({ length: BOLTS }, (_, i): Shape => {
    const angle = (2 * Math.PI * (i + 0.5)) / BOLTS;
    const centre: Point = [radius * 0.84 * Math.cos(angle), radius * 0.84 * Math.sin(angle)];
    return { kind: 'circle', style: 'detail', centre, radius: BOLT_RADIUS };
  });
  const cross = (points: readonly Point[]): Shape => ({ kind: 'line', style: 'axis', points });
  return [
    body,
    { kind: 'circle', style: 'detail', centre: [0, 0], radius: radius * 0.73 },
    ...bolts,
    cross([
      [-14, 0],
      [14, 0],
    ]),
    cross([
      [0, -14],
      [0, 14],
    ]),
  ];
}

/** Round body that flares out to the tubes at both sides. */
function outline(radius: number, neck: number, left: number, right: number): readonly Point[] {
  const shoulder = radius * Math.cos(FLARE_ENDS);
  const rightTop = Array.from({ length: FLARE_STEPS }, (_, i): Point => {
    const t = i / FLARE_STEPS;
    return [right - t * (right - shoulder), neck + (shoulder - neck) * t * t];
  });
  const leftTop = rightTop.map(([u, v]): Point => [
    -(shoulder + ((u - shoulder) * (left - shoulder)) / (right - shoulder)),
    v,
  ]);
  const arc = Array.from({ length: ARC_STEPS + 1 }, (_, i): Point => {
    const angle = FLARE_ENDS + ((Math.PI - 2 * FLARE_ENDS) * i) / ARC_STEPS;
    return [radius * Math.cos(angle), radius * Math.sin(angle)];
  });
  const top = [...rightTop, ...arc, ...leftTop.reverse()];
  const bottom = top.map(([u, v]): Point => [u, -v]).reverse();
  return [...top, ...bottom];
}

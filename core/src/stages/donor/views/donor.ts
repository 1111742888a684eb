import type { Figure } from '../../../measure';
import { valuesOf, type QuantityIdOf } from '../../../stage';
import { axle } from '../figures/axle';
import { node } from '../node';
import type { donor } from '../words';
import { SIDES, type Side } from '../../../geometry';
import { castingRadius, castingShapes } from './casting';
import { across, donorHalves, flange, USUAL_TUBE } from './donor-parts';
import {
  bar,
  upright,
  type Caption,
  type Dimension,
  type Point,
  type Shape,
  type View,
} from '../../../drawing';

/** Half-width of the drawing while nothing is measured, mm. */
const EMPTY_HALF = 700;
const EMPTY_CASTING = 120;
const EMPTY_BRAKE_SPACE = 75;

type Known = (id: QuantityIdOf<typeof donor>) => number | undefined;

/** The donor as it stands on the bench, from behind, origin at the pinion axis. What is not read is a ghost. */
export const donorView = node('view', (r): View => {
  const of = valuesOf(r);
  const { width, pinion } = r.of(axle);
  const od = of('donor.tubeOd') ?? USUAL_TUBE;
  const tall = Math.max(od * 2, castingRadius(of, od) + 10);
  const half = (side: Side) => of(`donor.half.${side}`) ?? EMPTY_HALF;
  const middle = pinion?.value;
  const captions: Caption[] = SIDES.map((side) => ({
    text: side.toUpperCase(),
    at: [across(side, half(side) * 0.72), tall * 0.62],
    anchor: 'middle',
  }));
  if (middle !== undefined)
    captions.push({
      text: 'middle of the WMS width',
      at: [middle, -tall],
      anchor: middle < 0 ? 'end' : 'start',
    });
  return {
    title: 'Rear view, donor',
    bounds: { left: -half('left'), right: half('right'), top: tall, bottom: -tall },
    shapes: [
      ...SIDES.flatMap((side) => sideShapes(of, od, side, half(side))),
      ...castingShapes(of, od),
      ...(middle === undefined ? [] : [upright('centreline', middle, tall)]),
    ],
    dimensions: [...widths(width, of, od), ...donorHalves(of, od), ...SIDES.flatMap((s) => along(of, od, s))],
    handles: [],
    captions,
  };
});

/** Where casting face and housing end stand from the pinion axis, as far as they are read. */
function places(of: Known, side: Side) {
  const [K, T] = [of(`donor.casting.${side}`), of(`donor.tube.${side}`)];
  return { K, T, end: K !== undefined && T !== undefined ? K + T : undefined };
}

function sideShapes(of: Known, od: number, side: Side, half: number): Shape[] {
  const { K = EMPTY_CASTING, end } = places(of, side);
  const housing = end ?? half - EMPTY_BRAKE_SPACE;
  const read = of(`donor.half.${side}`) !== undefined;
  const tube = bar(across(side, K), across(side, housing), od);
  const shaft = bar(across(side, housing), across(side, half), od * 0.42);
  return [
    { kind: 'outline', style: read ? 'shaft' : 'ghost', points: shaft, at: `donor.shaft.${side}` },
    { kind: 'outline', style: end === undefined ? 'ghost' : 'tube', points: tube, at: `donor.tube.${side}` },
    flange(end === undefined ? 'ghost' : 'flange', side, housing, od * 1.5, `donor.brakeSpace.${side}`),
    flange(read ? 'flange' : 'ghost', side, half, od * 2.2, `donor.half.${side}`),
  ];
}

function widths(width: Figure | undefined, of: Known, od: number): Dimension[] {
  const [L, R] = [of('donor.half.left'), of('donor.half.right')];
  if (L === undefined || R === undefined || !width) return [];
  const [from, to]: [Point, Point] = [
    [-L, od * 1.1],
    [R, od * 1.1],
  ];
  return [{ id: 'width', label: 'WMS width, donor', from, to, row: 2, value: width.value, figureId: width.id }];
}

/** Casting face, tube and brake space, one after the other along the axle. */
function along(of: Known, od: number, side: Side): Dimension[] {
  const { K, T, end } = places(of, side);
  const [B, H] = [of(`donor.brakeSpace.${side}`), of(`donor.half.${side}`)];
  const between = (id: string, label: string, a: number, b: number, value: number): Dimension => {
    const [u, w] = [across(side, a), across(side, b)];
    const place = (at: number): Point => [at, -od / 2];
    const quantityId = `donor.${id}.${side}`;
    return {
      id: quantityId,
      label: `${label}, ${side}`,
      from: place(Math.min(u, w)),
      to: place(Math.max(u, w)),
      row: id === 'tube' ? -1 : -2,
      value,
      figureId: quantityId,
      quantityId,
    };
  };
  return [
    ...(K === undefined ? [] : [between('casting', 'Pinion axis to casting face', 0, K, K)]),
    ...(K === undefined || T === undefined || end === undefined
      ? []
      : [between('tube', 'Casting to housing end', K, end, T)]),
    ...(B === undefined || H === undefined ? [] : [between('brakeSpace', 'Brake space', H - B, H, B)]),
  ];
}

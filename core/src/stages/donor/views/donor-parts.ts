import type { QuantityIdOf } from '../../../stage';
import type { donor } from '../words';
import { SIDES, type Side } from '../../../geometry';
import { bar, type Dimension, type Point, type Shape } from '../../../drawing';

/** Tube diameter shown while it has not been measured, mm. */
export const USUAL_TUBE = 70;
/** Thickness of a flange as drawn; it is not measured, only its outer face is, mm. */
const FLANGE = 10;

type Known = (id: QuantityIdOf<typeof donor>) => number | undefined;

/** u of a place `y` outboard of the pinion axis on one side; the car's left is at the picture's left. */
export const across = (side: Side, y: number): number => (side === 'left' ? -y : y);

/** A flange whose outer face stands `face` outboard of the pinion axis. */
export const flange = (
  style: 'ghost' | 'flange',
  side: Side,
  face: number,
  height: number,
  at: string,
): Shape => ({
  kind: 'outline',
  style,
  points: bar(across(side, face - FLANGE), across(side, face), height),
  at,
});

/** The donor's two halves as dimensions. */
export function donorHalves(of: Known, od: number): Dimension[] {
  return SIDES.flatMap((side) => {
    const H = of(`donor.half.${side}`);
    if (H === undefined) return [];
    const id = `donor.half.${side}` as const;
    const ends: readonly [Point, Point] = [
      [0, 0],
      [across(side, H), od * 1.1],
    ];
    const [from, to] = side === 'left' ? [ends[1], ends[0]] : ends;
    return [{ id, label: `Donor half, ${side}`, from, to, row: 1, value: H, figureId: id, quantityId: id }];
  });
}

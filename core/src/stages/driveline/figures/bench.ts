import { type PlaceId, unless } from '../../../stage';
import { bySide } from '../../../geometry';
import type { Maybe } from '../../../measure';
import { angles } from '../../survey/figures/car';
import { benchCard, perchTurn, type BenchInput } from '../bench-card';
import { node, type Reads } from '../node';
import { wantedSlope } from './slopes';

/** Slope of an angle against level, however the gauge was zeroed. */
export const slopeOf = (r: Reads, id: string): Maybe => r.of(angles).find((a) => a.id === id)?.slope;

/** What the bench card is made of. */
export const benchInput = node('benchInput', (r): BenchInput => ({
  slope: r.of(wantedSlope),
  flat: slopeOf(r, 'donor.angle.flat'),
  pinion: slopeOf(r, 'donor.angle.pinion'),
  truss: r.figure('bench.truss'),
  seat: bySide((side) => slopeOf(r, `angle.perch.${side}`)),
  now: r.figure('bench.now'),
  level: r.figure('bench.level'),
}));

/** What the gauge must show on each face on the bench. */
export const bench = node('bench', (r) => benchCard(r.of(benchInput)));

/** How much each perch has to turn. */
export const turns = node('turns', (r) =>
  perchTurn(
    r.of(benchInput),
    bySide((side) => slopeOf(r, `donor.angle.perch.${side}`)),
  ),
);

/** Slope of the spring seats, against level, in the car. */
export const benchLacks = node('benchLacks', (r): readonly PlaceId[] => {
  const i = r.of(benchInput);
  return [
    ...unless(i.flat, 'donor.angle.flat'),
    ...unless(i.pinion, 'donor.angle.pinion'),
    ...unless(i.seat.left, 'angle.perch.left'),
    ...unless(i.seat.right, 'angle.perch.right'),
  ];
});

import type { Point } from '../../../drawing';
import type { Side } from '../../../geometry';
import { shafts } from '../figures/shafts';
import type { Reads } from '../node';
import { shaftOrder, type ShaftLine } from '../shaft-order';

/** Sizes of the shaft that will run on one side, mm; of one that is made or bought, those it is ordered with. */
export interface Sizes {
  readonly spline: number | undefined;
  readonly body: number | undefined;
  readonly journal: number | undefined;
  readonly shoulder: number | undefined;
  readonly width: number | undefined;
  readonly line: ShaftLine | undefined;
}

/** A shaft as it is drawn. */
export interface Scene {
  readonly r: Reads;
  readonly side: Side;
  /** Which way outboard runs in the picture. */
  readonly d: number;
  readonly at: (from: number, to: number, diameter: number) => readonly Point[];
  /** Wheel face and inner end from the pinion axis, mm. */
  readonly face: number;
  readonly inner: number;
  readonly major: number;
  readonly sizes: Sizes;
  /** As a part to be made, without what it is fitted into. */
  readonly alone: boolean;
}

export function sizesOf(r: Reads, side: Side): Sizes {
  const line = r.of(shaftOrder).lines.find((l) => l.side === side);
  const spline = r.of(shafts).fit[side].spline?.value;
  const width = r.figure('donor.bearingWidth')?.value;
  if (line) return { line, spline, width, body: line.body, journal: line.journal, shoulder: line.shoulder };
  return {
    line,
    spline,
    width,
    body: r.figure(`donor.shaftBody.${side}`)?.value,
    journal: r.figure('donor.journal')?.value,
    shoulder: r.figure('shaft.shoulder')?.value,
  };
}

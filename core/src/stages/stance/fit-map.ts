import { SIDES, type Sided } from '../../geometry';
import { limitedBy, marginAt, type CentreRange } from './centre-range';

/** A grid of axle half-widths by wheel offsets, mm. */
export interface FitGrid {
  readonly half: { readonly from: number; readonly to: number; readonly cells: number };
  readonly et: { readonly from: number; readonly to: number; readonly cells: number };
}

export interface FitMap {
  /** Lesser margin of both sides in mm, row by row: offsets from below, half-widths along a row. */
  readonly margins: Float64Array;
  readonly columns: number;
  readonly rows: number;
}

/** Place of a cell’s middle along one axis. */
export const cellAt = ({ from, to, cells }: FitGrid['half'], i: number): number =>
  from + ((i + 0.5) * (to - from)) / cells;

/**
 * Margin of every combination of axle half-width and wheel offset. The tyre’s middle stands at half-width less
 * offset, shifted where the axle is set off the car’s centreline on purpose, so both sides are looked up by it.
 *
 * @param ranges of the tyre’s middle per side
 * @param offCentre the axle’s middle from the car’s centreline, mm, plus to the left
 * @throws RangeError where a grid has no cells
 */
export function fitMap(ranges: Sided<CentreRange>, { half, et }: FitGrid, offCentre = 0): FitMap {
  if (!(half.cells > 0 && et.cells > 0)) throw new RangeError('A map needs cells.');
  const margins = new Float64Array(half.cells * et.cells);
  for (let row = 0; row < et.cells; row += 1) {
    const offset = cellAt(et, row);
    for (let column = 0; column < half.cells; column += 1) {
      const centre = cellAt(half, column) - offset;
      margins[row * half.cells + column] = fitMargin(ranges, centre, offCentre);
    }
  }
  return { margins, columns: half.cells, rows: et.cells };
}

/** Lesser margin of both sides for a tyre whose middle stands at `centre` from the axle’s own middle, mm. */
export const fitMargin = (ranges: Sided<CentreRange>, centre: number, offCentre = 0): number =>
  Math.min(marginAt(centre + offCentre, ranges.left), marginAt(centre - offCentre, ranges.right));

/** Side and obstacle that limit such a tyre; undefined where nothing is in the way. */
export function fitLimit(
  ranges: Sided<CentreRange>,
  centre: number,
  offCentre = 0,
): { readonly side: 'left' | 'right'; readonly by: string } | undefined {
  const at = { left: centre + offCentre, right: centre - offCentre };
  const [side] = [...SIDES].sort((a, b) => marginAt(at[a], ranges[a]) - marginAt(at[b], ranges[b]));
  const by = side && limitedBy(at[side], ranges[side]);
  return side && by !== undefined ? { side, by } : undefined;
}

/** From where to where a value may go; undefined ends are open, and `least` above `most` means never. */
export interface Span {
  readonly least: number | undefined;
  readonly most: number | undefined;
}

/** Places the tyre’s middle may take from the axle’s own middle so that both sides clear, mm. */
export function bothSides({ left, right }: Sided<CentreRange>, offCentre = 0): Span {
  const lows = [left.least && left.least.at - offCentre, right.least && right.least.at + offCentre];
  const highs = [left.most && left.most.at - offCentre, right.most && right.most.at + offCentre];
  const known = (list: readonly (number | undefined)[]) => list.filter((v) => v !== undefined);
  const [low, high] = [known(lows), known(highs)];
  return {
    least: low.length ? Math.max(...low) : undefined,
    most: high.length ? Math.min(...high) : undefined,
  };
}

/**
 * Offsets with which a wheel clears on an axle of this half-width, mm.
 *
 * @example offsetsFor(690, { least: 666, most: 684 }) // 6 to 24
 */
export const offsetsFor = (half: number, { least, most }: Span): Span => ({
  least: most === undefined ? undefined : half - most,
  most: least === undefined ? undefined : half - least,
});

/**
 * Half-widths of the axle on which a wheel of this offset clears, mm.
 *
 * @example halvesFor(12, { least: 666, most: 684 }) // 678 to 696
 */
export const halvesFor = (et: number, { least, most }: Span): Span => ({
  least: least === undefined ? undefined : least + et,
  most: most === undefined ? undefined : most + et,
});

import { formatNumber, type FitGrid } from '@intervex/core';

/** A place of the map: half of the WMS width and wheel offset, mm. */
export interface Spot {
  readonly half: number;
  readonly et: number;
}

export const WIDTH = 560;
export const HEIGHT = 400;
export const PAD = { left: 52, right: 14, top: 12, bottom: 40 };
export const INNER = { w: WIDTH - PAD.left - PAD.right, h: HEIGHT - PAD.top - PAD.bottom };
/** How far the map goes beyond where the wheel stands, mm. */
const REACH = { half: 45, et: 45 };
/** A wheel this near to the edge of the map takes the map along, mm. */
const EDGE = 4;
/** Cells either way. */
const CELLS = 200;
/** Lines of the axes, mm. */
const GRID_MM = 10;

/** A line of the axes in pixels, and what stands at it. */
interface Tick {
  readonly key: string;
  readonly path: string;
  readonly x: number;
  readonly y: number;
  readonly anchor: 'middle' | 'end';
  readonly text: string;
}

/** Cells round a place. */
export const gridRound = ({ half, et }: Spot): FitGrid => ({
  half: { from: half - REACH.half, to: half + REACH.half, cells: CELLS },
  et: { from: et - REACH.et, to: et + REACH.et, cells: CELLS },
});

/** True where the wheel stands too near the edge of a map round a place. */
export const leaves = (wheel: Spot, middle: Spot): boolean =>
  Math.abs(wheel.half - middle.half) > REACH.half - EDGE || Math.abs(wheel.et - middle.et) > REACH.et - EDGE;

/** Where a place stands in the drawing, px. */
export const pixelOf = ({ half: h, et: e }: FitGrid, { half, et }: Spot): { x: number; y: number } => ({
  x: PAD.left + ((half - h.from) / (h.to - h.from)) * INNER.w,
  y: PAD.top + (1 - (et - e.from) / (e.to - e.from)) * INNER.h,
});

/** The place at a pixel, kept within the axes and rounded to what can be set. */
export function spotAt({ half: h, et: e }: FitGrid, x: number, y: number): Spot {
  const share = (v: number) => Math.min(1, Math.max(0, v));
  const half = h.from + share((x - PAD.left) / INNER.w) * (h.to - h.from);
  const et = e.from + share(1 - (y - PAD.top) / INNER.h) * (e.to - e.from);
  return { half: Math.round(half * 2) / 2, et: Math.round(et * 2) / 2 };
}

function every(from: number, to: number): readonly number[] {
  const first = Math.ceil(from / GRID_MM) * GRID_MM;
  return Array.from({ length: Math.floor((to - first) / GRID_MM) + 1 }, (_, i) => first + i * GRID_MM);
}

/**
 * Lines of both axes.
 *
 * @param short how a length is written at a line
 */
export function ticksOf(grid: FitGrid, short: (mm: number) => string): readonly Tick[] {
  const { half, et } = grid;
  const across = every(half.from, half.to).map((v, i): Tick => {
    const { x } = pixelOf(grid, { half: v, et: et.from });
    const path = `M${x} ${PAD.top}V${PAD.top + INNER.h}`;
    const y = PAD.top + INNER.h + 15;
    return { key: `h${v}`, path, x, y, anchor: 'middle', text: i % 2 === 0 ? short(v) : '' };
  });
  const up = every(et.from, et.to).map((v): Tick => {
    const { y } = pixelOf(grid, { half: half.from, et: v });
    const path = `M${PAD.left} ${y}H${PAD.left + INNER.w}`;
    return { key: `e${v}`, path, x: PAD.left - 5, y: y + 4, anchor: 'end', text: formatNumber(v, 0) };
  });
  return [...across, ...up];
}

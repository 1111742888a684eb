import type { Dimension, Point, View } from '@intervex/core';

/** Pixels between dimension rows, and room round the drawing. */
const ROW_PX = 22;
const SIDE_PX = 46;
const EDGE_PX = 12;
/** Room for the scale below the drawing. */
const SCALE_PX = 18;
const LOWEST_PX = 200;
const HIGHEST_PX = 440;

/** How a view lies in its box: one scale for both ways, origin of the model in pixels. */
interface ViewTransform {
  /** Pixels a millimetre. */
  readonly k: number;
  readonly x: number;
  readonly y: number;
}

/** Rows of dimensions a view needs above and below. */
function rowsOf(dimensions: readonly Dimension[]): { above: number; below: number } {
  const rows = dimensions.map((d) => d.row);
  return { above: Math.max(0, ...rows), below: Math.max(0, ...rows.map((r) => -r)) };
}

/**
 * The transform that fits a view with its dimension rows into a box, centred, never distorted.
 *
 * @param width of the box, px
 * @param height of the box, px
 */
export function fitView(view: View, width: number, height: number): ViewTransform {
  const { above, below } = rowsOf(view.dimensions);
  const { left, right, top, bottom } = view.bounds;
  const roomX = Math.max(40, width - 2 * SIDE_PX);
  const roomY = Math.max(40, height - (above + below) * ROW_PX - 2 * EDGE_PX - SCALE_PX);
  const k = Math.min(roomX / (right - left), roomY / (top - bottom));
  const x = width / 2 - ((left + right) / 2) * k;
  const middle = EDGE_PX + above * ROW_PX + 4 + roomY / 2;
  return { k, x, y: middle + ((top + bottom) / 2) * k };
}

/**
 * Height at which a view fills a box of this width, within bounds.
 *
 * @param width of the box, px
 */
export function heightFor(view: View, width: number): number {
  const { above, below } = rowsOf(view.dimensions);
  const { left, right, top, bottom } = view.bounds;
  const k = Math.max(40, width - 2 * SIDE_PX) / (right - left);
  const drawn = (top - bottom) * k + (above + below) * ROW_PX + 2 * EDGE_PX + SCALE_PX;
  return Math.round(Math.min(HIGHEST_PX, Math.max(LOWEST_PX, drawn)));
}

/** Model to pixels. */
export const toPixel = ({ k, x, y }: ViewTransform, [u, v]: Point): Point => [x + u * k, y - v * k];

/** Pixels to model: the inverse of `toPixel`. */
export const toModel = ({ k, x, y }: ViewTransform, [px, py]: Point): Point => [(px - x) / k, (y - py) / k];

/** A dimension laid out in pixels. */
interface LaidDimension {
  readonly d: Dimension;
  readonly text: string;
  readonly x0: number;
  readonly x1: number;
  readonly y: number;
  /** Where the extension lines start. */
  readonly from: Point;
  readonly to: Point;
  /** Middle of the text. */
  readonly textX: number;
  readonly width: number;
}

/** Width of one figure of the dimension text, px. */
const CHAR_PX = 7;
/** A drawing as on a phone, px: what stands inboard there would meet what comes from the other side. */
const NARROW = 480;

/**
 * Lays dimensions out in their rows. Text that does not fit between its lines stands beside them, outboard, or where
 * the drawing ends there, inboard.
 *
 * @param box width of the drawing, px
 * @param print prints a length, short where there is no room for its name
 */
export function layDimensions(
  view: View,
  t: ViewTransform,
  box: number,
  print: (d: Dimension, short?: boolean) => string,
): readonly LaidDimension[] {
  const top = toPixel(t, [0, view.bounds.top])[1];
  const bottom = toPixel(t, [0, view.bounds.bottom])[1];
  return view.dimensions.map((d) => {
    const from = toPixel(t, d.from);
    const to = toPixel(t, d.to);
    const [x0, x1] = [Math.min(from[0], to[0]), Math.max(from[0], to[0])];
    const named = laidText(print(d));
    const room = x1 - x0 > named.width + 14;
    const outward = (x0 + x1) / 2 > t.x ? box - x1 : x0;
    const { text, width } =
      room || outward > named.width + 5 || box > NARROW ? named : laidText(print(d, true));
    const y = d.row > 0 ? top - d.row * ROW_PX + 8 : bottom - d.row * ROW_PX - 8;
    const fits = x1 - x0 > width + 14;
    const [before, after] = [x0 - width / 2 - 5, x1 + width / 2 + 5];
    const outboard = (x0 + x1) / 2 > t.x ? after : before;
    const inside = outboard - width / 2 >= 0 && outboard + width / 2 <= box;
    const beside = inside ? outboard : outboard === after ? before : after;
    return { d, text, x0, x1, y, from, to, textX: fits ? (x0 + x1) / 2 : beside, width };
  });
}

const laidText = (text: string) => ({ text, width: text.length * CHAR_PX + 8 });

/** Points of a polygon or polyline in pixels, for an SVG `points` attribute. */
export const pointsText = (t: ViewTransform, points: readonly Point[]): string =>
  points
    .map((p) =>
      toPixel(t, p)
        .map((n) => n.toFixed(2))
        .join(','),
    )
    .join(' ');

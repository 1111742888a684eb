import type { Dimension, Point, View } from './view';

/** Sizes a drawing is laid out with, in the unit of its box: px on a screen, points on paper. */
export interface Metrics {
  /** Between dimension rows where room is scarce, and where there is plenty. */
  readonly row: number;
  readonly rowMost: number;
  /** Round the drawing: left and right, above and below; and below that for what stands at its foot. */
  readonly side: number;
  readonly edge: number;
  readonly foot: number;
  /** Width of one figure of a dimension’s text, and what its box is wider. */
  readonly char: number;
  readonly pad: number;
  /** Least room between a text and the next thing in its row. */
  readonly gap: number;
  /** Mean width of a letter of a word, and height of a line of them. */
  readonly letter: number;
  readonly line: number;
  /** A drawing as on a phone: what stands inboard there would meet what comes from the other side. */
  readonly narrow: number;
  /** Scales go in steps of this factor, and places in whole px, so that a small edit leaves the rest where it stands. */
  readonly steady?: number;
}

/** A screen, px. */
export const SCREEN: Metrics = {
  row: 22,
  rowMost: 30,
  side: 46,
  edge: 12,
  foot: 18,
  char: 7.25,
  pad: 8,
  gap: 6,
  letter: 6.3,
  line: 14,
  narrow: 480,
  steady: 1.012,
};
const LOWEST = 200;
const HIGHEST = 440;

/** How a view lies in its box: one scale for both ways, origin of the model in pixels. */
export interface ViewTransform {
  /** Pixels a millimetre. */
  readonly k: number;
  readonly x: number;
  readonly y: number;
}

/** A picture in its box that was enlarged by `k` and moved, px to px. */
export interface Zoom {
  readonly k: number;
  readonly x: number;
  readonly y: number;
}
export const WHOLE: Zoom = { k: 1, x: 0, y: 0 };

export interface Box {
  readonly width: number;
  readonly height: number;
}

/** Rows of dimensions above and below a drawing, and how far apart they stand, px. */
export interface Rows {
  readonly above: number;
  readonly below: number;
  readonly pitch: number;
}

/** Rows of dimensions a view asks for above and below. */
function rowsOf(dimensions: readonly Dimension[]): { above: number; below: number } {
  const rows = dimensions.map((d) => d.row);
  return { above: Math.max(0, ...rows), below: Math.max(0, ...rows.map((r) => -r)) };
}

/** The box of a drawing, its sizes, and how its lengths are printed. */
export interface Frame extends Box {
  readonly m: Metrics;
  readonly print: Print;
}
/** Prints a length, short where there is no room for its name. */
export type Print = (d: Dimension, short?: boolean) => string;

/** Rows as far apart as the box allows. */
function spread(view: View, { width, height, m }: Box & { readonly m: Metrics }, rows: Needed): Rows {
  const { above, below } = rows;
  const { left, right, top, bottom } = view.bounds;
  const k = Math.max(40, width - 2 * m.side) / (right - left);
  const spare = height - (top - bottom) * k - 2 * m.edge - m.foot;
  const pitch = Math.min(m.rowMost, Math.max(m.row, spare / Math.max(1, above + below)));
  return { above, below, pitch: m.steady ? Math.floor(pitch) : pitch };
}
type Needed = Pick<Rows, 'above' | 'below'>;

/**
 * The transform that fits a view with its dimension rows into a box, centred, never distorted.
 *
 * @param rows of dimensions; left out, those the view asks for
 */
export function fitView(
  view: View,
  box: Box,
  rows: Rows = spread(view, { ...box, m: SCREEN }, rowsOf(view.dimensions)),
  m: Metrics = SCREEN,
): ViewTransform {
  const { above, below, pitch } = rows;
  const { left, right, top, bottom } = view.bounds;
  const roomX = Math.max(40, box.width - 2 * m.side);
  const roomY = Math.max(40, box.height - (above + below) * pitch - 2 * m.edge - m.foot);
  const most = Math.min(roomX / (right - left), roomY / (top - bottom));
  const k = m.steady ? m.steady ** Math.floor(Math.log(most) / Math.log(m.steady)) : most;
  const x = box.width / 2 - ((left + right) / 2) * k;
  const y = m.edge + above * pitch + 4 + roomY / 2 + ((top + bottom) / 2) * k;
  return m.steady ? { k, x: Math.round(x), y: Math.round(y) } : { k, x, y };
}

/**
 * Height at which a view fills a box of this width, within bounds.
 *
 * @param width of the box, px
 */
export function heightFor(view: View, width: number, m: Metrics = SCREEN): number {
  const { above, below } = rowsOf(view.dimensions);
  const { left, right, top, bottom } = view.bounds;
  const k = Math.max(40, width - 2 * m.side) / (right - left);
  const drawn = (top - bottom) * k + (above + below) * m.row + 2 * m.edge + m.foot;
  return Math.round(Math.min(HIGHEST, Math.max(LOWEST, drawn)));
}

/** A view in its box, enlarged and moved. */
export const zoomed = (t: ViewTransform, z: Zoom): ViewTransform => ({
  k: t.k * z.k,
  x: t.x * z.k + z.x,
  y: t.y * z.k + z.y,
});

/** Model to pixels. */
export const toPixel = ({ k, x, y }: ViewTransform, [u, v]: Point): Point => [x + u * k, y - v * k];

/** Pixels to model: the inverse of `toPixel`. */
export const toModel = ({ k, x, y }: ViewTransform, [px, py]: Point): Point => [(px - x) / k, (y - py) / k];

/**
 * The zoom that brings a part of the model into the middle of its box, with room round it.
 *
 * @param points of the part, mm
 * @param most how much larger it is shown at most
 */
export function zoomTo(t: ViewTransform, box: Box, points: readonly Point[], most: number): Zoom {
  const at = points.map((p) => toPixel(t, p));
  const [xs, ys] = [at.map(([x]) => x), at.map(([, y]) => y)];
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const part = 0.6;
  const k = Math.max(
    1,
    Math.min(most, (part * box.width) / Math.max(1, x1 - x0), (part * box.height) / Math.max(1, y1 - y0)),
  );
  return { k, x: box.width / 2 - (k * (x0 + x1)) / 2, y: box.height / 2 - (k * (y0 + y1)) / 2 };
}

/** A dimension laid out in its box. */
export interface LaidDimension {
  readonly d: Dimension;
  readonly text: string;
  readonly x0: number;
  readonly x1: number;
  readonly y: number;
  /** Where the extension lines start. */
  readonly from: Point;
  readonly to: Point;
  /** Which of its ends are in sight. */
  readonly ends: readonly [boolean, boolean];
  /** Middle of the text. */
  readonly textX: number;
  readonly width: number;
}

const MOST_ROWS = 9;

/** A dimension before its row is known. */
type Placed = Omit<LaidDimension, 'y'>;

/**
 * Places a dimension along its row. Text that does not fit between its lines stands beside them, outboard, or where
 * the drawing ends there, inboard; of what is partly out of sight the part in sight carries the text.
 */
function place(d: Dimension, t: ViewTransform, { width: wide, m, print }: Frame): Placed | undefined {
  const [from, to] = [toPixel(t, d.from), toPixel(t, d.to)];
  const [a, b] = [Math.min(from[0], to[0]), Math.max(from[0], to[0])];
  if (b < 0 || a > wide) return undefined;
  const [x0, x1] = [Math.max(a, 0), Math.min(b, wide)];
  const laid = (text: string) => ({ text, width: text.length * m.char + m.pad });
  const named = laid(print(d));
  const room = x1 - x0 > named.width + 2 * m.gap;
  const right = (x0 + x1) / 2 > wide / 2;
  const outward = right ? wide - x1 : x0;
  const { text, width } =
    room || outward > named.width + m.gap || wide > m.narrow ? named : laid(print(d, true));
  const fits = x1 - x0 > width + 2 * m.gap;
  const [before, after] = [x0 - width / 2 - m.gap, x1 + width / 2 + m.gap];
  const outboard = right ? after : before;
  const inside = outboard - width / 2 >= 0 && outboard + width / 2 <= wide;
  const beside = inside ? outboard : outboard === after ? before : after;
  const textX = fits ? (x0 + x1) / 2 : Math.min(Math.max(beside, width / 2), wide - width / 2);
  const [left, rightEnd] = from[0] <= to[0] ? [from, to] : [to, from];
  const ends = [left[0] >= 0, rightEnd[0] <= wide] as const;
  return { d, text, x0, x1, from: left, to: rightEnd, ends, textX, width };
}

/**
 * Rows for dimensions, so that no text meets another’s text or line: each in the row it asks for, or the next one out
 * that is free there.
 */
function inRows(placed: readonly Placed[], m: Metrics): ReadonlyMap<Placed, number> {
  const taken = new Map<number, Placed[]>();
  const rows = new Map<Placed, number>();
  const order = [...placed].sort((a, b) => Math.abs(a.d.row) - Math.abs(b.d.row));
  for (const p of order) {
    if (p.d.row === 0) continue;
    const away = Math.sign(p.d.row);
    let row = Math.abs(p.d.row);
    while (row < MOST_ROWS && (taken.get(away * row) ?? []).some((other) => meets(p, other, m))) row += 1;
    taken.set(away * row, [...(taken.get(away * row) ?? []), p]);
    rows.set(p, away * row);
  }
  return rows;
}

/** Two in one row: their texts keep clear of each other and of each other’s lines; lines may meet at a point they share. */
function meets(a: Placed, b: Placed, m: Metrics): boolean {
  const text = (p: Placed) => [p.textX - p.width / 2 - m.gap, p.textX + p.width / 2 + m.gap] as const;
  const line = (p: Placed) => [p.x0 + 1, p.x1 - 1] as const;
  const cross = ([a0, a1]: readonly [number, number], [b0, b1]: readonly [number, number]) =>
    a0 < b1 && b0 < a1;
  return (
    cross(text(a), text(b)) || cross(text(a), line(b)) || cross(text(b), line(a)) || cross(line(a), line(b))
  );
}

/** A view laid out in its box: where it lies, its dimensions in their rows. */
export interface Layout {
  /** Fitted to the box, before it is enlarged. */
  readonly fitted: ViewTransform;
  readonly rows: Rows;
}

/** Rows that dimensions need where a view lies as it does. */
export function rowsNeeded(view: View, t: ViewTransform, frame: Frame): Needed {
  const needed = [...inRows(placedIn(view, t, frame), frame.m).values()];
  return { above: Math.max(0, ...needed), below: Math.max(0, ...needed.map((r) => -r)) };
}

/** Finds out how many rows the dimensions need, and fits the view between them. */
export function layOut(view: View, frame: Frame): Layout {
  let rows = spread(view, frame, rowsOf(view.dimensions));
  let fitted = fitView(view, frame, rows, frame.m);
  // A second look: with more rows the drawing may be smaller, and texts lie otherwise.
  for (let look = 0; look < 2; look += 1) {
    const { above, below } = rowsNeeded(view, fitted, frame);
    if (above <= rows.above && below <= rows.below) break;
    rows = spread(view, frame, { above: Math.max(above, rows.above), below: Math.max(below, rows.below) });
    fitted = fitView(view, frame, rows, frame.m);
  }
  return { fitted, rows };
}

const placedIn = (view: View, t: ViewTransform, frame: Frame): readonly Placed[] =>
  view.dimensions.flatMap((d) => place(d, t, frame) ?? []);

/**
 * Dimensions in their rows above and below the drawing; where it was enlarged beyond its box the rows stay at the
 * box’s edges.
 *
 * @param t where the drawing lies by now
 */
export function layDimensions(
  view: View,
  t: ViewTransform,
  frame: Frame,
  { above, below, pitch }: Rows,
): readonly LaidDimension[] {
  const { m, height } = frame;
  const top = Math.max(toPixel(t, [0, view.bounds.top])[1], m.edge + above * pitch);
  const bottom = Math.min(toPixel(t, [0, view.bounds.bottom])[1], height - m.foot - m.edge - below * pitch);
  const placed = placedIn(view, t, frame);
  const rows = inRows(placed, m);
  const near = 0.36 * m.row;
  return placed.map((p) => {
    const row = rows.get(p) ?? 0;
    // With no row it stands where it is.
    if (row === 0) return { ...p, y: p.from[1] };
    return { ...p, y: row > 0 ? top - row * pitch + near : bottom - row * pitch - near };
  });
}

/** Points of a polygon or polyline in pixels, for an SVG `points` attribute. */
export const pointsText = (t: ViewTransform, points: readonly Point[]): string =>
  points
    .map((p) =>
      toPixel(t, p)
        .map((n) => n.toFixed(2))
        .join(','),
    )
    .join(' ');

import {
  bareLength,
  captionText,
  type Dimension,
  type LengthUnit,
  type Point,
  type Shape,
  type ShapeStyle,
  type View,
} from '@intervex/core';
import { INK, PT_PER_MM, type Pdf } from './paper';

/** Where and how large a view is drawn. */
interface Placement {
  /** Points from the page's left edge to u = 0, and from its top to v = 0. */
  readonly x: number;
  readonly y: number;
  /** n of 1 : n. */
  readonly scale: number;
  readonly units: LengthUnit;
}

interface Ink {
  readonly stroke: string;
  readonly width: number;
  readonly fill?: string;
  readonly dash?: number;
}

const STYLES: Readonly<Record<ShapeStyle, Ink>> = {
  ghost: { stroke: INK.second, width: 0.4, dash: 2 },
  casting: { stroke: INK.main, width: 0.7, fill: '#ECEEEF' },
  detail: { stroke: INK.second, width: 0.35 },
  tube: { stroke: INK.main, width: 0.7, fill: INK.tint },
  slug: { stroke: INK.dye, width: 0.5, fill: '#FFFFFF' },
  kerf: { stroke: INK.dye, width: 0.2, fill: INK.dye },
  flange: { stroke: INK.main, width: 0.7, fill: '#D9DEE1' },
  shaft: { stroke: INK.second, width: 0.5, fill: '#F4F5F5' },
  axis: { stroke: INK.main, width: 0.6 },
  centreline: { stroke: INK.second, width: 0.4, dash: 6 },
  mark: { stroke: INK.dye, width: 1 },
  tyre: { stroke: INK.main, width: 0.8, fill: INK.tint },
  rim: { stroke: INK.main, width: 0.6 },
  hole: { stroke: INK.second, width: 0.6 },
  newHole: { stroke: INK.dye, width: 0.9 },
  keep: { stroke: INK.caution, width: 0.6, dash: 2 },
};

/** Distance between dimension rows, and of the first from the drawing, points. */
const ROW = 12;
/** Between hatching lines, points. */
const HATCH = 3.5;

/** Draws a view to scale with its dimensions. One paper mm is `scale` mm of axle. */
export function drawView(doc: Pdf, view: View, place: Placement): void {
  const k = PT_PER_MM / place.scale;
  const at = ([u, v]: Point): [number, number] => [place.x + u * k, place.y - v * k];
  for (const shape of view.shapes) drawShape(doc, shape, at, k);
  for (const caption of view.captions) {
    const [x, y] = at(caption.at);
    doc.font('text').fontSize(6).fillColor(INK.second);
    const text = captionText(caption, (mm) => bareLength(mm, place.units));
    const width = doc.widthOfString(text);
    const shift = { start: 3, middle: -width / 2, end: -width - 3 }[caption.anchor];
    doc.text(text, x + shift, y - 3, { lineBreak: false });
  }
  const edges = { top: place.y - view.bounds.top * k, bottom: place.y - view.bounds.bottom * k };
  // All extension lines lie under all texts.
  for (const dimension of view.dimensions) drawExtensions(doc, dimension, at, edges);
  for (const dimension of view.dimensions) drawDimension(doc, dimension, at, edges, place.units);
  doc.undash().fillColor(INK.main);
}

function drawShape(doc: Pdf, shape: Shape, at: (p: Point) => [number, number], k: number): void {
  const { stroke, width, fill, dash } = STYLES[shape.style];
  doc.lineWidth(width).strokeColor(stroke);
  if (dash) doc.dash(dash, { space: dash * 0.8 });
  else doc.undash();
  if (shape.kind === 'circle') {
    doc.circle(...at(shape.centre), shape.radius * k);
  } else {
    shape.points.forEach((point, i) => (i === 0 ? doc.moveTo(...at(point)) : doc.lineTo(...at(point))));
    if (shape.kind === 'outline') doc.closePath();
  }
  if (fill && shape.kind !== 'line') doc.fillAndStroke(fill, stroke);
  else doc.stroke();
  if (shape.style === 'slug' && shape.kind === 'outline') hatch(doc, shape.points.map(at), stroke);
}

/** Lines at 45° within an outline. */
function hatch(doc: Pdf, outline: readonly [number, number][], stroke: string): void {
  const [xs, ys] = [outline.map(([x]) => x), outline.map(([, y]) => y)];
  const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const height = bottom - top;
  doc
    .save()
    .rect(left, top, right - left, height)
    .clip()
    .lineWidth(0.35)
    .strokeColor(stroke);
  for (let x = left - height; x < right; x += HATCH)
    doc
      .moveTo(x, bottom)
      .lineTo(x + height, top)
      .stroke();
  doc.restore();
}

type Edges = { readonly top: number; readonly bottom: number };

const rowAt = ({ row }: Dimension, { top, bottom }: Edges): number =>
  row > 0 ? top - row * ROW + 4 : bottom - row * ROW - 4;

function drawExtensions(doc: Pdf, d: Dimension, at: (p: Point) => [number, number], edges: Edges): void {
  const [[x0, y0], [x1, y1]] = [at(d.from), at(d.to)];
  const end = rowAt(d, edges) + (d.row > 0 ? -2 : 2);
  doc.undash().lineWidth(0.3).strokeColor(INK.second);
  doc.moveTo(x0, y0).lineTo(x0, end).moveTo(x1, y1).lineTo(x1, end).stroke();
}

function drawDimension(
  doc: Pdf,
  d: Dimension,
  at: (p: Point) => [number, number],
  edges: Edges,
  units: LengthUnit,
): void {
  const [[x0], [x1]] = [at(d.from), at(d.to)];
  const y = rowAt(d, edges);
  doc.undash().lineWidth(0.3).strokeColor(INK.second);
  doc.moveTo(x0, y).lineTo(x1, y).stroke();
  tick(doc, x0, y);
  tick(doc, x1, y);
  const text = dimensionText(d, units);
  doc.font('figure').fontSize(6.5);
  const width = doc.widthOfString(text);
  const left =
    width + 4 < Math.abs(x1 - x0)
      ? (x0 + x1) / 2 - width / 2
      : besideLeft(Math.min(x0, x1), Math.max(x0, x1), width, doc);
  doc.rect(left - 1.5, y - 4, width + 3, 8).fill('#FFFFFF');
  doc.fillColor(INK.main).text(text, left, y - 3.2, { lineBreak: false });
}

/** Too narrow for its text: beside it, outboard, or where the paper ends there, inboard. */
function besideLeft(x0: number, x1: number, width: number, doc: Pdf): number {
  const [before, after] = [x0 - width - 4, x1 + 4];
  const { left: margin } = doc.page.margins;
  const outboard = (x0 + x1) / 2 > doc.page.width / 2 ? after : before;
  const inside = outboard >= margin && outboard + width <= doc.page.width - margin;
  if (inside) return outboard;
  return outboard === after ? before : after;
}

const dimensionText = (d: Dimension, units: LengthUnit): string =>
  (d.name ? `${d.name} ` : '') + (d.signed && d.value > 0 ? '+' : '') + bareLength(d.value, units);

function tick(doc: Pdf, x: number, y: number): void {
  doc
    .lineWidth(0.6)
    .moveTo(x - 1.8, y + 1.8)
    .lineTo(x + 1.8, y - 1.8)
    .stroke();
}

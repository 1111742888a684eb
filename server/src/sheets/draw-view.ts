import {
  bareLength,
  captionText,
  decimalOf,
  layDimensions,
  placeWords,
  rowsNeeded,
  toldFine,
  toPixel,
  type Dimension,
  type LaidDimension,
  type LengthUnit,
  type Metrics,
  type Point,
  type Results,
  type Shape,
  type ShapeStyle,
  type View,
} from '@intervex/core';
import { fittingScale, INK, PT_PER_MM, type Pdf } from './paper';

/** Sizes of dimensions and words, points. */
const DIMENSION = 8;
const WORD = 7.5;
/** Most height a drawing takes without its dimensions, points: what it is of stands under it on the same page. */
const HIGHEST = 190;

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
  pitch: { stroke: INK.second, width: 0.3, dash: 3 },
  clock: { stroke: INK.dye, width: 0.4 },
  skin: { stroke: INK.main, width: 0.5, fill: INK.tint },
  slugFlat: { stroke: INK.dye, width: 0.4, fill: '#FFFFFF' },
  spline: { stroke: INK.main, width: 0.5, fill: INK.tint },
  journal: { stroke: INK.main, width: 0.5, fill: '#E6E9EB' },
  gear: { stroke: INK.second, width: 0.4, fill: '#DDE0DD' },
  window: { stroke: INK.dye, width: 0.3, fill: INK.tint },
  room: { stroke: INK.second, width: 0.5, fill: '#DDE0DD' },
  rotor: { stroke: INK.second, width: 0.4, fill: '#E6E9EB' },
  bracket: { stroke: INK.dye, width: 0.8, fill: '#E4E8F6' },
  clash: { stroke: INK.stop, width: 1.4 },
  weldRoom: { stroke: INK.second, width: 0.4, dash: 2 },
  caliper: { stroke: INK.dye, width: 0.5, fill: INK.tint },
  axis: { stroke: INK.main, width: 0.6 },
  centreline: { stroke: INK.second, width: 0.4, dash: 6 },
  mark: { stroke: INK.dye, width: 1 },
  tyre: { stroke: INK.main, width: 0.8, fill: INK.tint },
  rim: { stroke: INK.main, width: 0.6 },
  hole: { stroke: INK.second, width: 0.6 },
  newHole: { stroke: INK.dye, width: 0.9 },
  keep: { stroke: INK.caution, width: 0.6, dash: 2 },
};

/** Between hatching lines, points. */
const HATCH = 3.5;

/** Paper, points. */
const PAPER: Metrics = {
  row: 14,
  rowMost: 14,
  side: 6,
  edge: 4,
  foot: 0,
  char: 0.6 * DIMENSION,
  pad: 3,
  gap: 3,
  letter: 0.53 * WORD,
  line: 1.25 * WORD,
  narrow: 0,
};

const printer =
  (units: LengthUnit, results: Results) =>
  (d: Dimension): string =>
    (d.name ? `${d.name} ` : '') +
    (d.signed && d.value > 0 ? '+' : '') +
    bareLength(d.value, toldFine(results, d) ? decimalOf(units) : units);

/** A view as it will lie on the paper: to a standard scale, with the rows its dimensions need. */
interface OnPaper {
  readonly view: View;
  readonly units: LengthUnit;
  /** What a dimension says. */
  readonly print: (d: Dimension) => string;
  /** n of 1 : n. */
  readonly scale: number;
  /** What it takes, points. */
  readonly width: number;
  readonly height: number;
}

/** How a view will lie on paper of a width, points. */
export function onPaper(view: View, width: number, units: LengthUnit, results: Results): OnPaper {
  const { left, right, top, bottom } = view.bounds;
  const scale = Math.max(
    fittingScale(right - left, (width - 2 * PAPER.side) / PT_PER_MM),
    fittingScale(top - bottom, HIGHEST / PT_PER_MM),
  );
  const k = PT_PER_MM / scale;
  const print = printer(units, results);
  const frame = { width, height: 1e4, m: PAPER, print };
  const t = { k, x: width / 2 - ((left + right) / 2) * k, y: 0 };
  const { above, below } = rowsNeeded(view, t, frame);
  return {
    view,
    units,
    print,
    scale,
    width,
    height: (top - bottom) * k + (above + below) * PAPER.row + 2 * PAPER.edge,
  };
}

/** Draws a view to scale with its dimensions and words, none over another, from an upper left corner. */
export function drawView(
  doc: Pdf,
  { view, units, print, scale, width, height }: OnPaper,
  x: number,
  y: number,
): void {
  const k = PT_PER_MM / scale;
  const { left, right, top } = view.bounds;
  const frame = { width, height, m: PAPER, print };
  const flat = { k, x: width / 2 - ((left + right) / 2) * k, y: 0 };
  const rows = { ...rowsNeeded(view, flat, frame), pitch: PAPER.row };
  const t = { ...flat, y: PAPER.edge + rows.above * PAPER.row + top * k };
  const at = (p: Point): [number, number] => {
    const [px, py] = toPixel(t, p);
    return [x + px, y + py];
  };
  for (const shape of view.shapes) drawShape(doc, shape, at, k);
  const laid = layDimensions(view, t, frame, rows);
  // All extension lines lie under all texts.
  for (const l of laid) drawExtensions(doc, l, x, y);
  for (const l of laid) drawDimension(doc, l, x, y);
  const words = view.captions.map((caption) => {
    const [px, py] = toPixel(t, caption.at);
    const text = captionText(caption, (mm) => bareLength(mm, caption.fine ? decimalOf(units) : units));
    return { text, x: px, y: py, anchor: caption.anchor };
  });
  doc.font('text').fontSize(WORD).fillColor(INK.second);
  for (const word of placeWords(words, laid, frame, 0, PAPER)) {
    const wide = doc.widthOfString(word.text);
    const shift = { start: 0, middle: -wide / 2, end: -wide }[word.anchor];
    doc.text(word.text, x + word.x + shift, y + word.y - 0.8 * WORD, { lineBreak: false });
  }
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

function drawExtensions(doc: Pdf, { from, to, ends, y: row, d }: LaidDimension, x: number, y: number): void {
  const end = row + (d.row > 0 ? -2 : 2);
  doc.undash().lineWidth(0.3).strokeColor(INK.second);
  for (const [i, [px, py]] of [from, to].entries())
    if (ends[i] && d.row !== 0)
      doc
        .moveTo(x + px, y + py)
        .lineTo(x + px, y + end)
        .stroke();
}

function drawDimension(
  doc: Pdf,
  { x0, x1, y: row, text, textX, width, d }: LaidDimension,
  x: number,
  y: number,
): void {
  doc
    .undash()
    .lineWidth(d.strong ? 0.8 : 0.3)
    .strokeColor(d.strong ? INK.main : INK.second);
  doc
    .moveTo(x + x0, y + row)
    .lineTo(x + x1, y + row)
    .stroke();
  doc.strokeColor(INK.main);
  tick(doc, x + x0, y + row);
  tick(doc, x + x1, y + row);
  doc.font(d.strong ? 'figureStrong' : 'figure').fontSize(DIMENSION);
  const wide = doc.widthOfString(text);
  doc.rect(x + textX - width / 2, y + row - DIMENSION / 2, width, DIMENSION).fill('#FFFFFF');
  doc.fillColor(INK.main).text(text, x + textX - wide / 2, y + row - DIMENSION * 0.55, { lineBreak: false });
}

function tick(doc: Pdf, x: number, y: number): void {
  doc
    .lineWidth(0.6)
    .moveTo(x - 1.8, y + 1.8)
    .lineTo(x + 1.8, y - 1.8)
    .stroke();
}

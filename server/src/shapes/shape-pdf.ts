import type { JigShape } from '@intervex/core';
import { bytesOf, INK, newPaper, PT_PER_MM, type PaperName, type Pdf } from '../sheets/paper';
import type { TemplateWord } from '@intervex/core/desks/brackets';
import { boxOf, rulerOf, RULER_MM, WORD } from './shape-files';

/** Margin that no printer needs, mm, and how far neighbouring tiles overlap. */
const MARGIN = 12;
const OVERLAP = 10;
const HEADER = 16;
const FOOTER = 10;

interface ShapePdf {
  readonly title: string;
  /** Lines under the title. */
  readonly lines: readonly string[];
  readonly paper: PaperName;
  /** Words on the shapes. */
  readonly words?: readonly TemplateWord[];
}

/**
 * Shapes on paper at 1 : 1. What is larger than the paper is tiled: tiles overlap by 10 mm, with crosses that come
 * over one another where they are joined. Every tile carries a ruler of its own.
 */
export function shapePdf(
  shapes: readonly JigShape[],
  { title, lines, paper, words = [] }: ShapePdf,
): Promise<Buffer> {
  const doc = newPaper(paper, title);
  const box = boxOf(shapes);
  const [wide, high] = [
    doc.page.width / PT_PER_MM - 2 * MARGIN,
    doc.page.height / PT_PER_MM - 2 * MARGIN - HEADER - FOOTER,
  ];
  const tiles = { columns: tilesOf(box.right - box.left, wide), rows: tilesOf(box.top - box.bottom, high) };
  const count = tiles.columns * tiles.rows;
  for (let row = 0; row < tiles.rows; row += 1)
    for (let column = 0; column < tiles.columns; column += 1) {
      if (row + column > 0) doc.addPage();
      const single = count === 1;
      // A single sheet is centred; tiles follow one another from the upper left.
      const x0 = single ? (box.left + box.right - wide) / 2 : box.left + column * (wide - OVERLAP);
      const y0 = single ? (box.top + box.bottom + high) / 2 : box.top - row * (high - OVERLAP);
      const tile =
        count > 1
          ? `Tile ${row * tiles.columns + column + 1} of ${count}: row ${row + 1}, column ${column + 1}. `
          : '';
      head(doc, title, [`${tile}1 : 1. ${lines[0] ?? ''}`, ...lines.slice(1)]);
      const place = placer(x0, y0);
      drawTile(doc, { shapes, words }, place, { wide, high });
      if (count > 1) crosses(doc, place, { x0, y0, wide, high });
      ruler(doc);
    }
  return bytesOf(doc);
}

/** Sheets a length needs where each shares the overlap with its neighbour. */
export const tilesOf = (length: number, room: number): number =>
  length <= room ? 1 : Math.ceil((length - OVERLAP) / (room - OVERLAP));

type Place = (x: number, y: number) => readonly [number, number];

/** Model to points on the page. */
const placer =
  (x0: number, y0: number): Place =>
  (x, y) => [(MARGIN + x - x0) * PT_PER_MM, (MARGIN + HEADER + y0 - y) * PT_PER_MM];

function head(doc: Pdf, title: string, lines: readonly string[]): void {
  const left = MARGIN * PT_PER_MM;
  doc.page.margins.bottom = 0;
  doc
    .font('strong')
    .fontSize(11)
    .fillColor(INK.main)
    .text(title, left, (MARGIN - 4) * PT_PER_MM, { lineBreak: false });
  doc.font('text').fontSize(8).fillColor(INK.second);
  lines.forEach((line, i) => {
    doc.text(line, left, (MARGIN + 2 + i * 4) * PT_PER_MM, { lineBreak: false });
  });
}

function drawTile(
  doc: Pdf,
  { shapes, words }: { shapes: readonly JigShape[]; words: readonly TemplateWord[] },
  place: Place,
  { wide, high }: { wide: number; high: number },
): void {
  doc.save();
  doc.rect(MARGIN * PT_PER_MM, (MARGIN + HEADER) * PT_PER_MM, wide * PT_PER_MM, high * PT_PER_MM).clip();
  for (const shape of shapes) {
    doc.lineWidth(shape.layer === 'outline' ? 0.7 : 0.4).strokeColor(inkOf(shape.layer));
    if (shape.kind === 'circle') {
      const [x, y] = place(...shape.centre);
      doc.circle(x, y, shape.radius * PT_PER_MM).stroke();
      continue;
    }
    shape.points.forEach(([x, y], i) => {
      if (i === 0) doc.moveTo(...place(x, y));
      else doc.lineTo(...place(x, y));
    });
    if (shape.closed) doc.closePath();
    doc.stroke();
  }
  doc
    .font('text')
    .fontSize(WORD * PT_PER_MM)
    .fillColor(INK.main);
  for (const { text, at } of words) {
    const [x, y] = place(...at);
    doc.text(text, x, y - WORD * PT_PER_MM, { lineBreak: false });
  }
  doc.restore();
}

function inkOf(layer: JigShape['layer']): string {
  if (layer === 'drill') return INK.stop;
  if (layer === 'locate') return INK.dye;
  return layer === 'keep' ? INK.caution : INK.main;
}

/** Crosses in the middle of every overlap, at the same places of the drawing on both tiles. */
function crosses(doc: Pdf, place: Place, tile: { x0: number; y0: number; wide: number; high: number }): void {
  const { x0, y0, wide, high } = tile;
  const half = OVERLAP / 2;
  for (const x of [x0 + half, x0 + wide - half])
    for (const y of [y0 - half, y0 - high + half]) {
      const [u, v] = place(x, y);
      const arm = 3 * PT_PER_MM;
      doc.lineWidth(0.3).strokeColor(INK.second);
      doc
        .moveTo(u - arm, v)
        .lineTo(u + arm, v)
        .stroke();
      doc
        .moveTo(u, v - arm)
        .lineTo(u, v + arm)
        .stroke();
    }
}

function ruler(doc: Pdf): void {
  const y = doc.page.height / PT_PER_MM - MARGIN;
  doc.lineWidth(0.6).strokeColor(INK.main);
  for (const shape of rulerOf({ left: MARGIN, right: 0, top: 0, bottom: 12 })) {
    if (shape.kind !== 'path') continue;
    shape.points.forEach(([x, up], i) => {
      const at = [x * PT_PER_MM, (y - up) * PT_PER_MM] as const;
      if (i === 0) doc.moveTo(...at);
      else doc.lineTo(...at);
    });
    doc.stroke();
  }
  doc
    .font('text')
    .fontSize(7.5)
    .fillColor(INK.main)
    .text(
      `This ruler is ${RULER_MM} mm. Measure it before anything is drilled, and print without fitting to the page.`,
      (MARGIN + RULER_MM + 4) * PT_PER_MM,
      (y - 5) * PT_PER_MM,
      { width: doc.page.width - (2 * MARGIN + RULER_MM + 4) * PT_PER_MM },
    );
}

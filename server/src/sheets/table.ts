import type { SheetCell, SheetSection } from '@intervex/core';
import { INK, type Pdf } from './paper';
import { heading, left, room, wide } from './sheet-parts';

/** Between a column and the next, points. */
const GUTTER = 8;
const SIZES = { item: 8.5, note: 7.5, cell: 8.5 } as const;
/** A figure is never set smaller than this, points. */
const LEAST_CELL = 5.5;
/** Most of the sheet's width that one column of values takes. */
const MOST_CELL = 0.32;
/** Most of it that all columns of values take together. */
const MOST_CELLS = 0.64;
/** Least of it, so that short values of several tables stand under each other. */
const LEAST_SHARE = 0.2;
const ROW_PAD = 3.5;

/** Widths of the columns of a table, points, and the size its values are set in. */
interface Columns {
  readonly item: number;
  readonly note: number;
  readonly cell: number;
  readonly size: number;
}

/** Columns in which every value of the section stands on one line. */
function columnsOf(doc: Pdf, section: SheetSection): Columns {
  doc.font('figureStrong').fontSize(SIZES.cell);
  const widest = Math.max(...section.rows.flatMap((row) => row.cells.map((cell) => figureWidth(doc, cell))));
  const count = section.columns.length;
  const most = Math.min(MOST_CELL, MOST_CELLS / count) * wide(doc);
  const cell = Math.min(Math.max(widest + GUTTER, Math.min(LEAST_SHARE, MOST_CELLS / count) * wide(doc)), most);
  const size = Math.max(LEAST_CELL, Math.min(SIZES.cell, (SIZES.cell * (cell - GUTTER)) / Math.max(widest, 1)));
  const rest = wide(doc) - count * cell;
  return { item: 0.49 * rest, note: 0.51 * rest, cell, size };
}

/** Words may be broken over lines, a figure may not. */
const figureWidth = (doc: Pdf, { text }: SheetCell): number =>
  /\d/.test(text) ? doc.widthOfString(text) : Math.max(0, ...text.split(' ').map((w) => doc.widthOfString(w)));

/** A section as a table: what, how, and a value for each column. Text wraps; figures stand on one line. */
export function table(doc: Pdf, section: SheetSection): void {
  heading(doc, section.title);
  const columns = columnsOf(doc, section);
  const x = {
    item: left(doc),
    note: left(doc) + columns.item,
  };
  const columnAt = (i: number) => left(doc) + columns.item + columns.note + i * columns.cell;
  const heads = { width: columns.cell, align: 'right' } as const;
  doc.font('text').fontSize(8).fillColor(INK.second);
  const top = doc.y;
  const ends = section.columns.map((name, i) => {
    doc.text(name, columnAt(i), top, heads);
    return doc.y;
  });
  doc.y = Math.max(top, ...ends);
  for (const row of section.rows) {
    const parts = [
      {
        font: 'strong',
        size: SIZES.item,
        colour: INK.main,
        text: row.item,
        x: x.item,
        width: columns.item - GUTTER,
      },
      {
        font: 'text',
        size: SIZES.note,
        colour: INK.second,
        text: row.note,
        x: x.note,
        width: columns.note - GUTTER,
      },
      ...row.cells.map((cell, i) => ({
        font: 'figureStrong',
        size: columns.size,
        colour: INK.main,
        text: cell.text,
        x: columnAt(i) + GUTTER / 2,
        // A hair wider than the text, which a rounding would else break.
        width: columns.cell - GUTTER / 2 + 0.5,
        align: 'right' as const,
      })),
    ];
    const heights = parts.map(({ font, size, text, width }) =>
      doc
        .font(font)
        .fontSize(size)
        .heightOfString(text || ' ', { width }),
    );
    const height = Math.max(...heights);
    room(doc, height + ROW_PAD);
    const y = doc.y + 1;
    for (const { font, size, colour, text, x: at, width, ...how } of parts)
      doc
        .font(font)
        .fontSize(size)
        .fillColor(colour)
        .text(text, at, y, { width, ...how });
    const end = y + height + 1;
    doc
      .lineWidth(0.25)
      .strokeColor(INK.rule)
      .moveTo(left(doc), end)
      .lineTo(left(doc) + wide(doc), end)
      .stroke();
    doc.y = end + 0.5;
  }
}

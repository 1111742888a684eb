import type { SheetCell, SheetRow, SheetSection } from '@intervex/core';
import { INK, type Pdf } from './paper';
import { heading, left, room, wide } from './sheet-parts';

/** Sizes of words and figures, points; a figure that is long is set smaller, but no smaller than can be read. */
const SIZES = { item: 9.5, note: 8.2, head: 8.5, cell: 10 } as const;
const LEAST_CELL = 7.5;
const PAD = { top: 2.6, bottom: 2.2, left: 0, right: 8 } as const;
const RULE = { top: 0, right: 0, bottom: 0.3, left: 0 } as const;
/** Most of the width that the columns of values take where notes stand beside them, and where they stand under. */
const BESIDE = 0.46;
const UNDER = 0.72;
/** Least of it, so that short values of several tables stand under each other. */
const LEAST_SHARE = 0.17;

/** The package’s types do not know yet of what a heading is. */
type Cell = PDFKit.Mixins.CellOptions & { readonly scope?: 'Row' | 'Column' };

/** How a table is set: columns, size of its values, and whether notes have lines of their own. */
interface Setting {
  readonly cell: number;
  readonly size: number;
  readonly under: boolean;
}

/** Columns in which every value of the section stands on one line. */
function settingOf(doc: Pdf, section: SheetSection): Setting {
  doc.font('figureStrong').fontSize(SIZES.cell);
  const widest = Math.max(1, ...section.rows.flatMap((row) => row.cells.map((cell) => figureWidth(doc, cell))));
  const count = section.columns.length;
  const wanted = widest + PAD.right + 2;
  const beside = (BESIDE / count) * wide(doc);
  const least = (LEAST_SHARE / Math.max(1, count - 1)) * wide(doc);
  if (wanted <= beside)
    return { cell: Math.max(wanted, Math.min(least, beside)), size: SIZES.cell, under: false };
  const most = (UNDER / count) * wide(doc);
  const cell = Math.min(wanted, most);
  const size = Math.min(SIZES.cell, (SIZES.cell * (cell - PAD.right - 2)) / widest);
  return { cell, size: Math.max(LEAST_CELL, size), under: true };
}

/** Words may be broken over lines, a figure may not. */
const figureWidth = (doc: Pdf, { text }: SheetCell): number =>
  /\d/.test(text) ? doc.widthOfString(text) : Math.max(0, ...text.split(' ').map((w) => doc.widthOfString(w)));

/** A section as a table: what, how, and a value for each column. Words wrap; figures stand on one line. */
export function table(doc: Pdf, section: SheetSection): void {
  const setting = settingOf(doc, section);
  heading(doc, section.title);
  const rest = wide(doc) - section.columns.length * setting.cell;
  const words = setting.under ? [rest] : [0.46 * rest, 0.54 * rest];
  doc.font('text').fontSize(SIZES.item).fillColor(INK.main);
  // The package measures rows; one that does not fit begins the next page with its notes.
  room(doc, 40);
  doc.laidTable({
    position: { x: left(doc), y: doc.y },
    columnStyles: [...words, ...section.columns.map(() => setting.cell)].map((width) => ({ width })),
    defaultStyle: { padding: PAD, border: RULE, borderColor: INK.rule, textColor: INK.main },
    data: [headRow(section, setting), ...section.rows.flatMap((row) => rowsOf(row, setting))],
  });
  doc.x = left(doc);
  doc.font('text').fontSize(SIZES.item).fillColor(INK.main);
}

function headRow({ columns }: SheetSection, { under }: Setting): Cell[] {
  const head = (text: string, x: 'left' | 'right'): Cell => ({
    text,
    type: 'TH',
    scope: 'Column',
    font: { src: 'text', size: SIZES.head },
    textColor: INK.second,
    align: { x, y: 'bottom' },
    border: 0,
  });
  return [
    head('', 'left'),
    ...(under ? [] : [head('', 'left')]),
    ...columns.map((name) => head(name, 'right')),
  ];
}

function rowsOf({ item, note, cells }: SheetRow, { size, under }: Setting): Cell[][] {
  const name: Cell = { text: item, type: 'TH', scope: 'Row', font: { src: 'strong', size: SIZES.item } };
  const said: Cell = { text: note, font: { src: 'text', size: SIZES.note }, textColor: INK.second };
  const values = cells.map(({ text }): Cell => ({
    text,
    font: { src: 'figureStrong', size },
    align: { x: 'right', y: 'top' },
    padding: { ...PAD, left: 0 },
  }));
  if (!under) return [[name, said, ...values]];
  if (note === '') return [[name, ...values]];
  const bare = { border: 0 };
  return [
    [{ ...name, ...bare }, ...values.map((cell) => ({ ...cell, ...bare }))],
    [{ ...said, colSpan: 1 + cells.length, padding: { ...PAD, top: 0 } }],
  ];
}

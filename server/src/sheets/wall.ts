import type { VariantView } from '@intervex/contract';
import {
  ASSUMED_MARK,
  TACK_ONLY,
  type LengthUnit,
  type Sheet,
  type SheetDef,
  type SheetSection,
} from '@intervex/core';
import { INK, type Pdf } from './paper';
import { fitted, left, title, wide } from './sheet-parts';

/** Sizes to be read at arm’s length and farther, points; a long figure is set smaller so that it stays on its line. */
const SIZES = { head: 12, section: 17, item: 18, note: 12, value: 30, warning: 13 } as const;
/** Share of the width for what a row is, and for the box in which what was measured is written. */
const NAME = 0.24;
const BOX = 0.13;

/** One page that hangs over the bench: marks, slug and the checks before going on, large, with room for the pencil. */
export function wall(doc: Pdf, def: SheetDef, variant: VariantView, sheet: Sheet, units: LengthUnit): void {
  title(doc, def.title, variant, units);
  doc.font('text').fontSize(SIZES.head).fillColor(INK.main);
  doc.text(sheet.head.map(([label, value]) => `${label}: ${value}`).join('.  '), left(doc), doc.y + 3, {
    width: wide(doc),
  });
  const from = doc.y + 8;
  const notes = warnings(sheet, def.wall ?? 'the page');
  doc.font('strong').fontSize(SIZES.warning);
  const foot = notes.length ? doc.heightOfString(notes.join('\n'), { width: wide(doc) - 16 }) + 14 : 0;
  const bottom = doc.page.height - doc.page.margins.bottom - foot;
  const rows = sheet.sections.reduce((n, s) => n + s.rows.length, 0);
  const heads = sheet.sections.length * (SIZES.section + 14);
  const tall = Math.min(64, (bottom - from - heads) / Math.max(1, rows));
  let y = from;
  for (const section of sheet.sections) y = sectionAt(doc, section, y, tall);
  if (notes.length) warned(doc, notes, bottom + 4);
}

/** What must be seen before the saw runs: what is missing, stops, and that something is assumed. */
function warnings({ lacks, checks, assumed }: Sheet, rest: string): readonly string[] {
  const stops = checks.filter((c) => c.level === 'stop').length;
  const cautions = checks.filter((c) => c.level === 'caution').length;
  return [
    ...(lacks.length
      ? [`Not complete: ${lacks[0] ?? ''}${lacks.length > 1 ? `, and ${lacks.length - 1} more` : ''}.`]
      : []),
    ...(stops ? [`${stops} ${stops === 1 ? 'stop is' : 'stops are'} open: do not go on. See ${rest}.`] : []),
    ...(cautions ? [`${cautions} ${cautions === 1 ? 'caution' : 'cautions'} not accepted: see ${rest}.`] : []),
    ...(assumed.length
      ? [`${ASSUMED_MARK} rests on ${assumed.length === 1 ? 'a default' : 'defaults'}: see ${rest}.`]
      : []),
  ];
}

function warned(doc: Pdf, notes: readonly string[], y: number): void {
  doc.decoration(() => {
    doc
      .lineWidth(3)
      .strokeColor(INK.stop)
      .moveTo(left(doc) + 1.5, y)
      .lineTo(left(doc) + 1.5, doc.page.height - doc.page.margins.bottom - 4)
      .stroke();
  });
  doc
    .font('strong')
    .fontSize(SIZES.warning)
    .fillColor(INK.stop)
    .text(notes.join('\n'), left(doc) + 10, y, { width: wide(doc) - 16 });
}

function sectionAt(
  doc: Pdf,
  { title: words, columns, rows }: SheetSection,
  from: number,
  tall: number,
): number {
  const [x, width] = [left(doc), wide(doc)];
  const name = NAME * width;
  const column = (width - name) / columns.length;
  doc.font('strong').fillColor(INK.main);
  fitted(doc, words, {
    x,
    y: from,
    width: columns.length > 2 ? name - 8 : width / 2,
    size: SIZES.section,
    structType: 'H2',
  });
  doc.font('text').fillColor(INK.second);
  columns.forEach((text, i) => {
    fitted(doc, text, {
      x: x + name + i * column,
      y: from + 4,
      width: column - 8,
      size: SIZES.note,
      align: 'right',
    });
  });
  let y = from + SIZES.section + 6;
  line(doc, y, 1);
  for (const { item, note, cells } of rows) {
    const box = BOX * width;
    doc.font('strong').fillColor(INK.main);
    fitted(doc, item, { x, y: y + 6, width: name - 8, size: SIZES.item });
    const tack = note.startsWith(TACK_ONLY);
    doc.font(tack ? 'strong' : 'text').fillColor(tack ? INK.stop : INK.second);
    // What it assumes is said at the foot; a weld that is only tacked, and why, goes before all else.
    const said = (tack ? note.split('; ')[0] : note.split(/; [*†]/)[0]) ?? '';
    fitted(doc, said, { x, y: y + 8 + SIZES.item, width: name - 8, size: SIZES.note });
    cells.forEach(({ text }, i) => {
      const at = x + name + i * column;
      const room = column - box - 12;
      doc.font('figureStrong').fillColor(INK.main);
      value(doc, text, { x: at, y, width: room, tall });
      doc.decoration(() => {
        doc
          .lineWidth(0.8)
          .strokeColor(INK.second)
          .rect(at + column - box, y + 5, box - 4, tall - 10)
          .stroke();
      });
    });
    y += tall;
    line(doc, y, 0.4);
  }
  return y + 8;
}

/** A printed value apart: number, what a tape fraction leaves with its unit, and the mark of a default. */
const VALUE = /^(.*?)( [+−] \.\d+)?( mm| in)?([*†]{1,2})?$/;

/** The number as large as its row; what a fraction leaves, and the unit, small under it. */
function value(
  doc: Pdf,
  text: string,
  { x, y, width, tall }: { x: number; y: number; width: number; tall: number },
): void {
  const [, number = text, rest = '', unit = '', star = ''] = VALUE.exec(text) ?? [];
  const small = `${rest}${unit}`.trim();
  const size = Math.min(SIZES.value, 0.6 * (tall - 8));
  fitted(doc, `${number}${star}`, { x, y: y + (small ? 4 : (tall - size) / 2), width, size, align: 'right' });
  fitted(doc, small, {
    x,
    y: y + 8 + size,
    width,
    size: Math.min(SIZES.item, 0.34 * (tall - 8)),
    align: 'right',
  });
}

function line(doc: Pdf, y: number, width: number): void {
  doc.decoration(() => {
    doc
      .lineWidth(width)
      .strokeColor(width < 1 ? INK.rule : INK.main)
      .moveTo(left(doc), y)
      .lineTo(left(doc) + wide(doc), y)
      .stroke();
  });
}

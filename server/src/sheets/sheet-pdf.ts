import type { VariantView } from '@intervex/contract';
import {
  ASSUMED_MARK,
  evaluate,
  isoDay,
  type LengthUnit,
  type Results,
  type Sheet,
  type SheetCheck,
  type SheetDef,
  type View,
} from '@intervex/core';
import { sheetOf } from '@intervex/core/sheets';
import { drawView, onPaper } from './draw-view';
import { wall } from './wall';
import { bytesOf, INK, newPaper, PT_PER_MM, type PaperName, type Pdf } from './paper';
import { footers, heading, left, paragraph, room, title, wide } from './sheet-parts';
import { table } from './table';

export interface PdfOptions {
  readonly units: LengthUnit;
  readonly paper: PaperName;
}

/** Length of the bar that proves the printer's scale, mm on paper. */
const SCALE_BAR_MM = 100;
/** A sheet of a variant as PDF: drawing to a stated scale where it has one, its sections, checks, cautions. */
export function sheetPdf(
  variant: VariantView,
  def: SheetDef,
  { units, paper }: PdfOptions,
  results = evaluate(variant.plan, isoDay(new Date())),
): Promise<Buffer> {
  const sheet = sheetOf(def, results, units);
  const views = def.views ? results.of(def.views) : [];
  const doc = newPaper(paper, `${def.title}, ${variant.projectName}, ${variant.name}`);
  if (def.wall) {
    wall(doc, def, variant, sheet, units);
    footers(doc, variant);
    return bytesOf(doc);
  }
  titleBlock(doc, def.title, variant, sheet, units);
  if (views.length) drawings(doc, views, units, results);
  if (sheet.lacks.length) paragraph(doc, 'Not complete', sheet.lacks);
  if (sheet.assumed.length) paragraph(doc, `Assumed, marked ${ASSUMED_MARK} below`, sheet.assumed);
  for (const section of sheet.sections) table(doc, section);
  const open = sheet.checks.filter((c) => c.level !== 'unknown');
  const unknown = sheet.checks.filter((c) => c.level === 'unknown');
  checks(doc, 'Open checks', open, unknown.length ? 'None of those that can be told.' : 'No open checks.');
  if (unknown.length) checks(doc, 'Checks that cannot be told yet', unknown, '');
  checks(doc, 'Accepted deviations', sheet.accepted, 'None accepted.');
  if (sheet.limits.length) paragraph(doc, 'Changed limits', sheet.limits);
  if (sheet.notes) paragraph(doc, 'Notes', [sheet.notes]);
  paragraph(doc, 'Cautions', sheet.cautions);
  footers(doc, variant);
  return bytesOf(doc);
}

const LABEL_WIDE = 58;
const HEAD_COLUMNS = 3;

/** What the sheet is of, in columns; a long value takes as many lines as it needs. */
function titleBlock(doc: Pdf, name: string, variant: VariantView, sheet: Sheet, units: LengthUnit): void {
  title(doc, name, variant, units);
  doc.moveDown(0.4);
  const width = wide(doc) / HEAD_COLUMNS;
  const top = doc.y;
  const lines = Math.ceil(sheet.head.length / HEAD_COLUMNS);
  let end = top;
  for (let column = 0; column < HEAD_COLUMNS; column += 1) {
    const x = left(doc) + column * width;
    doc.y = top;
    for (const [label, value] of sheet.head.slice(column * lines, (column + 1) * lines)) {
      const y = doc.y;
      doc.font('text').fontSize(8.5).fillColor(INK.second);
      doc.text(label, x, y, { width: LABEL_WIDE - 4 });
      const under = doc.y;
      doc
        .font('strong')
        .fillColor(INK.main)
        .text(value, x + LABEL_WIDE, y, { width: width - LABEL_WIDE - 8 });
      doc.y = Math.max(under, doc.y) + 2;
    }
    end = Math.max(end, doc.y);
  }
  doc.y = end + 2;
}

/** Drawings one under another, each with its scale, and the bar that proves it. */
function drawings(doc: Pdf, views: readonly View[], units: LengthUnit, results: Results): void {
  doc.y += 6;
  for (const view of views) {
    const laid = onPaper(view, wide(doc), units, results);
    room(doc, laid.height + 34);
    const words = `${view.title}, drawn 1 : ${laid.scale}, lengths in ${units === 'mm' ? 'mm' : 'inch'}`;
    doc.font('strong').fontSize(8.5).fillColor(INK.main).text(words, left(doc), doc.y);
    const top = doc.y + 2;
    doc.figure(`${words}; its sizes stand in the tables below`, () => {
      drawView(doc, laid, left(doc), top);
    });
    doc.x = left(doc);
    doc.y = top + laid.height + 6;
  }
  room(doc, 26);
  scaleBar(doc, doc.y + 8);
  doc.x = left(doc);
  doc.y += 20;
}

function scaleBar(doc: Pdf, y: number): void {
  const x = left(doc);
  const length = SCALE_BAR_MM * PT_PER_MM;
  doc.decoration(() => {
    doc.undash().lineWidth(0.8).strokeColor(INK.main);
    doc
      .moveTo(x, y)
      .lineTo(x + length, y)
      .stroke();
    for (let i = 0; i <= 10; i += 1) {
      const at = x + (length * i) / 10;
      doc
        .moveTo(at, y)
        .lineTo(at, y - (i % 5 === 0 ? 6 : 3))
        .stroke();
    }
  });
  const text = `This bar is ${SCALE_BAR_MM} mm: check it with a ruler, and print without fitting to the page.`;
  doc
    .font('text')
    .fontSize(8)
    .fillColor(INK.main)
    .text(text, x + length + 8, y - 8, { width: wide(doc) - length - 8 });
}

const ACCEPTED = ['Accepted', INK.second] as const;
const LEVELS = {
  stop: ['STOP', INK.stop],
  caution: ['Caution', INK.caution],
  unknown: ['Unknown', INK.second],
  ok: ['Passed', INK.second],
} as const;

function checks(doc: Pdf, name: string, list: readonly SheetCheck[], none: string): void {
  heading(doc, name);
  if (list.length === 0) doc.font('text').fontSize(8.5).fillColor(INK.second).text(none, left(doc), doc.y);
  for (const check of list) {
    const indent = { width: wide(doc) - 52 };
    const numbers = check.figure ? `: ${check.figure}${check.limit ? `, limit ${check.limit}` : ''}` : '';
    const title = `${check.title}${numbers}`;
    const under = [check.accepted ? `Reason: ${check.accepted}` : check.todo, check.note]
      .filter(Boolean)
      .join(' ');
    const tall =
      doc.font('strong').fontSize(9.5).heightOfString(title, indent) +
      doc
        .font('text')
        .fontSize(9)
        .heightOfString(under || ' ', indent);
    room(doc, tall + 4);
    const [word, colour] = check.accepted ? ACCEPTED : LEVELS[check.level];
    const y = doc.y + 2;
    doc.font('strong').fontSize(9.5).fillColor(colour).text(word, left(doc), y, { width: 48 });
    doc
      .font('strong')
      .fillColor(INK.main)
      .text(title, left(doc) + 52, y, indent);
    doc
      .font('text')
      .fontSize(9)
      .fillColor(INK.second)
      .text(under, left(doc) + 52, doc.y, indent);
  }
}

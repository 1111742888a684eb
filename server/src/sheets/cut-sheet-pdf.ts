import type { VariantView } from '@intervex/contract';
import {
  cutSheet,
  evaluate,
  rearView,
  type CutSheet,
  type LengthUnit,
  type SheetCheck,
  type SheetSection,
  type View,
} from '@intervex/core';
import { drawView } from './draw-view';
import { bytesOf, fittingScale, INK, MARGIN_MM, newPaper, PT_PER_MM, type PaperName, type Pdf } from './paper';

export interface PdfOptions {
  readonly units: LengthUnit;
  readonly paper: PaperName;
}

/** Length of the bar that proves the printer's scale, mm on paper. */
export const SCALE_BAR_MM = 100;
const UNIT_NAMES: Readonly<Record<LengthUnit, string>> = {
  mm: 'mm',
  in: 'decimal inch',
  frac: 'inch, 1/16 with the rest in mm',
};

/** The cut sheet as PDF: drawing to a stated scale, marks, shafts, checks, acceptances, cautions. */
export function cutSheetPdf(variant: VariantView, { units, paper }: PdfOptions): Promise<Buffer> {
  const results = evaluate(variant.plan);
  const sheet = cutSheet(variant.plan, results, units);
  const doc = newPaper(paper, `Cut sheet, ${variant.projectName}, ${variant.name}`);
  titleBlock(doc, variant, sheet, units);
  drawing(doc, rearView(results, variant.plan.choices), units);
  if (sheet.lacks.length) paragraph(doc, 'Not complete', sheet.lacks);
  for (const section of sheet.sections) table(doc, section);
  checks(doc, 'Open checks', sheet.checks, 'No open checks.');
  checks(doc, 'Accepted deviations', sheet.accepted, 'None accepted.');
  if (sheet.limits.length) paragraph(doc, 'Changed limits', sheet.limits);
  if (sheet.notes) paragraph(doc, 'Notes', [sheet.notes]);
  paragraph(doc, 'Cautions', sheet.cautions);
  footers(doc, variant);
  return bytesOf(doc);
}

const left = (doc: Pdf): number => doc.page.margins.left;
const wide = (doc: Pdf): number => doc.page.width - 2 * doc.page.margins.left;

/** Starts a new page where `points` do not fit any more. */
function room(doc: Pdf, points: number): void {
  if (doc.y + points > doc.page.height - doc.page.margins.bottom - 14) doc.addPage();
}

function titleBlock(doc: Pdf, variant: VariantView, sheet: CutSheet, units: LengthUnit): void {
  doc.font('strong').fontSize(17).text('Cut sheet', left(doc), doc.page.margins.top);
  doc.font('text').fontSize(9).fillColor(INK.second);
  doc.text(
    `${variant.projectName}: ${variant.name}. Revision ${variant.revision}, ${variant.savedAt.slice(0, 10)}. Lengths in ${UNIT_NAMES[units]}.`,
  );
  doc.moveDown(0.4);
  const columns = 3;
  const width = wide(doc) / columns;
  const top = doc.y;
  const lines = Math.ceil(sheet.head.length / columns);
  sheet.head.forEach(([label, value], i) => {
    const x = left(doc) + Math.floor(i / lines) * width;
    const y = top + (i % lines) * 12;
    doc.font('text').fontSize(8).fillColor(INK.second).text(label, x, y, { width: 52, lineBreak: false });
    doc
      .font('strong')
      .fillColor(INK.main)
      .text(value, x + 52, y, { width: width - 56, height: 11, ellipsis: true });
  });
  doc.y = top + lines * 12 + 4;
}

function drawing(doc: Pdf, view: View, units: LengthUnit): void {
  const { bounds } = view;
  const scale = fittingScale(bounds.right - bounds.left, wide(doc) / PT_PER_MM - 4);
  const k = PT_PER_MM / scale;
  const above = 34;
  const below = 46;
  const top = doc.y;
  const x = left(doc) + wide(doc) / 2 - ((bounds.left + bounds.right) / 2) * k;
  drawView(doc, view, { x, y: top + above + bounds.top * k, scale, units });
  const y = top + above + (bounds.top - bounds.bottom) * k + below;
  scaleBar(doc, y, scale);
  doc.x = left(doc);
  doc.y = y + 16;
}

function scaleBar(doc: Pdf, y: number, scale: number): void {
  const x = left(doc);
  const length = SCALE_BAR_MM * PT_PER_MM;
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
  const text = `Drawn 1 : ${scale}. This bar is ${SCALE_BAR_MM} mm: check it with a ruler, and print without fitting to the page.`;
  doc
    .font('text')
    .fontSize(8)
    .fillColor(INK.main)
    .text(text, x + length + 8, y - 8, { width: wide(doc) - length - 8 });
}

function heading(doc: Pdf, text: string): void {
  room(doc, 44);
  doc
    .font('strong')
    .fontSize(10.5)
    .fillColor(INK.main)
    .text(text, left(doc), doc.y + 7);
  doc
    .lineWidth(0.6)
    .strokeColor(INK.main)
    .moveTo(left(doc), doc.y + 1)
    .lineTo(left(doc) + wide(doc), doc.y + 1)
    .stroke();
  doc.y += 4;
}

function table(doc: Pdf, section: SheetSection): void {
  heading(doc, section.title);
  const [item, note, cell] = [0.27, 0.29, 0.22].map((share) => share * wide(doc)) as [number, number, number];
  const columns = [
    left(doc),
    left(doc) + item,
    left(doc) + item + note,
    left(doc) + item + note + cell,
  ] as const;
  doc.font('text').fontSize(8).fillColor(INK.second);
  const top = doc.y;
  doc
    .text('Left', columns[2], top, { width: cell - 4, align: 'right' })
    .text('Right', columns[3], top, { width: cell - 4, align: 'right' });
  for (const row of section.rows) {
    room(doc, 14);
    const y = doc.y + 1;
    doc
      .font('strong')
      .fontSize(8.5)
      .fillColor(INK.main)
      .text(row.item, columns[0], y, { width: item - 4, lineBreak: false });
    doc
      .font('text')
      .fontSize(7.5)
      .fillColor(INK.second)
      .text(row.note, columns[1], y + 0.8, { width: note - 4, lineBreak: false });
    doc.font('figureStrong').fontSize(8.5).fillColor(INK.main);
    doc.text(row.cells.left.text, columns[2], y, { width: cell - 4, align: 'right', lineBreak: false });
    doc.text(row.cells.right.text, columns[3], y, { width: cell - 4, align: 'right', lineBreak: false });
    doc
      .lineWidth(0.25)
      .strokeColor(INK.rule)
      .moveTo(left(doc), y + 11.5)
      .lineTo(left(doc) + wide(doc), y + 11.5)
      .stroke();
    doc.y = y + 12;
  }
}

function checks(doc: Pdf, title: string, list: readonly SheetCheck[], none: string): void {
  heading(doc, title);
  if (list.length === 0) doc.font('text').fontSize(8.5).fillColor(INK.second).text(none, left(doc), doc.y);
  for (const check of list) {
    room(doc, 34);
    const word = check.accepted ? 'Accepted' : check.level === 'stop' ? 'STOP' : 'Caution';
    const colour = check.accepted ? INK.second : check.level === 'stop' ? INK.stop : INK.caution;
    const y = doc.y + 2;
    doc.font('strong').fontSize(8.5).fillColor(colour).text(word, left(doc), y, { width: 48 });
    const numbers = check.figure ? `: ${check.figure}${check.limit ? `, limit ${check.limit}` : ''}` : '';
    const indent = { width: wide(doc) - 52 };
    doc
      .font('strong')
      .fillColor(INK.main)
      .text(`${check.title}${numbers}`, left(doc) + 52, y, indent);
    doc
      .font('text')
      .fontSize(8)
      .fillColor(INK.second)
      .text(check.accepted ? `Reason: ${check.accepted}` : check.todo, left(doc) + 52, doc.y, indent);
  }
}

function paragraph(doc: Pdf, title: string, lines: readonly string[]): void {
  heading(doc, title);
  for (const line of lines) {
    doc.font('text').fontSize(8.2);
    room(doc, doc.heightOfString(line, { width: wide(doc) }) + 2);
    doc.fillColor(INK.main).text(line, left(doc), doc.y + 1, { width: wide(doc) });
  }
}

function footers(doc: Pdf, variant: VariantView): void {
  const { start, count } = doc.bufferedPageRange();
  for (let i = start; i < start + count; i += 1) {
    doc.switchToPage(i);
    const y = doc.page.height - MARGIN_MM * PT_PER_MM - 8;
    doc.page.margins.bottom = 0;
    doc.font('text').fontSize(7).fillColor(INK.second);
    doc.text(
      `Intervex. ${variant.projectName}, ${variant.name}, revision ${variant.revision}. Page ${i + 1} of ${count}. Plans and records; does not approve.`,
      left(doc),
      y,
      { lineBreak: false },
    );
  }
}

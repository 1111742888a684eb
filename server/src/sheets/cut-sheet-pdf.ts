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
import { bytesOf, fittingScale, INK, newPaper, PT_PER_MM, type PaperName, type Pdf } from './paper';
import { footers, heading, left, paragraph, room, title, wide } from './sheet-parts';

export interface PdfOptions {
  readonly units: LengthUnit;
  readonly paper: PaperName;
}

/** Length of the bar that proves the printer's scale, mm on paper. */
export const SCALE_BAR_MM = 100;
/** A sheet with its name, and the drawing that goes with it. */
export interface NamedSheet {
  readonly name: string;
  readonly sheet: CutSheet;
  readonly view?: View;
}

/** The cut sheet as PDF: drawing to a stated scale, marks, shafts, checks, acceptances, cautions. */
export function cutSheetPdf(variant: VariantView, options: PdfOptions): Promise<Buffer> {
  const results = evaluate(variant.plan);
  const sheet = cutSheet(variant.plan, results, options.units);
  return sheetPdf(
    variant,
    { name: 'Cut sheet', sheet, view: rearView(results, variant.plan.choices) },
    options,
  );
}

/** Any sheet as PDF. */
export function sheetPdf(
  variant: VariantView,
  { name, sheet, view }: NamedSheet,
  { units, paper }: PdfOptions,
): Promise<Buffer> {
  const doc = newPaper(paper, `${name}, ${variant.projectName}, ${variant.name}`);
  titleBlock(doc, name, variant, sheet, units);
  if (view) drawing(doc, view, units);
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

function titleBlock(doc: Pdf, name: string, variant: VariantView, sheet: CutSheet, units: LengthUnit): void {
  title(doc, name, variant, units);
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
    .text(section.columns?.[0] ?? 'Left', columns[2], top, { width: cell - 4, align: 'right' })
    .text(section.columns?.[1] ?? 'Right', columns[3], top, { width: cell - 4, align: 'right' });
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

function checks(doc: Pdf, name: string, list: readonly SheetCheck[], none: string): void {
  heading(doc, name);
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

import type { VariantView } from '@intervex/contract';
import { CAUTIONS, evaluate, isoDay } from '@intervex/core';
import { surveySheet, walkTitle, type SurveySheetRow } from '@intervex/core/sheets';
import type { PdfOptions } from './sheet-pdf';
import { bytesOf, INK, newPaper, type Pdf } from './paper';
import { fitted, footers, heading, left, paragraph, room, title, wide } from './sheet-parts';

export interface SurveySheetOptions extends PdfOptions {
  readonly stage: string;
  /** With what was read, or blank to write on. */
  readonly filled: boolean;
}

/** Repeats that have a box each. */
const BOXES = 3;
/** Height of one line, points: room for a pencil. */
const LINE = 21;
const BOX_WIDE = 62;
/** Width of what follows the boxes, points. */
const RESULT_WIDE = 106;
const TICK = 7;

/** The survey sheet as PDF in walking order: blank for the pencil, or filled. */
export function surveySheetPdf(variant: VariantView, options: SurveySheetOptions): Promise<Buffer> {
  const { units, paper, stage, filled } = options;
  const doc = newPaper(paper, `${walkTitle(stage)}, ${variant.projectName}, ${variant.name}`);
  title(doc, walkTitle(stage), variant, units);
  by(doc, filled);
  const sections = surveySheet(variant.plan, evaluate(variant.plan, isoDay(new Date())), {
    stage,
    unit: units,
    filled,
  });
  for (const section of sections) {
    heading(doc, section.title);
    for (const row of section.rows) {
      if (row.options.length) ticks(doc, row);
      else reading(doc, row);
    }
  }
  paragraph(doc, 'Cautions', CAUTIONS);
  footers(doc, variant);
  return bytesOf(doc);
}

function by(doc: Pdf, filled: boolean): void {
  const text = filled
    ? 'Three boxes a reading: as read; then the mean with its uncertainty (k = 2).'
    : 'Read by ____________________   Date ______________   Two readings that agree beat one; a third where they do not.';
  doc
    .font('text')
    .fontSize(8.5)
    .fillColor(INK.main)
    .text(text, left(doc), doc.y + 4);
}

/** Name and hint at the left of a line; gives where the line begins and ends. */
function label(doc: Pdf, row: SurveySheetRow, width: number): { top: number; end: number } {
  const fits = { width: width - 6 };
  const how = [row.how, row.hint].filter(Boolean).join('. ');
  const tall =
    doc.font('strong').fontSize(8.5).heightOfString(row.name, fits) +
    doc.font('text').fontSize(6.8).heightOfString(how, fits);
  room(doc, Math.max(LINE, tall) + 4);
  const top = doc.y + 2;
  doc.font('strong').fontSize(8.5).fillColor(INK.main).text(row.name, left(doc), top, fits);
  doc.font('text').fontSize(6.8).fillColor(INK.second).text(how, left(doc), doc.y, fits);
  return { top, end: Math.max(top + LINE - 1, doc.y + 1) };
}

function rule(doc: Pdf, y: number): void {
  doc.lineWidth(0.25).strokeColor(INK.rule);
  doc
    .moveTo(left(doc), y)
    .lineTo(left(doc) + wide(doc), y)
    .stroke();
  doc.y = y;
}

function reading(doc: Pdf, row: SurveySheetRow): void {
  const boxes = BOXES * (BOX_WIDE + 4);
  const x0 = left(doc) + wide(doc) - RESULT_WIDE - boxes - 2;
  const { top: y, end } = label(doc, row, x0 - left(doc));
  for (let i = 0; i < BOXES; i += 1) {
    const x = x0 + i * (BOX_WIDE + 4);
    doc
      .lineWidth(0.4)
      .strokeColor(INK.second)
      .rect(x, y + 1, BOX_WIDE, LINE - 6)
      .stroke();
    doc.font('figure').fillColor(INK.main);
    fitted(doc, row.repeats[i] ?? '', { x: x + 2, y: y + 4.5, width: BOX_WIDE - 4, size: 7.5, align: 'right' });
  }
  const x = x0 + boxes + 2;
  doc.font('text').fontSize(7.5).fillColor(INK.second);
  if (row.result === '') doc.text(row.unit, x, y + 4.5, { lineBreak: false });
  else {
    doc.font('figureStrong').fillColor(row.agreement === 'disagree' ? INK.caution : INK.main);
    const more = row.repeats.length > BOXES ? `, ${row.repeats.length} read` : '';
    const tail = row.agreement === 'disagree' ? `${more}: take another` : more;
    const [value = '', U] = row.result.split(' ± ');
    const under = `${U === undefined ? '' : `± ${U}`}${tail}`.replace(/^, /, '');
    fitted(doc, value, { x, y: under ? y + 0.5 : y + 4.5, width: RESULT_WIDE, size: 7.2 });
    fitted(doc, under, { x, y: y + 9, width: RESULT_WIDE, size: 7.2 });
  }
  rule(doc, end);
}

function ticks(doc: Pdf, row: SurveySheetRow): void {
  const wideLabel = 0.34 * wide(doc);
  const { top: y, end } = label(doc, row, wideLabel);
  let x = left(doc) + wideLabel;
  let line = y + 1;
  for (const option of row.options) {
    doc.font(option === row.ticked ? 'strong' : 'text').fontSize(7.5);
    const width = TICK + 4 + doc.widthOfString(option) + 12;
    if (x + width > left(doc) + wide(doc)) {
      x = left(doc) + wideLabel;
      line += 11;
    }
    doc.lineWidth(0.5).strokeColor(INK.main).rect(x, line, TICK, TICK).stroke();
    if (option === row.ticked) cross(doc, x, line);
    doc.fillColor(INK.main).text(option, x + TICK + 4, line - 0.5, { lineBreak: false });
    x += width;
  }
  rule(doc, Math.max(end, line + 12));
}

function cross(doc: Pdf, x: number, y: number): void {
  doc.lineWidth(1).strokeColor(INK.dye);
  doc
    .moveTo(x + 1.5, y + 1.5)
    .lineTo(x + TICK - 1.5, y + TICK - 1.5)
    .stroke();
  doc
    .moveTo(x + TICK - 1.5, y + 1.5)
    .lineTo(x + 1.5, y + TICK - 1.5)
    .stroke();
}

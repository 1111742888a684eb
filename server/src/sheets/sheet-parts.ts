import type { VariantView } from '@intervex/contract';
import type { LengthUnit } from '@intervex/core';
import { INK, MARGIN_MM, PT_PER_MM, type Pdf } from './paper';

const UNIT_NAMES: Readonly<Record<LengthUnit, string>> = {
  mm: 'mm',
  in: 'decimal inch',
  frac: 'inch, 1/16 with the rest in thousandths',
};

export const left = (doc: Pdf): number => doc.page.margins.left;
export const wide = (doc: Pdf): number => doc.page.width - 2 * doc.page.margins.left;

/** Starts a new page where `points` do not fit any more. */
export function room(doc: Pdf, points: number): void {
  if (doc.y + points > doc.page.height - doc.page.margins.bottom - 14) doc.addPage();
}

/** A heading with a rule under it; begins a new page where nothing would fit under it. */
export function heading(doc: Pdf, text: string): void {
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

/** Where one line of text stands, and how wide and how large it may be, points. */
interface Fit {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly size: number;
  readonly align?: 'left' | 'right';
}

/** One line of text in the font that is set: smaller where it would not fit, never broken or cut off. */
export function fitted(doc: Pdf, text: string, { x, y, width, size, align = 'left' }: Fit): void {
  if (text === '') return;
  const wanted = doc.fontSize(size).widthOfString(text);
  doc.fontSize(Math.min(size, (size * width) / wanted));
  const at = align === 'right' ? x + width - doc.widthOfString(text) : x;
  doc.text(text, at, y, { lineBreak: false });
}

/** Lines of text under a heading. */
export function paragraph(doc: Pdf, title: string, lines: readonly string[]): void {
  heading(doc, title);
  for (const line of lines) {
    doc.font('text').fontSize(8.2);
    room(doc, doc.heightOfString(line, { width: wide(doc) }) + 2);
    doc.fillColor(INK.main).text(line, left(doc), doc.y + 1, { width: wide(doc) });
  }
}

/** What and which revision, and the page, at the foot of every page. */
export function footers(doc: Pdf, variant: VariantView): void {
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

/** Name of the sheet, of whose plan it is, and in which unit. */
export function title(doc: Pdf, name: string, variant: VariantView, units: LengthUnit): void {
  doc.font('strong').fontSize(17).fillColor(INK.main).text(name, left(doc), doc.page.margins.top);
  doc.font('text').fontSize(9).fillColor(INK.second);
  doc.text(
    `${variant.projectName}: ${variant.name}. Revision ${variant.revision}, ${variant.savedAt.slice(0, 10)}. Lengths in ${UNIT_NAMES[units]}.`,
  );
}

import type { VariantView } from '@intervex/contract';
import type { LengthUnit } from '@intervex/core';
import { INK, MARGIN_MM, PT_PER_MM, type Pdf } from './paper';

const UNIT_NAMES: Readonly<Record<LengthUnit, string>> = {
  mm: 'mm',
  in: 'decimal inch',
  frac: 'inch, tape to 1/16',
  frac32: 'inch, tape to 1/32',
  frac64: 'inch, tape to 1/64',
};

export const left = (doc: Pdf): number => doc.page.margins.left;
export const wide = (doc: Pdf): number => doc.page.width - 2 * doc.page.margins.left;

/** Starts a new page where `points` do not fit any more. */
export function room(doc: Pdf, points: number): void {
  if (doc.y + points > doc.page.height - doc.page.margins.bottom) doc.addPage();
}

/** A heading with a rule under it; begins a new page where nothing would fit under it. */
export function heading(doc: Pdf, text: string): void {
  room(doc, 44);
  doc
    .font('strong')
    .fontSize(11.5)
    .fillColor(INK.main)
    .text(text, left(doc), doc.y + 7, { structType: 'H2' });
  doc.decoration(() => {
    doc
      .lineWidth(0.6)
      .strokeColor(INK.main)
      .moveTo(left(doc), doc.y + 1)
      .lineTo(left(doc) + wide(doc), doc.y + 1)
      .stroke();
  });
  doc.y += 4;
}

/** Where one line of text stands, and how wide and how large it may be, points. */
interface Fit {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly size: number;
  readonly align?: 'left' | 'right';
  /** What it is in the tagged document. */
  readonly structType?: 'H2';
}

/** One line of text in the font that is set: smaller where it would not fit, never broken or cut off. */
export function fitted(doc: Pdf, text: string, { x, y, width, size, align = 'left', structType }: Fit): void {
  if (text === '') return;
  const wanted = doc.fontSize(size).widthOfString(text);
  doc.fontSize(Math.min(size, (size * width) / wanted));
  const at = align === 'right' ? x + width - doc.widthOfString(text) : x;
  doc.text(text, at, y, { lineBreak: false, ...(structType ? { structType } : {}) });
}

/** Lines of text under a heading. */
export function paragraph(doc: Pdf, title: string, lines: readonly string[]): void {
  heading(doc, title);
  for (const line of lines) {
    doc.font('text').fontSize(9);
    room(doc, doc.heightOfString(line, { width: wide(doc) }) + 2);
    doc.fillColor(INK.main).text(line, left(doc), doc.y + 1, { width: wide(doc) });
  }
}

/** Names are set as small as this where they are long, points. */
const LEAST_NAME = 5.5;

/** Whose plan and which revision; under it the page, and what the sheet is not: at the foot of every page, always whole. */
export function footers(doc: Pdf, variant: VariantView): void {
  const { start, count } = doc.bufferedPageRange();
  const name = `Intervex. ${variant.projectName}, ${variant.name}, revision ${variant.revision}.`;
  for (let i = start; i < start + count; i += 1) {
    doc.switchToPage(i);
    doc.page.margins.bottom = 0;
    const y = doc.page.height - MARGIN_MM * PT_PER_MM - 10;
    doc.decoration(() => {
      doc.font('text').fillColor(INK.second);
      fitted(doc, shortened(doc, name), { x: left(doc), y, width: wide(doc), size: 7.5 });
      doc.font('text').fontSize(7.5);
      doc.text(`Page ${i + 1} of ${count}. Plans and records; does not approve.`, left(doc), y + 10, {
        lineBreak: false,
      });
    });
  }
}

/** A text as long as the line holds it in the smallest letters. */
function shortened(doc: Pdf, text: string): string {
  const fits = (said: string) => doc.fontSize(LEAST_NAME).widthOfString(said) <= wide(doc);
  if (fits(text)) return text;
  let kept = [...text];
  while (kept.length > 1 && !fits(`${kept.join('')}…`)) kept = kept.slice(0, -1);
  return `${kept.join('')}…`;
}

/** Name of the sheet, of whose plan it is, and in which unit. */
export function title(doc: Pdf, name: string, variant: VariantView, units: LengthUnit): void {
  doc
    .font('strong')
    .fontSize(18)
    .fillColor(INK.main)
    .text(name, left(doc), doc.page.margins.top, { structType: 'H1' });
  doc.font('text').fontSize(9.5).fillColor(INK.second);
  doc.text(
    `${variant.projectName}: ${variant.name}. Revision ${variant.revision}, ${variant.savedAt.slice(0, 10)}. Lengths in ${UNIT_NAMES[units]}.`,
  );
}

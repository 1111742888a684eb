import PDFDocument from 'pdfkit';
import { createRequire } from 'node:module';

/** Points in one millimetre: 72 points an inch. */
export const PT_PER_MM = 72 / 25.4;
/** Margin all round, mm. */
export const MARGIN_MM = 14;

export type PaperName = 'a4' | 'letter';
export type Pdf = PDFKit.PDFDocument;

/** Ink, second ink, rule, dye and tint as the paper uses them. */
export const INK = {
  main: '#17202A',
  second: '#52606D',
  rule: '#B8C0C5',
  dye: '#223A9E',
  tint: '#E4E8F6',
  caution: '#A85B00',
  stop: '#B3261E',
} as const;

/** Scales a drawing may be printed at, 1 : n. */
const SCALES = [1, 2, 2.5, 4, 5, 6, 8, 10, 12, 15, 20, 25] as const;

const require = createRequire(import.meta.url);
const archivo = (file: string): string => require.resolve(`@expo-google-fonts/archivo/${file}`);
const mono = (file: string): string => require.resolve(`@expo-google-fonts/spline-sans-mono/${file}`);

/** Fonts of the sheet, unpacked: a packed one is unpacked anew for every letter. */
const FONTS = {
  text: archivo('400Regular/Archivo_400Regular.ttf'),
  strong: archivo('600SemiBold/Archivo_600SemiBold.ttf'),
  figure: mono('400Regular/SplineSansMono_400Regular.ttf'),
  figureStrong: mono('600SemiBold/SplineSansMono_600SemiBold.ttf'),
} as const;

/** An empty document with the fonts of the sheet. */
export function newPaper(paper: PaperName, title: string): Pdf {
  const doc = new PDFDocument({
    size: paper === 'a4' ? 'A4' : 'LETTER',
    margin: MARGIN_MM * PT_PER_MM,
    bufferPages: true,
    info: { Title: title, Creator: 'Intervex' },
  });
  for (const [name, file] of Object.entries(FONTS)) doc.registerFont(name, file);
  return doc.font('text').fillColor(INK.main);
}

/**
 * Largest standard scale at which a length fits.
 *
 * @param lengthMm at full size
 * @param roomMm on paper
 * @returns n of 1 : n
 * @example fittingScale(1533.5, 182) // 10
 */
export function fittingScale(lengthMm: number, roomMm: number): number {
  return SCALES.find((n) => lengthMm / n <= roomMm) ?? Math.ceil(lengthMm / roomMm / 5) * 5;
}

/** Collects a document's bytes. */
export function bytesOf(doc: Pdf): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    const chunks: Buffer[] = [];
    doc.on('data', (chunk: Buffer) => chunks.push(chunk));
    doc.on('end', () => {
      resolve(Buffer.concat(chunks));
    });
    doc.on('error', reject);
    doc.end();
  });
}

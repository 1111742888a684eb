import PDFDocument from 'pdfkit';
import { coveringFont, fontBytes, isFontName, nameOfFile, type FontName } from './fonts';

/** Points in one millimetre: 72 points an inch. */
export const PT_PER_MM = 72 / 25.4;
/** Margin all round, mm. */
export const MARGIN_MM = 14;

export type PaperName = 'a4' | 'letter';

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

type TextOptions = PDFKit.Mixins.TextOptions;
/** A place in the order in which a sheet is read aloud. */
type Structure = PDFKit.PDFStructureElement;

/**
 * A document in which every text is set in a font that has letters for it, whatever its script, and is read aloud in the
 * order in which it was written. Lines and rules are for the eye alone.
 */
class Paper extends PDFDocument {
  private face: FontName = 'text';
  private sheet: Structure | undefined;
  /** Text that is drawn now belongs to a part that names it as a whole. */
  private inside = 0;
  /** The font is set for a text whose words are measured one by one. */
  private within = false;
  private readonly known = new Set<string>();

  constructor(options: PDFKit.PDFDocumentOptions) {
    super(options);
    this.sheet = this.struct('Document');
    this.addStructure(this.sheet);
  }

  override font(src: PDFKit.Mixins.PDFFontSource, family?: string | number, size?: number): this {
    this.face = isFontName(src) ? src : (nameOfFile(src) ?? this.face);
    const file = isFontName(src) ? coveringFont(src, '').file : src;
    if (typeof family === 'number') return super.font(file, family);
    return family === undefined ? super.font(file, size) : super.font(file, family, size);
  }

  override widthOfString(text: string, options?: TextOptions): number {
    return this.covering(text, (clean) => super.widthOfString(clean, options));
  }

  override heightOfString(text: string, options?: TextOptions): number {
    return this.covering(text, (clean) => super.heightOfString(clean, options));
  }

  override text(text: string, x?: number | TextOptions, y?: number, options?: TextOptions): this {
    const given = typeof x === 'object' ? x : options;
    const tagged = this.tagged(given);
    return this.covering(text, (clean) =>
      typeof x === 'number' ? super.text(clean, x, y, tagged) : super.text(clean, tagged),
    );
  }

  /** A drawing, which is read aloud as one sentence. */
  figure(alt: string, draw: () => void): void {
    this.part('Figure', { alt }, draw);
  }

  /** Rules and boxes that say nothing. */
  decoration(draw: () => void): void {
    if (this.inside > 0) {
      draw();
      return;
    }
    this.inside += 1;
    this.markContent('Artifact', { type: 'Layout' });
    draw();
    this.endMarkedContent();
    this.inside -= 1;
  }

  /** A table, laid out and measured by the package; nothing of it is cut off. */
  laidTable(options: PDFKit.Mixins.TableOptionsWithData): void {
    this.inside += 1;
    this.table({
      ...options,
      ...(this.sheet ? { structParent: this.sheet } : {}),
    } as PDFKit.Mixins.TableOptionsWithData);
    this.inside -= 1;
  }

  override end(): void {
    this.sheet?.end();
    super.end();
  }

  private part(kind: string, options: Record<string, unknown>, draw: () => void): void {
    this.inside += 1;
    const element = this.struct(kind, options as never, draw as never);
    this.sheet?.add(element);
    element.end();
    this.inside -= 1;
  }

  /** Every text of its own is a paragraph, unless it says otherwise or belongs to a part. */
  private tagged(options: TextOptions | undefined): TextOptions | undefined {
    if (this.inside > 0 || !this.sheet || options?.structParent) return options;
    return { ...options, structParent: this.sheet };
  }

  /** Sets a font by its file; a packed one from bytes that are unpacked once. */
  private use(file: string): void {
    if (file.endsWith('.woff') && !this.known.has(file)) {
      this.registerFont(file, fontBytes(file));
      this.known.add(file);
    }
    super.font(file);
  }

  /** Does something with a text in the font that has letters for all of it; its words within keep that font. */
  private covering<T>(text: string, then: (clean: string) => T): T {
    if (this.within) return then(String(text));
    const { face } = this;
    const { file, text: clean } = coveringFont(face, String(text));
    this.use(file);
    this.within = true;
    const done = then(clean);
    this.within = false;
    this.use(coveringFont(face, '').file);
    this.face = face;
    return done;
  }
}

export type Pdf = Paper;

const EDGE = MARGIN_MM * PT_PER_MM;
/** Kept for what stands at the foot of every page, points. */
const FOOT = 22;

/** An empty document with the fonts of the sheet. */
export function newPaper(paper: PaperName, title: string): Pdf {
  const doc = new Paper({
    size: paper === 'a4' ? 'A4' : 'LETTER',
    margins: { top: EDGE, left: EDGE, right: EDGE, bottom: EDGE + FOOT },
    bufferPages: true,
    pdfVersion: '1.7',
    tagged: true,
    displayTitle: true,
    lang: 'en-GB',
    info: { Title: title, Author: 'Intervex', Creator: 'Intervex' },
  });
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

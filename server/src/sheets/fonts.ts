import { create } from 'fontkit';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { unpackWoff } from './unpack-woff';

const require = createRequire(import.meta.url);
const archivo = (file: string): string => require.resolve(`@expo-google-fonts/archivo/${file}`);
const mono = (file: string): string => require.resolve(`@expo-google-fonts/spline-sans-mono/${file}`);
const dejavu = (file: string): string => require.resolve(`dejavu-fonts-ttf/ttf/${file}`);
const UNIFONT = require.resolve('@fontsource/unifont/files/unifont-latin-400-normal.woff');

/** What text on a sheet may be set in. */
export type FontName = 'text' | 'strong' | 'figure' | 'figureStrong';

/**
 * Fonts of the sheet, unpacked: a packed one is unpacked anew for every letter. Behind each stand those that take over
 * where it has no letter for something: the next covers most alphabets and signs, the last every script of the basic
 * plane.
 */
const CHAINS: Readonly<Record<FontName, readonly string[]>> = {
  text: [archivo('400Regular/Archivo_400Regular.ttf'), dejavu('DejaVuSans.ttf'), UNIFONT],
  strong: [archivo('600SemiBold/Archivo_600SemiBold.ttf'), dejavu('DejaVuSans-Bold.ttf'), UNIFONT],
  figure: [mono('400Regular/SplineSansMono_400Regular.ttf'), dejavu('DejaVuSansMono.ttf'), UNIFONT],
  figureStrong: [
    mono('600SemiBold/SplineSansMono_600SemiBold.ttf'),
    dejavu('DejaVuSansMono-Bold.ttf'),
    UNIFONT,
  ],
};

const NAMES = Object.keys(CHAINS) as FontName[];
/** Stands for what no font has a letter for. */
const NO_LETTER = '\uFFFD';

export const isFontName = (name: unknown): name is FontName => NAMES.includes(name as FontName);

/** Which of the fonts a file belongs to. */
export const nameOfFile = (file: unknown): FontName | undefined =>
  NAMES.find((name) => CHAINS[name].includes(file as string));

const unpacked = new Map<string, Buffer>();

/** A font’s bytes, unpacked; the same object each time. */
export function fontBytes(file: string): Buffer {
  const known = unpacked.get(file);
  if (known) return known;
  const read = readFileSync(file);
  const bytes = file.endsWith('.woff') ? unpackWoff(read) : read;
  unpacked.set(file, bytes);
  return bytes;
}

const covered = new Map<string, ReadonlySet<number>>();

function lettersOf(file: string): ReadonlySet<number> {
  const known = covered.get(file);
  if (known) return known;
  const font = create(fontBytes(file));
  const letters = new Set('characterSet' in font ? font.characterSet : []);
  covered.set(file, letters);
  return letters;
}

/** Text with the font that has a letter for all of it. */
interface Covered {
  readonly file: string;
  readonly text: string;
}

const pointsOf = (text: string): readonly number[] => [...text].map((c) => c.codePointAt(0) ?? 0);
const PLAIN = /^[\n -~]*$/;

/**
 * The first font of a chain that can set a text. What none has a letter for, such as a picture sign, is replaced.
 *
 * @example coveringFont('text', '≥ ⅜ Ж') // { file: '…/DejaVuSans.ttf', text: '≥ ⅜ Ж' }
 */
export function coveringFont(name: FontName, text: string): Covered {
  const chain = CHAINS[name];
  const [first = ''] = chain;
  if (PLAIN.test(text)) return { file: first, text };
  const clean = text.normalize('NFC').replace(/[\p{Cc}\p{Cf}]/gu, (c) => (c === '\n' ? c : ''));
  const points = pointsOf(clean).filter((p) => p !== 10);
  const found = chain.find((file) => points.every((p) => lettersOf(file).has(p)));
  if (found !== undefined) return { file: found, text: clean };
  const last = chain.at(-1) ?? first;
  const kept = [...clean]
    .map((c) => (c === '\n' || lettersOf(last).has(c.codePointAt(0) ?? 0) ? c : NO_LETTER))
    .join('');
  return { file: last, text: kept };
}

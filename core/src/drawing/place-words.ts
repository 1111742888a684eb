import { SCREEN, type Box, type LaidDimension, type Metrics } from './layout';
import type { Caption } from './view';

/** How far from its place a word begins, px on a screen. */
const BESIDE = 4;
/** Height of what stands in the lower right corner, px. */
const FOOT = 26;
/** How far words are moved at most so that they meet nothing, lines up or down. */
const MOST_LINES = 6;

export interface PlacedWords {
  readonly text: string;
  readonly x: number;
  readonly y: number;
  readonly anchor: Caption['anchor'];
}

interface Rect {
  readonly x0: number;
  readonly x1: number;
  readonly y0: number;
  readonly y1: number;
}

const cross = (a: Rect, b: Rect): boolean => a.x0 < b.x1 && b.x0 < a.x1 && a.y0 < b.y1 && b.y0 < a.y1;

function rectOf({ text, x, y, anchor }: PlacedWords, m: Metrics): Rect {
  const width = text.length * m.letter;
  const x0 = { start: x, middle: x - width / 2, end: x - width }[anchor];
  return { x0, x1: x0 + width, y0: y - 0.8 * m.line, y1: y + 0.2 * m.line };
}

/** Moves words that would leave the picture to where they are whole. */
function within(words: PlacedWords, box: Box, m: Metrics): PlacedWords {
  const { x0, x1, y0, y1 } = rectOf(words, m);
  const dx = x0 < 2 ? 2 - x0 : x1 > box.width - 2 ? Math.max(2 - x0, box.width - 2 - x1) : 0;
  const dy = y0 < 2 ? 2 - y0 : y1 > box.height - 2 ? box.height - 2 - y1 : 0;
  return { ...words, x: words.x + dx, y: words.y + dy };
}

/**
 * Places words so that none meets another or a dimension’s text, as near to its place as may be; what finds no room
 * is left out where it is only a word.
 *
 * @param words in pixels, most important first
 * @param foot what scale and buttons take of the lower right corner, px
 */
export function placeWords(
  words: readonly PlacedWords[],
  dimensions: readonly LaidDimension[],
  box: Box,
  foot = 0,
  m: Metrics = SCREEN,
): readonly PlacedWords[] {
  const taken: Rect[] = dimensions.flatMap((d) => [
    { x0: d.textX - d.width / 2, x1: d.textX + d.width / 2, y0: d.y - 0.64 * m.line, y1: d.y + 0.64 * m.line },
    { x0: d.x0, x1: d.x1, y0: d.y - 3, y1: d.y + 3 },
  ]);
  if (foot) taken.push({ x0: box.width - foot, x1: box.width, y0: box.height - FOOT, y1: box.height });
  const placed: PlacedWords[] = [];
  for (const word of words) {
    const free = tries(word, box, m).find((w) => !taken.some((r) => cross(r, rectOf(w, m))));
    if (!free) continue;
    taken.push(rectOf(free, m));
    placed.push(free);
  }
  return placed;
}

function tries(word: PlacedWords, box: Box, m: Metrics): readonly PlacedWords[] {
  const begun = {
    ...word,
    x: word.x + (word.anchor === 'start' ? BESIDE : word.anchor === 'end' ? -BESIDE : 0),
  };
  const steps = Array.from({ length: 2 * MOST_LINES + 1 }, (_, i) => (i % 2 ? 1 : -1) * Math.ceil(i / 2));
  return steps.map((lines) => within({ ...begun, y: begun.y + lines * m.line }, box, m));
}

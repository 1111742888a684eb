import type { Side } from '../../geometry';
import type { JigShape, Spot } from '../hubs/jig';
import { path, rectangle, type TemplateWord } from './template-parts';

/** A small picture of how a template lies on its part. */
interface Lie {
  readonly shapes: readonly JigShape[];
  readonly words: readonly TemplateWord[];
}

const line = (...points: readonly Spot[]): JigShape => path('mark', points);

/** An arrow upward from a spot. */
const arrow = ([x, y]: Spot, long: number): readonly JigShape[] => [
  line([x, y], [x, y + long]),
  line([x - 2, y + long - 3], [x, y + long], [x + 2, y + long - 3]),
];

/**
 * The tube from above, the front of the car up: where its casting is, and where the paper lies.
 *
 * @param at upper left corner, mm
 */
export function wrapLie(side: Side, [x, y]: Spot): Lie {
  // Seen from above the left tube runs to the left of its casting.
  const flip = (u: number): number => (side === 'left' ? x + 100 - u : x + u);
  const box = (a: number, b: number, low: number, high: number) =>
    rectangle('mark', Math.min(flip(a), flip(b)), Math.max(flip(a), flip(b)), y + low, y + high);
  return {
    shapes: [
      box(0, 24, -34, -8),
      box(24, 92, -27, -15),
      box(26, 80, -26, -16),
      ...arrow([x + 108, y - 30], 20),
    ],
    words: [
      { text: 'How it lies, from above: printed side up and out', at: [x, y - 4] },
      { text: 'casting', at: [Math.min(flip(2), flip(22)), y - 23] },
      { text: 'paper', at: [Math.min(flip(30), flip(60)), y - 23] },
      { text: 'housing end', at: [Math.min(flip(66), flip(96)), y - 32] },
      { text: 'front', at: [x + 111, y - 20] },
    ],
  };
}

/**
 * The brace from the front: which way it leans, on the left tube and on the right.
 *
 * @param front +1 for braces that lean inboard on the left tube or outboard on the right, −1 for the others
 * @param at upper left corner, mm
 */
export function notchLie(front: 1 | -1, [x, y]: Spot): Lie {
  // From the front the car’s left tube is at the picture’s right; the brace leans the same way in the picture.
  const lean = front * -12;
  const one = (at: number): readonly JigShape[] => [
    line([at - 20, y - 30], [at + 20, y - 30]),
    line([at - 20, y - 36], [at + 20, y - 36]),
    line([at - 4, y - 30], [at - 4 + lean, y - 10]),
    line([at + 4, y - 30], [at + 4 + lean, y - 10]),
  ];
  return {
    shapes: [...one(x + 30), ...one(x + 90)],
    words: [
      { text: 'How it lies, from the front: printed side out, notch down', at: [x, y - 4] },
      { text: 'right tube', at: [x + 12, y - 42] },
      { text: 'left tube', at: [x + 72, y - 42] },
    ],
  };
}

/** A printed figure in its parts, so that each can stand smaller or elsewhere. */
interface FigureText {
  /** The number, of a tape fraction without what is more or less than it. */
  readonly main: string;
  /** What a fraction leaves, with its sign: `+ .016`. */
  readonly rest: string;
  readonly unit: string;
  /** An uncertainty behind it. */
  readonly tail: string;
}

const PARTS = /^(.*?)( [+−] \.\d+)?( (?:mm|in|kg|lb|N|lbf|N·m|lb·ft|MPa|ksi|%))?( ±.*)?$/;

/**
 * Takes a printed figure apart.
 *
 * @example figureText('26 15⁄16 + .011 in') // { main: '26 15⁄16', rest: '+ .011', unit: 'in', tail: '' }
 */
export function figureText(text: string): FigureText {
  const [, main = '', rest = '', unit = '', tail = ''] = PARTS.exec(text) ?? [];
  return { main, rest: rest.trim(), unit: unit.trim(), tail: tail.trim() };
}

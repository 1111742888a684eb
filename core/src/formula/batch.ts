import { Columns } from './columns';
import { tapeOf } from './tape';

/** Most values that are worked out at once. */
export const BATCH = 1000;

/** A formula that is run over many values of its symbols at once, without an object for each. */
export interface Batch {
  readonly text: string;
  /** Symbols in the order in which they first stand in the text. */
  readonly symbols: readonly string[];
  /**
   * @param inputs values of each symbol, in the order of `symbols`
   * @param count how many, at most `BATCH`
   * @returns the results; overwritten by the next run
   */
  readonly over: (inputs: readonly Float64Array[], count: number) => Float64Array;
}

/**
 * The formula that a text says, to be run over many values. Every call makes one of its own, with room of its own.
 *
 * @throws SyntaxError where the text is no formula
 * @example batchOf('{H} − {W}/2').over([halves, widths], 1000)
 */
export function batchOf(text: string): Batch {
  const tape = tapeOf(text);
  const columns = new Columns(tape, BATCH);
  return { text, symbols: tape.symbols, over: (inputs, count) => columns.over(inputs, count) };
}

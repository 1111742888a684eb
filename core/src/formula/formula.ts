import {
  ADD,
  calledBy,
  DIVIDE,
  GREATEST,
  LEAST,
  LENGTH,
  MULTIPLY,
  POWER,
  SUBTRACT,
  tapeOf,
  type Tape,
} from './tape';

/** Whether two branches of a formula, as in `min`, lie so near each other that either may be the one. */
export interface Kinks {
  /** Standard uncertainty of the sum that these partials make of the inputs. */
  readonly spread: (partials: Float64Array) => number;
  /** Standard uncertainty of one input alone. */
  readonly alone: (input: number) => number;
  /** Set by the formula where two do. */
  met: boolean;
}

/** A formula that was read once and can be run very often. */
export interface Formula {
  readonly text: string;
  /** Its steps, to be run over columns. */
  readonly tape: Tape;
  /** Symbols in the order in which they first stand in the text. */
  readonly symbols: readonly string[];
  /** Whether it chooses between branches, or is a length, whose slopes at a corner hang on what its inputs can tell. */
  readonly bends: boolean;
  /** Value at these inputs, in the order of `symbols`. Not finite where the formula has none there. */
  readonly value: (inputs: ArrayLike<number>) => number;
  /**
   * Value, with the exact partial derivative by every input written into `partials`.
   *
   * @param partials as long as `symbols`; those of the branch that has the value
   * @param kinks told where two branches of `min` or `max` lie within reach of each other: there no partials say how
   *   the value spreads
   */
  readonly partials: (inputs: ArrayLike<number>, partials: Float64Array, kinks?: Kinks) => number;
}

/** Branches that lie nearer each other than this many standard uncertainties may change places. */
const REACH = 3;

const read = new Map<string, Formula>();

/**
 * The formula that a text says; the same object for the same text.
 *
 * @throws SyntaxError where the text is no formula
 * @example formulaOf('{H} − {W}/2').value([792, 1402]) // 91
 */
export function formulaOf(text: string): Formula {
  const known = read.get(text);
  if (known) return known;
  const run = new Run(tapeOf(text));
  const made: Formula = {
    text,
    tape: run.tape,
    symbols: run.tape.symbols,
    bends: run.tape.code.some((code) => code === LEAST || code === GREATEST || code === LENGTH),
    value: (inputs) => run.value(inputs),
    partials: (inputs, partials, kinks) => run.partials(inputs, partials, kinks),
  };
  read.set(text, made);
  return made;
}

/** A tape with room for the value of each cell, and for how the result follows it. */
class Run {
  private readonly at: Float64Array;
  private readonly slope: Float64Array;
  private readonly choices: readonly number[];
  // Room for the slopes of the two that a choice is between.
  private readonly apart: Float64Array;
  private readonly other: Float64Array;

  constructor(readonly tape: Tape) {
    const cells = tape.first + tape.code.length;
    this.at = new Float64Array(cells);
    this.slope = new Float64Array(cells);
    this.apart = new Float64Array(tape.symbols.length);
    this.other = new Float64Array(tape.symbols.length);
    this.at.set(tape.numbers, tape.symbols.length);
    this.choices = tape.code.flatMap((code, k) => (code === LEAST || code === GREATEST ? [k] : []));
  }

  value(inputs: ArrayLike<number>): number {
    const { at, tape } = this;
    const { code, left, right, exponent, first } = tape;
    for (let i = 0; i < tape.symbols.length; i += 1) at[i] = inputs[i] as number;
    for (let k = 0; k < code.length; k += 1)
      at[first + k] = stepped(
        code[k] as number,
        at[left[k] as number] as number,
        at[right[k] as number] as number,
        exponent[k] as number,
      );
    return at[tape.top] as number;
  }

  partials(inputs: ArrayLike<number>, partials: Float64Array, kinks: Kinks | undefined): number {
    const value = this.value(inputs);
    if (kinks) for (const k of this.choices) if (!kinks.met) kinks.met = this.eitherAt(k, kinks);
    this.follow(this.tape.top, partials, kinks);
    return value;
  }

  /** Whether either of the two that a choice is between may be the one. */
  private eitherAt(k: number, kinks: Kinks): boolean {
    const a = this.tape.left[k] as number;
    const b = this.tape.right[k] as number;
    const between = Math.abs((this.at[a] as number) - (this.at[b] as number));
    const { apart, other } = this;
    this.follow(a, apart, kinks);
    this.follow(b, other, kinks);
    let most = 0;
    for (let i = 0; i < apart.length; i += 1) {
      apart[i] = (apart[i] as number) - (other[i] as number);
      most += Math.abs(apart[i] as number) * kinks.alone(i);
    }
    // Not even if all that they rest on went wrong together.
    if (between > REACH * most) return false;
    return between <= REACH * kinks.spread(apart);
  }

  private slopesOf(cell: number, kinks: Kinks | undefined): Float64Array {
    const slopes = new Float64Array(this.tape.symbols.length);
    this.follow(cell, slopes, kinks);
    return slopes;
  }

  /** How a cell follows each symbol, from the cell back to them. */
  private follow(cell: number, into: Float64Array, kinks: Kinks | undefined): void {
    const { slope, tape } = this;
    slope.fill(0);
    slope[cell] = 1;
    for (let k = cell - tape.first; k >= 0; k -= 1)
      if (slope[tape.first + k] !== 0) this.back(k, slope[tape.first + k] as number, kinks);
    for (let i = 0; i < into.length; i += 1) into[i] = slope[i] as number;
  }

  /** One step back: what follows the step’s cell follows the cells that it reads. */
  private back(k: number, by: number, kinks: Kinks | undefined): void {
    const { slope, at, tape } = this;
    const code = tape.code[k] as number;
    const a = tape.left[k] as number;
    const b = tape.right[k] as number;
    switch (code) {
      case ADD:
      case SUBTRACT:
        slope[a] = (slope[a] as number) + by;
        slope[b] = (slope[b] as number) + (code === ADD ? by : -by);
        return;
      case MULTIPLY: {
        const x = at[a] as number;
        slope[a] = (slope[a] as number) + by * (at[b] as number);
        slope[b] = (slope[b] as number) + by * x;
        return;
      }
      case DIVIDE: {
        const y = at[b] as number;
        slope[a] = (slope[a] as number) + by / y;
        slope[b] = (slope[b] as number) + (-by * (at[a] as number)) / (y * y);
        return;
      }
      case LEAST:
      case GREATEST: {
        const one = firstOf(code, at[a] as number, at[b] as number) ? a : b;
        slope[one] = (slope[one] as number) + by;
        return;
      }
      case LENGTH:
        this.lengthBack(k, by, kinks);
        return;
      default: {
        const x = at[a] as number;
        const n = tape.exponent[k] as number;
        slope[a] = (slope[a] as number) + by * (code === POWER ? n * x ** (n - 1) : calledBy(code)[1](x));
      }
    }
  }

  /** Where both legs are nothing, a length is as uncertain as the more uncertain of them, not certain. */
  private lengthBack(k: number, by: number, kinks: Kinks | undefined): void {
    const { slope, at, tape } = this;
    const [a, b] = [tape.left[k] as number, tape.right[k] as number];
    const length = at[tape.first + k] as number;
    if (length !== 0) {
      slope[a] = (slope[a] as number) + (by * (at[a] as number)) / length;
      slope[b] = (slope[b] as number) + (by * (at[b] as number)) / length;
      return;
    }
    const kept = slope.slice();
    const first = !kinks || kinks.spread(this.slopesOf(a, kinks)) >= kinks.spread(this.slopesOf(b, kinks));
    slope.set(kept);
    const one = first ? a : b;
    slope[one] = (slope[one] as number) + by;
  }
}

/** Whether the first of two is the least, or the greatest, of them. */
export const firstOf = (code: number, x: number, y: number): boolean => (code === LEAST ? x <= y : x >= y);

/** What one step makes of two values. */
function stepped(code: number, x: number, y: number, exponent: number): number {
  switch (code) {
    case ADD:
      return x + y;
    case SUBTRACT:
      return x - y;
    case MULTIPLY:
      return x * y;
    case DIVIDE:
      return x / y;
    case POWER:
      return x ** exponent;
    case LENGTH:
      return Math.hypot(x, y);
    case LEAST:
      return Math.min(x, y);
    case GREATEST:
      return Math.max(x, y);
    default:
      return calledBy(code)[0](x);
  }
}

import { firstOf } from './formula';
import { ADD, calledBy, DIVIDE, GREATEST, LEAST, LENGTH, MULTIPLY, POWER, SUBTRACT, type Tape } from './tape';

/** A value a draw, or a part. */
type Column = Float64Array;
/** Values from one place up to another, which no longer counts. */
interface Span {
  readonly from: number;
  readonly to: number;
}
const NONE: Column = new Float64Array(0);

/** A tape run over many values of its symbols at once: each step is one loop over a column. */
export class Columns {
  private readonly at: Column[];
  private readonly slopes: Column[];

  /**
   * @param size most values at once
   * @param room columns that others use too, between one run and the next; more are added where they do not do
   */
  constructor(
    private readonly tape: Tape,
    private readonly size: number,
    private readonly room: Column[] = [],
  ) {
    this.at = tape.symbols.map(() => NONE);
    this.slopes = [];
    for (let i = tape.symbols.length; i < tape.first + tape.code.length; i += 1)
      this.at.push(this.column(i - tape.symbols.length));
  }

  private column(place: number): Column {
    return (this.room[place] ??= new Float64Array(this.size));
  }

  /**
   * @param inputs a column of each symbol
   * @param count how many values
   * @returns the results; overwritten by the next run
   */
  over(inputs: readonly Column[], count: number): Column {
    const { at, tape } = this;
    const n = tape.symbols.length;
    for (let i = 0; i < n; i += 1) at[i] = inputs[i] as Column;
    for (let i = 0; i < tape.numbers.length; i += 1) at[n + i]?.fill(tape.numbers[i] as number, 0, count);
    for (let k = 0; k < tape.code.length; k += 1)
      forward(
        tape.code[k] as number,
        [at[tape.left[k] as number], at[tape.right[k] as number], at[tape.first + k]] as [
          Column,
          Column,
          Column,
        ],
        count,
        tape.exponent[k] as number,
      );
    return at[tape.top] as Column;
  }

  /**
   * The mean slope by each symbol over the values of the last run; those that have no end are left out of the sum.
   *
   * @param share what each value counts in the mean; they add up to 1
   * @param span the values that count
   */
  meanSlopes(share: Column, span: Span): Column {
    const { at, tape, slopes } = this;
    while (slopes.length < at.length) slopes.push(this.column(at.length + slopes.length));
    const { from, to } = span;
    for (const column of slopes) column.fill(0, from, to);
    slopes[tape.top]?.set(share.subarray(from, to), from);
    for (let k = tape.top - tape.first; k >= 0; k -= 1) {
      const [a, b] = [tape.left[k] as number, tape.right[k] as number];
      backward(
        tape.code[k] as number,
        { x: at[a] as Column, y: at[b] as Column, out: at[tape.first + k] as Column },
        { x: slopes[a] as Column, y: slopes[b] as Column, out: slopes[tape.first + k] as Column },
        span,
        tape.exponent[k] as number,
      );
    }
    return Float64Array.from(tape.symbols, (_, i) => finiteSum(slopes[i] as Column, span));
  }
}

function finiteSum(column: Column, { from, to }: Span): number {
  let sum = 0;
  for (let i = from; i < to; i += 1) {
    const one = column[i] as number;
    if (Number.isFinite(one)) sum += one;
  }
  return sum;
}

/** Each loop by itself, so that it runs as fast as one written by hand. */
function forward(code: number, [a, b, out]: [Column, Column, Column], count: number, exponent: number): void {
  switch (code) {
    case ADD:
      for (let i = 0; i < count; i += 1) out[i] = (a[i] as number) + (b[i] as number);
      return;
    case SUBTRACT:
      for (let i = 0; i < count; i += 1) out[i] = (a[i] as number) - (b[i] as number);
      return;
    case MULTIPLY:
      for (let i = 0; i < count; i += 1) out[i] = (a[i] as number) * (b[i] as number);
      return;
    case DIVIDE:
      for (let i = 0; i < count; i += 1) out[i] = (a[i] as number) / (b[i] as number);
      return;
    default:
      forwardBent(code, [a, b, out], count, exponent);
  }
}

function forwardBent(
  code: number,
  [a, b, out]: [Column, Column, Column],
  count: number,
  exponent: number,
): void {
  if (code === LEAST) for (let i = 0; i < count; i += 1) out[i] = Math.min(a[i] as number, b[i] as number);
  else if (code === GREATEST)
    for (let i = 0; i < count; i += 1) out[i] = Math.max(a[i] as number, b[i] as number);
  else if (code === LENGTH)
    for (let i = 0; i < count; i += 1) out[i] = Math.hypot(a[i] as number, b[i] as number);
  else if (code === POWER) for (let i = 0; i < count; i += 1) out[i] = (a[i] as number) ** exponent;
  else {
    const [value] = calledBy(code);
    for (let i = 0; i < count; i += 1) out[i] = value(a[i] as number);
  }
}

/** Columns of what a step reads and of what it makes. */
interface Around {
  readonly x: Column;
  readonly y: Column;
  readonly out: Column;
}

/** What follows the column that a step makes follows those that it reads. */
function backward(code: number, at: Around, slope: Around, span: Span, exponent: number): void {
  const { x, y, out } = slope;
  const { from, to } = span;
  if (code <= SUBTRACT) {
    const sign = code === ADD ? 1 : -1;
    for (let i = from; i < to; i += 1) {
      x[i] = (x[i] as number) + (out[i] as number);
      y[i] = (y[i] as number) + sign * (out[i] as number);
    }
  } else if (code === MULTIPLY) {
    for (let i = from; i < to; i += 1) {
      const by = out[i] as number;
      x[i] = (x[i] as number) + by * (at.y[i] as number);
      y[i] = (y[i] as number) + by * (at.x[i] as number);
    }
  } else if (code === DIVIDE) {
    for (let i = from; i < to; i += 1) {
      const [by, under] = [out[i] as number, at.y[i] as number];
      x[i] = (x[i] as number) + by / under;
      y[i] = (y[i] as number) - (by * (at.x[i] as number)) / (under * under);
    }
  } else backwardBent(code, at, slope, span, exponent);
}

function backwardBent(code: number, at: Around, { x, y, out }: Around, span: Span, exponent: number): void {
  const { from, to } = span;
  if (code === LEAST || code === GREATEST)
    for (let i = from; i < to; i += 1) {
      const one = firstOf(code, at.x[i] as number, at.y[i] as number) ? x : y;
      one[i] = (one[i] as number) + (out[i] as number);
    }
  else if (code === LENGTH) lengthBack(at, { x, y, out }, span);
  else {
    const slope = code === POWER ? (v: number) => exponent * v ** (exponent - 1) : calledBy(code)[1];
    for (let i = from; i < to; i += 1) x[i] = (x[i] as number) + (out[i] as number) * slope(at.x[i] as number);
  }
}

/** A length of nothing follows its first leg. */
function lengthBack(at: Around, { x, y, out }: Around, { from, to }: Span): void {
  for (let i = from; i < to; i += 1) {
    const [by, length] = [out[i] as number, at.out[i] as number];
    x[i] = (x[i] as number) + (length === 0 ? by : (by * (at.x[i] as number)) / length);
    y[i] = (y[i] as number) + (length === 0 ? 0 : (by * (at.y[i] as number)) / length);
  }
}

import { BATCH } from '../../formula';
import { quantiles } from '../../numerics';
import type { Blame, OutcomeResult, StackLimits, StackOutcome, StackPart, StackResult } from './stack-parts';

/** Shares below this are chance. */
const LEAST_SHARE = 0.002;

const NOTHING = new Float64Array(BATCH);

/** Sums over draws, counted from the first of each, so that sums of squares lose nothing. */
class Sums {
  private readonly first: Float64Array;
  readonly sum: Float64Array;
  readonly squares: Float64Array;

  constructor(rows: number) {
    this.first = new Float64Array(rows);
    this.sum = new Float64Array(rows);
    this.squares = new Float64Array(rows);
  }

  /** Adds some draws of a row; leaves in `off` how far each lies from the row’s first of all. */
  add(row: number, values: Float64Array, off: Float64Array, count: number, isFirst: boolean): void {
    if (isFirst) this.first[row] = values[0] as number;
    const first = this.first[row] as number;
    let [sum, squares] = [this.sum[row] as number, this.squares[row] as number];
    for (let i = 0; i < count; i += 1) {
      const x = (values[i] as number) - first;
      off[i] = x;
      sum += x;
      squares += x * x;
    }
    this.sum[row] = sum;
    this.squares[row] = squares;
  }

  mean(row: number, n: number): number {
    return (this.first[row] as number) + (this.sum[row] as number) / n;
  }

  /** n times the sum of squares about the mean. */
  spread(row: number, n: number): number {
    const sum = this.sum[row] as number;
    return n * (this.squares[row] as number) - sum * sum;
  }

  deviation(row: number, n: number): number {
    const [sum, squares] = [this.sum[row] as number, this.squares[row] as number];
    return n > 1 ? Math.sqrt(Math.max(0, squares - (sum * sum) / n) / (n - 1)) : 0;
  }
}

/** What is kept of the draws: how often each outcome held, every value of it, and how it went with each part. */
export class StackTally {
  private n = 0;
  private allHeld = 0;
  /** What each part came to in a batch; at first as it should be. */
  readonly sizes: readonly Float64Array[];
  private readonly values: readonly Float64Array[];
  private readonly held: Int32Array;
  /** Of the draws of a batch, those in which everything held so far. */
  private readonly whole = new Uint8Array(BATCH).fill(1);
  private readonly off: readonly Float64Array[];
  private readonly offPart = new Float64Array(BATCH);
  private readonly ofParts: Sums;
  private readonly ofOutcomes: Sums;
  /** Sums of the products of a part with an outcome, outcome by outcome. */
  private readonly products: Float64Array;

  constructor(
    private readonly parts: readonly StackPart[],
    private readonly known: readonly StackOutcome[],
    draws: number,
    private readonly limits: StackLimits,
  ) {
    this.values = known.map(() => new Float64Array(draws));
    this.off = known.map(() => new Float64Array(BATCH));
    this.sizes = parts.map(({ value }) => new Float64Array(BATCH).fill(value));
    this.held = new Int32Array(known.length);
    this.ofParts = new Sums(parts.length);
    this.ofOutcomes = new Sums(known.length);
    this.products = new Float64Array(parts.length * (known.length + 1));
  }

  /** Takes what came of one outcome in a batch of draws. */
  came(k: number, values: Float64Array, count: number): void {
    const [id, kept] = [this.known[k] as StackOutcome, this.values[k] as Float64Array];
    const least = this.limits[id];
    const either = id === 'align';
    const { n, whole } = this;
    let held = 0;
    for (let i = 0; i < count; i += 1) {
      const value = values[i] as number;
      kept[n + i] = value;
      if (either ? Math.abs(value) <= least : value >= least) held += 1;
      else whole[i] = 0;
    }
    this.held[k] = (this.held[k] as number) + held;
    this.ofOutcomes.add(k, values, this.off[k] as Float64Array, count, n === 0);
  }

  /** A batch is through: all of its outcomes came. */
  through(count: number): void {
    this.parts.forEach(({ u }, i) => {
      if (u > 0) this.together(i, count);
    });
    for (let i = 0; i < count; i += 1) this.allHeld += this.whole[i] as number;
    this.whole.fill(1);
    this.n += count;
  }

  /** How a part went together with each outcome. */
  private together(part: number, count: number): void {
    const x = this.offPart;
    this.ofParts.add(part, this.sizes[part] as Float64Array, x, count, this.n === 0);
    // Two outcomes at a time: neither sum waits for the other.
    for (let k = 0; k < this.known.length; k += 2) {
      const [y, z] = [this.off[k] as Float64Array, this.off[k + 1] ?? NOTHING];
      const [aty, atz] = [k * this.parts.length + part, (k + 1) * this.parts.length + part];
      let [xy, xz] = [this.products[aty] as number, this.products[atz] as number];
      for (let i = 0; i < count; i += 1) {
        const at = x[i] as number;
        xy += at * (y[i] as number);
        xz += at * (z[i] as number);
      }
      this.products[aty] = xy;
      this.products[atz] = xz;
    }
  }

  result(): StackResult {
    const outcomes = this.known.map((id, k) => this.outcome(id, k));
    const worst = [...outcomes].sort((a, b) => a.holds - b.holds)[0]?.id;
    return {
      draws: this.n,
      outcomes,
      all: this.known.length ? this.allHeld / this.n : 1,
      worst,
      blame: worst ? this.blame(this.known.indexOf(worst)) : [],
    };
  }

  private outcome(id: StackOutcome, k: number): OutcomeResult {
    const { n, ofOutcomes } = this;
    const [low, high] = quantiles((this.values[k] as Float64Array).subarray(0, n), [0.025, 0.975]);
    return {
      id,
      holds: (this.held[k] as number) / n,
      mean: ofOutcomes.mean(k, n),
      s: ofOutcomes.deviation(k, n),
      low: low as number,
      high: high as number,
    };
  }

  /** Squared correlation of each part with an outcome. */
  private blame(k: number): readonly Blame[] {
    const list = this.parts.map(({ id, label, u }, i) => ({
      id,
      label,
      share: u === 0 ? 0 : this.correlation(i, k) ** 2,
    }));
    return list.filter((b) => b.share > LEAST_SHARE).sort((a, b) => b.share - a.share);
  }

  private correlation(part: number, k: number): number {
    const { n, ofParts, ofOutcomes } = this;
    const [va, vb] = [ofParts.spread(part, n), ofOutcomes.spread(k, n)];
    const product = this.products[k * this.parts.length + part] as number;
    const both = n * product - (ofParts.sum[part] as number) * (ofOutcomes.sum[k] as number);
    return va > 0 && vb > 0 ? both / Math.sqrt(va * vb) : 0;
  }
}

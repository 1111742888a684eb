import { quantile } from '../../numerics';
import type { Blame, OutcomeResult, StackLimits, StackOutcome, StackPart, StackResult } from './stack-parts';

/** Shares below this are chance. */
const LEAST_SHARE = 0.002;

/** What is kept of the draws: how often each outcome held, every value of it, and what each part came to. */
export class StackTally {
  private n = 0;
  private allHeld = 0;
  /** What each part came to, draw by draw; at first all as they should be. */
  readonly sizes: readonly Float64Array[];
  private readonly values: readonly Float64Array[];
  private readonly held: Int32Array;
  /** Of the draws of a batch, those in which everything held so far. */
  private readonly whole: Uint8Array;

  constructor(
    private readonly parts: readonly StackPart[],
    private readonly known: readonly StackOutcome[],
    draws: number,
    private readonly limits: StackLimits,
  ) {
    this.values = known.map(() => new Float64Array(draws));
    this.sizes = parts.map(({ value }) => new Float64Array(draws).fill(value));
    this.held = new Int32Array(known.length);
    this.whole = new Uint8Array(draws).fill(1);
  }

  /** Takes what came of one outcome in a batch of draws. */
  came(k: number, values: Float64Array, count: number): void {
    const [id, kept] = [this.known[k] as StackOutcome, this.values[k] as Float64Array];
    const least = this.limits[id];
    const either = id === 'align';
    let held = 0;
    for (let i = 0; i < count; i += 1) {
      const value = values[i] as number;
      kept[this.n + i] = value;
      if (either ? Math.abs(value) <= least : value >= least) held += 1;
      else this.whole[this.n + i] = 0;
    }
    this.held[k] = (this.held[k] as number) + held;
  }

  /** A batch is through: all of its outcomes came. */
  through(count: number): void {
    for (let i = 0; i < count; i += 1) this.allHeld += this.whole[this.n + i] as number;
    this.n += count;
  }

  result(): StackResult {
    const outcomes = this.known.map((id, k) => this.outcome(id, k));
    const worst = [...outcomes].sort((a, b) => a.holds - b.holds)[0]?.id;
    return {
      draws: this.n,
      outcomes,
      all: this.known.length ? this.allHeld / this.n : 1,
      worst,
      blame: worst ? this.blame(this.values[this.known.indexOf(worst)] as Float64Array) : [],
    };
  }

  private outcome(id: StackOutcome, k: number): OutcomeResult {
    const { n } = this;
    const values = (this.values[k] as Float64Array).slice(0, n);
    const first = values[0] as number;
    let [sum, squares] = [0, 0];
    for (let i = 0; i < n; i += 1) {
      const off = (values[i] as number) - first;
      sum += off;
      squares += off * off;
    }
    const mean = first + sum / n;
    const s = n > 1 ? Math.sqrt(Math.max(0, squares - (sum * sum) / n) / (n - 1)) : 0;
    return {
      id,
      holds: (this.held[k] as number) / n,
      mean,
      s,
      low: quantile(values, 0.025),
      high: quantile(values, 0.975),
    };
  }

  /** Squared correlation of each part with an outcome. */
  private blame(values: Float64Array): readonly Blame[] {
    const list = this.parts.map(({ id, label, u }, i) => ({
      id,
      label,
      share: u === 0 ? 0 : correlation(this.sizes[i] as Float64Array, values, this.n) ** 2,
    }));
    return list.filter((b) => b.share > LEAST_SHARE).sort((a, b) => b.share - a.share);
  }
}

/** Both counted from their first value, so that sums of squares lose nothing. */
function correlation(a: Float64Array, b: Float64Array, n: number): number {
  const [a0, b0] = [a[0] as number, b[0] as number];
  let [sa, sb, ab, aa, bb] = [0, 0, 0, 0, 0];
  for (let i = 0; i < n; i += 1) {
    const [x, y] = [(a[i] as number) - a0, (b[i] as number) - b0];
    sa += x;
    sb += y;
    ab += x * y;
    aa += x * x;
    bb += y * y;
  }
  const [va, vb] = [n * aa - sa * sa, n * bb - sb * sb];
  return va > 0 && vb > 0 ? (n * ab - sa * sb) / Math.sqrt(va * vb) : 0;
}

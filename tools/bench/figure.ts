/** One figure of the bench, with what it is measured against. */
export interface BenchFigure {
  readonly name: string;
  readonly value: number;
  readonly unit: 'ms' | 'kB' | 's' | '%' | '1/s';
  /** The most it may be, or the least where more is better. */
  readonly target: number;
  readonly met: boolean;
  /** The same machine's time or size for something plain and known, in the same run. */
  readonly yardstick: { readonly name: string; readonly value: number; readonly unit: string };
}

type Measured = Omit<BenchFigure, 'met'> & { /** More is better. */ readonly more?: boolean };

/** Rounds for reading and says whether the target is met. */
export const figureOf = ({ more = false, ...measured }: Measured): BenchFigure => ({
  ...measured,
  value: rounded(measured.value),
  target: rounded(measured.target),
  met: more ? measured.value >= measured.target : measured.value <= measured.target,
  yardstick: { ...measured.yardstick, value: rounded(measured.yardstick.value) },
});

const rounded = (value: number): number => Number(value.toPrecision(3));

/** Middle of a list of numbers. @throws RangeError for an empty list */
export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted[Math.floor(sorted.length / 2)];
  if (middle === undefined) throw new RangeError('There is no middle of nothing.');
  return sorted.length % 2 ? middle : (middle + (sorted[sorted.length / 2 - 1] ?? middle)) / 2;
}

/** Median time of one call in ms, after warming up. */
export function timed(work: (i: number) => unknown, { warm = 200, runs = 1000 } = {}): number {
  for (let i = 0; i < warm; i += 1) work(i);
  const times: number[] = [];
  for (let i = 0; i < runs; i += 1) {
    const start = performance.now();
    work(i);
    times.push(performance.now() - start);
  }
  return median(times);
}

import { halfResolutionOf, type InstrumentId } from './instrument';

/** One value read once: in core units, with the text as typed where it was typed. */
export interface Repeat {
  readonly value: number;
  readonly typed?: string;
  /** Who read it, and when (ISO 8601). */
  readonly who?: string;
  readonly at?: string;
}

/** A named quantity as measured: one or more repeats, the instrument, and the datum it was taken from. */
export interface Reading {
  readonly repeats: readonly Repeat[];
  readonly instrument: InstrumentId;
  readonly datum?: string;
  readonly note?: string;
  /** For an angle: the angle the gauge was zeroed on; absent where it was zeroed on level. */
  readonly zeroedOn?: string;
}

/** What repeats of one reading say together. Lengths in mm, angles in rad. */
export interface ReadingSummary {
  readonly n: number;
  readonly mean: number;
  /** Sample standard deviation; 0 for a single repeat. */
  readonly s: number;
  /** Largest less smallest. */
  readonly range: number;
  /** Standard uncertainty of the mean. */
  readonly u: number;
  /** `single`: one repeat only; `agree`: range ≤ 4a; `disagree`: take another. */
  readonly agreement: 'single' | 'agree' | 'disagree';
}

/** Absorbs binary rounding, in mm or rad. */
const ROUNDING = 1e-9;

/** Repeats whose range exceeds this many half-resolutions ask for another reading. */
export const AGREEMENT_SPAN = 4;

/**
 * Mean, spread, agreement and standard uncertainty of repeats taken with one instrument:
 * u² = (s/√n)² + (a/√3)², a the instrument's half-resolution.
 *
 * @param values at least one repeat, finite
 * @param instrument what they were taken with
 * @param unit of the values; default mm
 * @param widest half-width that no guess at such a quantity exceeds; default none
 * @throws RangeError when there is no repeat or one is not finite
 * @example summarise([76.02, 75.98, 76.04], 'caliper') // mean 76.01333, u 0.0210
 * @source Guide to the expression of uncertainty in measurement, type A and type B combined
 */
export function summarise(
  values: readonly number[],
  instrument: InstrumentId,
  unit = 'mm',
  widest = Infinity,
): ReadingSummary {
  const n = values.length;
  if (n === 0 || !values.every(Number.isFinite))
    throw new RangeError('A reading needs at least one finite value.');
  const a = Math.min(halfResolutionOf(instrument, unit), widest);
  if (n === 1) {
    const value = 0 + (values[0] as number);
    return { n, mean: value, s: 0, range: 0, u: Math.sqrt((a * a) / 3), agreement: 'single' };
  }
  const mean = values.reduce((sum, v) => sum + v, 0) / n;
  const squares = values.reduce((sum, v) => sum + (v - mean) ** 2, 0);
  const s = Math.sqrt(squares / (n - 1));
  const range = Math.max(...values) - Math.min(...values);
  const u = Math.sqrt((s * s) / n + (a * a) / 3);
  // Repeats that differ by exactly the span still agree.
  const agreement = range > AGREEMENT_SPAN * a + ROUNDING ? 'disagree' : 'agree';
  return { n, mean, s, range, u, agreement };
}

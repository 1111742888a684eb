/** Bins in which very many values are counted before only those of one bin are put in order. */
const BINS = 1024;

/**
 * The values below which shares of the values lie: each that at place ⌊share·n⌋ in their order.
 *
 * @param values at least one; their order stays
 * @param shares each 0 to 1
 * @throws RangeError for no values
 * @example quantiles(Float64Array.of(3, 1, 2, 5, 4), [0.2, 0.5]) // [2, 3]
 */
export function quantiles(values: Float64Array, shares: readonly number[]): readonly number[] {
  if (values.length === 0) throw new RangeError('There is no quantile of no values.');
  const places = shares.map((share) => Math.min(values.length - 1, Math.floor(share * values.length)));
  const bins = values.length > 2 * BINS ? binsOf(values) : undefined;
  if (!bins) return places.map((place) => select(values.slice(), place));
  const found = places.map((place) => placeIn(bins.counts, place));
  const lists = inBins(
    values,
    bins,
    found.map(({ bin }) => bin),
  );
  return found.map(({ bin, place }) => select(lists.get(bin) as Float64Array, place));
}

/** Bin in which a place in the order lies, and the place within it. */
function placeIn(counts: Int32Array, place: number): { readonly bin: number; readonly place: number } {
  let bin = 0;
  let left = place;
  while ((counts[bin] as number) <= left) {
    left -= counts[bin] as number;
    bin += 1;
  }
  return { bin, place: left };
}

/** Values counted in bins of equal width. */
interface Bins {
  readonly least: number;
  /** Bins to one of the values’ unit. */
  readonly scale: number;
  readonly counts: Int32Array;
}

const binOf = (value: number, least: number, scale: number): number =>
  Math.min(BINS - 1, Math.floor((value - least) * scale));

/** Undefined where the values have no width that can be parted. */
function binsOf(values: Float64Array): Bins | undefined {
  let [least, most] = [values[0] as number, values[0] as number];
  for (let i = 0; i < values.length; i += 1) {
    const value = values[i] as number;
    if (!Number.isFinite(value)) return undefined;
    if (value < least) least = value;
    else if (value > most) most = value;
  }
  const scale = BINS / (most - least);
  if (!Number.isFinite(scale)) return undefined;
  const counts = new Int32Array(BINS);
  for (let i = 0; i < values.length; i += 1) {
    const bin = binOf(values[i] as number, least, scale);
    counts[bin] = (counts[bin] as number) + 1;
  }
  return { least, scale, counts };
}

/** Values of some bins, as they come. */
function inBins(
  values: Float64Array,
  { least, scale, counts }: Bins,
  bins: readonly number[],
): ReadonlyMap<number, Float64Array> {
  const lists = new Map(bins.map((bin) => [bin, new Float64Array(counts[bin] as number)]));
  const wanted = Uint8Array.from(counts, (_, bin) => Number(lists.has(bin)));
  const filled = new Int32Array(BINS);
  for (let i = 0; i < values.length; i += 1) {
    const bin = binOf(values[i] as number, least, scale);
    if (wanted[bin] === 0) continue;
    const at = filled[bin] as number;
    (lists.get(bin) as Float64Array)[at] = values[i] as number;
    filled[bin] = at + 1;
  }
  return lists;
}

/**
 * The value at a place in the order of the values, from 0. Orders them in part.
 *
 * @source Hoare (1961), algorithm 65: find
 */
function select(values: Float64Array, place: number): number {
  let [low, high] = [0, values.length - 1];
  while (low < high) {
    const pivot = values[(low + high) >>> 1] as number;
    let [i, j] = [low, high];
    while (i <= j) {
      while ((values[i] as number) < pivot) i += 1;
      while ((values[j] as number) > pivot) j -= 1;
      if (i <= j) {
        const kept = values[i] as number;
        values[i] = values[j] as number;
        values[j] = kept;
        i += 1;
        j -= 1;
      }
    }
    if (place <= j) high = j;
    else if (place >= i) low = i;
    else break;
  }
  return values[place] as number;
}

/**
 * The value below which a share of the values lies: that at place ⌊share·n⌋ in their order. Orders the list in part.
 *
 * @param values at least one; their order changes
 * @param share 0 to 1
 * @throws RangeError for no values
 * @example quantile(Float64Array.of(3, 1, 2, 5, 4), 0.5) // 3
 * @source Hoare (1961), algorithm 65: find
 */
export function quantile(values: Float64Array, share: number): number {
  if (values.length === 0) throw new RangeError('There is no quantile of no values.');
  const k = Math.min(values.length - 1, Math.floor(share * values.length));
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
    if (k <= j) high = j;
    else if (k >= i) low = i;
    else break;
  }
  return values[k] as number;
}

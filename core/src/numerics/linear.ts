/**
 * Solves as many equations as unknowns, by elimination with the largest pivot of each column.
 *
 * @param a rows of coefficients @param b right sides
 * @param none a pivot smaller than this part of the largest coefficient is none
 * @returns nothing where the equations do not determine the unknowns
 * @example solveLinear([[2, 1], [1, 3]], [4, 7]) // [1, 2]
 */
export function solveLinear(
  a: readonly (readonly number[])[],
  b: readonly number[],
  none = 1e-12,
): readonly number[] | undefined {
  const n = b.length;
  const rows = a.map((row, i) => [...row, b[i] ?? 0]);
  const largest = Math.max(...rows.flatMap((row) => row.slice(0, n).map(Math.abs)));
  for (let k = 0; k < n; k += 1) {
    bringUp(rows, k);
    const top = rows[k] ?? [];
    const pivot = top[k] ?? 0;
    if (!(Math.abs(pivot) > none * largest)) return undefined;
    for (let i = 0; i < n; i += 1) if (i !== k) clear(rows[i] ?? [], top, k);
  }
  return rows.map((row, i) => (row[n] ?? 0) / (row[i] ?? 1));
}

/** Brings the row with the largest coefficient of a column to its place. */
function bringUp(rows: number[][], k: number): void {
  let best = k;
  for (let i = k + 1; i < rows.length; i += 1)
    if (Math.abs(rows[i]?.[k] ?? 0) > Math.abs(rows[best]?.[k] ?? 0)) best = i;
  [rows[k], rows[best]] = [rows[best] ?? [], rows[k] ?? []];
}

/** Takes as much of the pivot’s row from another that its coefficient of that column is none. */
function clear(row: number[], top: readonly number[], k: number): void {
  const share = (row[k] ?? 0) / (top[k] ?? 1);
  for (let j = k; j < row.length; j += 1) row[j] = (row[j] ?? 0) - share * (top[j] ?? 0);
}

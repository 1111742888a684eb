/**
 * The day of a moment where the program runs, as ISO 8601.
 *
 * @example isoDay(new Date(2026, 10, 5)) // '2026-11-05'
 */
export function isoDay(at: Date): string {
  const two = (n: number) => String(n).padStart(2, '0');
  return `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`;
}

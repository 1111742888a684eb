/** Days of a year, four years, a century and four of them, from a March on. */
const [YEAR, FOUR, CENTURY, ERA] = [365, 1461, 36_524, 146_097];

/**
 * A day as a number, so that days can be counted between two. The year is taken from March on, so that a leap day is its
 * last.
 *
 * @param iso such as `2027-03-20`; a month or a year alone is its first day
 * @example dayNumber('2027-03-20') - dayNumber('2027-02-27') // 21
 */
export function dayNumber(iso: string): number {
  const [y = 0, m = 1, d = 1] = iso.split('-').map(Number);
  const year = m > 2 ? y : y - 1;
  const [era, of] = [Math.floor(year / 400), ((year % 400) + 400) % 400];
  const sinceMarch = Math.floor((153 * ((m + 9) % 12) + 2) / 5) + d - 1;
  const century = Math.min(Math.floor(of / 100), 3);
  const rest = of - 100 * century;
  return ERA * era + CENTURY * century + FOUR * Math.floor(rest / 4) + YEAR * (rest % 4) + sinceMarch;
}

import fc from 'fast-check';

/** Parts a range is divided into: finer than any reading. */
const PARTS = 2 ** 30;

/**
 * A number drawn evenly from a range, both ends among them. (A double drawn by its bits lies next to nought nearly always,
 * so that a property of angles would be one of angles that nobody could measure.)
 *
 * @example fc.property(spread(-90, 90), (degrees) => …)
 */
export const spread = (min: number, max: number): fc.Arbitrary<number> =>
  fc.integer({ min: 0, max: PARTS }).map((k) => min + ((max - min) * k) / PARTS);

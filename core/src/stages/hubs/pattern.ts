import { sized } from '../../measure';
import { HOLES } from './choices';
import type { ChordReading } from './choices';

export interface PatternFit {
  /** Circle through the hole centres, mm. */
  readonly pcd: number;
  /** Circle that each reading alone would give, in their order, mm. */
  readonly each: readonly number[];
  /** The reading that no regular pattern explains with the others; undefined where all agree. */
  readonly off?: number;
  /** What is wrong where readings disagree and none of them can be blamed, or more than one; absent else. */
  readonly problem?: string;
}

/** Fewest and most holes of a wheel pattern. */

/** Readings of one pattern lie off their places by no more against each other, mm. */
export const PATTERN_AGREES = 0.4;

/**
 * Distance between two hole centres of a regular pattern, mm.
 *
 * @param pcd mm
 * @param holes 3 to 10
 * @param steps from one to the other, 1 to holes − 1
 * @throws RangeError outside those
 * @example chordOf(114.3, 5, 1) // 67.18
 */
export function chordOf(pcd: number, holes: number, steps: number): number {
  refuseCounts(holes, steps);
  return pcd * Math.sin((Math.PI * steps) / holes);
}

/**
 * Circle from the distance of two hole centres, mm. For an odd count the pair nearly opposite is read, since no two
 * holes stand opposite.
 *
 * @throws RangeError for a count or pair that does not exist
 * @example pcdOf(67.18, 5, 1) // 114.29
 * @example pcdOf(108.7, 5, 2) // 114.29
 * @source Chord of a circle: s = PCD · sin(π·k/n)
 */
export function pcdOf(chord: number, holes: number, steps: number): number {
  refuseCounts(holes, steps);
  return chord / Math.sin((Math.PI * steps) / holes);
}

function refuseCounts(holes: number, steps: number): void {
  const [fewest, most] = HOLES;
  if (!Number.isInteger(holes) || holes < fewest || holes > most)
    throw new RangeError(`A pattern has ${fewest} to ${most} holes, not ${holes}.`);
  if (!Number.isInteger(steps) || steps < 1 || steps >= holes)
    throw new RangeError(`From one of ${holes} holes it is 1 to ${holes - 1} steps to another, not ${steps}.`);
}

/**
 * Distance of the centres of a reading taken over edges, mm.
 *
 * @throws RangeError where the diameter it needs is missing
 * @example centresOf({ steps: 1, distance: 79.18, over: 'outside', diameter: 12 }) // 67.18
 */
export function centresOf({ distance, over, diameter }: ChordReading): number {
  if (over === 'centres') return distance;
  if (diameter === undefined || !(diameter > 0))
    throw new RangeError(`A reading over the ${over} needs the diameter.`);
  return over === 'outside' ? distance - diameter : distance + diameter;
}

/** How much of the circle a pair of holes spans: its chord over the circle. */
export const shareOf = (holes: number, steps: number): number => {
  refuseCounts(holes, steps);
  return Math.sin((Math.PI * steps) / holes);
};

/**
 * Weights by which readings of hole pairs make the circle that fits them best: PCD = Σ w·d with w = s/Σs². A pair that
 * spans much of the circle tells more of it than two neighbours.
 *
 * @param shares chord over circle of each pair
 * @source Least squares of d = PCD·s
 */
export function circleWeights(shares: readonly number[]): readonly number[] {
  const squares = shares.reduce((sum, s) => sum + s * s, 0);
  return shares.map((s) => s / squares);
}

/** Circle that fits some pairs best, and how far each reading lies off it, mm. */
function circleOf(centres: readonly number[], shares: readonly number[]) {
  const weights = circleWeights(shares);
  const pcd = centres.reduce((sum, d, i) => sum + d * (weights[i] ?? 0), 0);
  return { pcd, off: centres.map((d, i) => d - pcd * (shares[i] ?? 0)) };
}

/**
 * The regular pattern that readings of hole pairs describe, by least squares over the circle. Readings agree where
 * none lies off its place on the circle by more than their limit; else the reading whose leaving out makes the others
 * agree best is named.
 *
 * @param holes 3 to 10
 * @param readings at least one
 * @param agrees readings that lie off by no more against each other agree, mm
 * @throws RangeError for no readings, or one that cannot be
 */
export function fitPattern(
  holes: number,
  readings: readonly ChordReading[],
  agrees = PATTERN_AGREES,
): PatternFit {
  if (readings.length === 0) throw new RangeError('A pattern needs a reading.');
  const centres = readings.map(centresOf);
  const shares = readings.map((r) => shareOf(holes, r.steps));
  const each = readings.map((r, i) => pcdOf(centres[i] ?? 0, holes, r.steps));
  const whole = circleOf(centres, shares);
  const apart = spread(whole.off);
  if (apart <= agrees) return { pcd: whole.pcd, each };
  // Of two that disagree nobody can say which is wrong.
  if (each.length < 3)
    return {
      pcd: whole.pcd,
      each,
      problem: `Both readings disagree by ${sized(apart, 'mm', 2)}: read a third pair.`,
    };
  const without = each.map((_, i) => circleOf(rest(centres, i), rest(shares, i)));
  const off = without.reduce((best, c, i) => (spread(c.off) < spread(without[best]?.off ?? []) ? i : best), 0);
  const others = without[off] ?? whole;
  const named = `Reading ${off + 1} gives a circle of ${sized(each[off] ?? 0, 'mm', 2)}, the others ${sized(others.pcd, 'mm', 2)}`;
  return {
    pcd: others.pcd,
    each,
    off,
    problem:
      spread(others.off) > agrees
        ? `No regular pattern of ${holes} holes explains these readings: count the holes and read all pairs again. ${named}.`
        : `${named}: read it again, or count its holes again.`,
  };
}

const rest = <T>(list: readonly T[], without: number): readonly T[] => list.filter((_, i) => i !== without);
const spread = (list: readonly number[]): number => Math.max(...list) - Math.min(...list);

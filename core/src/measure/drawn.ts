import { Columns, type Formula } from '../formula';
import { normalDraws, seededRandom } from '../numerics';
import { combined, partOf, readingAt, spreadOf, summed, type Parts } from './parts';

/** Draws of each reading, half of them the mirror of the others. */
const DRAWS = 384;

/** Values of a figure, one a draw; the same draw of a reading enters every figure that rests on it. */
export type Draws = Float64Array;

/** Draws by which slopes are told: half of them, in the middle, where each has its mirror beside it. */
const SLOPED = { from: DRAWS / 4, to: (3 * DRAWS) / 4 } as const;

// By the reading’s place in the list of all.
const kept: (Draws | undefined)[] = [];

/** A seed that is the same for the same reading, whatever else was read before it (FNV-1a). */
function seedOf(id: string): number {
  let hash = 0x811c9dc5;
  for (let i = 0; i < id.length; i += 1) hash = Math.imul(hash ^ id.charCodeAt(i), 0x01000193);
  return hash;
}

/** Standard normal draws of a reading, by its place: mean 0 and variance 1, exactly. */
const drawsOf = (place: number): Draws => (kept[place] ??= drawsBy(readingAt(place)));

function drawsBy(id: string): Draws {
  const made = new Float64Array(DRAWS);
  const next = normalDraws(seededRandom(seedOf(id)));
  let squares = 0;
  // Of four pairs that come one after the other, two go to the middle.
  const goes = [SLOPED.from, 0, 1, SLOPED.from + 1] as const;
  for (let k = 0; k < DRAWS / 2; k += 1) {
    const i = (goes[k % 4] as number) + 2 * Math.floor(k / 4);
    const z = next();
    squares += 2 * z * z;
    made[i] = z;
    made[DRAWS - 1 - i] = -z;
  }
  const scale = Math.sqrt(DRAWS / squares);
  for (let i = 0; i < DRAWS; i += 1) made[i] = (made[i] as number) * scale;
  return made;
}

/** Draws of a figure that follows its readings in a straight line. */
export function straight(value: number, { at, by }: Parts): Draws {
  const made = new Float64Array(DRAWS);
  for (let k = 0; k < at.length; k += 4) addFour(made, at, by, k);
  // The other half of the draws mirrors the first.
  for (let i = 0; i < DRAWS / 2; i += 1) {
    const off = made[i] as number;
    made[i] = value + off;
    made[DRAWS - 1 - i] = value - off;
  }
  return made;
}

const STILL: Draws = new Float64Array(DRAWS);

/** Adds what four readings bring to the first half of the draws: four at once, since the sums are read and kept each time. */
function addFour(sums: Draws, at: readonly number[], by: readonly number[], from: number): void {
  const left = at.length - from;
  const a = drawsOf(at[from] as number);
  const b = left > 1 ? drawsOf(at[from + 1] as number) : STILL;
  const c = left > 2 ? drawsOf(at[from + 2] as number) : STILL;
  const d = left > 3 ? drawsOf(at[from + 3] as number) : STILL;
  const p = by[from] as number;
  const q = left > 1 ? (by[from + 1] as number) : 0;
  const r = left > 2 ? (by[from + 2] as number) : 0;
  const s = left > 3 ? (by[from + 3] as number) : 0;
  for (let i = 0; i < DRAWS / 2; i += 1)
    sums[i] =
      (sums[i] as number) +
      (p * (a[i] as number) + q * (b[i] as number) + (r * (c[i] as number) + s * (d[i] as number)));
}

// Room that all formulas use in turn.
const room: Draws[] = [];
const share: Draws = new Float64Array(DRAWS);
const made = new WeakMap<Formula, Columns>();

function columnsOf(formula: Formula): Columns {
  const known = made.get(formula) ?? new Columns(formula.tape, DRAWS, room);
  made.set(formula, known);
  return known;
}

const isSloped = (i: number): boolean => i >= SLOPED.from && i < SLOPED.to;

/** What a formula comes to over the draws of its inputs. */
interface Drawn {
  readonly draws: Draws;
  readonly parts: Parts;
}

/**
 * How a formula spreads whose branches may change places, or which rests on others of that kind: by the same draws of
 * the readings throughout, so that a greatest less a least of the same readings is as uncertain as it is. What follows
 * a reading in a straight line stays with that reading; what is left over is the figure’s own.
 *
 * @param id of the figure
 * @param inputs draws of each input, in the order of the formula’s symbols
 * @param parts of each input
 * @example the greatest less the least of four caliper readings of one circle: ± 0.028 mm, where neither alone tells
 * @source JCGM 101:2008, 5 (propagation of distributions); Stein (1981) for the part in a straight line
 */
export function drawn(id: string, formula: Formula, inputs: readonly Draws[], parts: readonly Parts[]): Drawn {
  const columns = columnsOf(formula);
  const draws = columns.over(inputs, DRAWS).slice();
  let [middle, count] = [0, 0];
  for (let i = 0; i < DRAWS; i += 1) {
    const value = draws[i] as number;
    // Where a draw has no value, such as a share of nothing, the others tell.
    share[i] = Number.isFinite(value) && isSloped(i) ? 2 / DRAWS : 0;
    if (!Number.isFinite(value)) continue;
    count += 1;
    middle += (value - middle) / count;
  }
  let variance = 0;
  for (let i = 0; i < DRAWS; i += 1) {
    const off = (draws[i] as number) - middle;
    if (Number.isFinite(off)) variance += off ** 2 / count;
  }
  return { draws, parts: withRest(id, combined(parts, columns.meanSlopes(share, SLOPED)), variance) };
}

/** Parts that make up a variance: what they fall short of it by is the figure’s own, what they exceed it by is taken off. */
function withRest(id: string, parts: Parts, variance: number): Parts {
  const known = spreadOf(parts) ** 2;
  if (known <= variance) return summed(parts, partOf(`${id}.either`, Math.sqrt(variance - known)));
  const scale = Math.sqrt(variance / known);
  return { at: parts.at, by: parts.by.map((part) => part * scale) };
}

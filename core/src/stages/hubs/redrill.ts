import { sized } from '../../measure';
import type { KeepOut } from './choices';

/** Holes on one circle. Lengths mm. */
export interface Holes {
  readonly count: number;
  readonly pcd: number;
  readonly hole: number;
}

/** The face that is to be drilled. Lengths mm. */
export interface DrilledFace {
  readonly old: Holes;
  readonly wanted: Holes;
  /** Outside diameter of the flange, and of the register in its middle; either may be unknown. */
  readonly rim?: number;
  readonly pilot?: number;
  readonly keepOuts?: readonly KeepOut[];
}

/** What must stay whole. */
export interface DrillLimits {
  /** Least metal between two holes, mm, and over the new hole. */
  readonly ligament: number;
  readonly ligamentShare: number;
  /** Least from a hole’s centre to an edge, over the hole. */
  readonly edgeShare: number;
}

/** What comes nearest a new hole, and the metal left to it, mm; minus where they run into each other. */
export interface Nearest {
  readonly what: string;
  readonly metal: number;
}

export interface Redrill {
  readonly possible: boolean;
  /** From the first old hole to the first new one, anticlockwise seen from outside, rad. */
  readonly clockRad: number;
  readonly nearest: Nearest;
  /** Least metal to an old stud hole alone, mm. */
  readonly ligament: number;
  /** Metal that has to stay, mm. */
  readonly needed: number;
  /** Hole centre to rim and to pilot, mm. */
  readonly toRim?: number;
  readonly toPilot?: number;
  readonly edgeNeeded: number;
  /** Why not, each a sentence; empty where it may be drilled. */
  readonly reasons: readonly string[];
  readonly iterations: number;
}

/** Angles tried before the best of them is closed in on. */
const TRIED = 480;
/** The best angle is found to this, rad. */
const CLOSE = 1e-9;
const GOLDEN = (Math.sqrt(5) - 1) / 2;

/**
 * Finds the clocking of a new pattern that leaves the most metal between every new hole and every old hole, rotor
 * screw or access hole, and says whether that and the edges are enough.
 *
 * @throws RangeError where a pattern has no holes or no size
 * @example redrill({ old: { count: 5, pcd: 120, hole: 14 }, wanted: { count: 5, pcd: 108, hole: 14 } }, limits)
 *   // 36°, 21.69 mm
 * @source Cosine rule between hole centres; the least of smooth functions is tried all round and closed in on by
 *   golden section between its neighbours
 */
export function redrill(face: DrilledFace, limits: DrillLimits): Redrill {
  for (const { count, pcd, hole } of [face.old, face.wanted])
    if (!(count >= 3 && pcd > 0 && hole > 0))
      throw new RangeError('A pattern needs three holes or more, a circle and a hole size.');
  const step = (2 * Math.PI) / face.wanted.count;
  const metal = (clock: number): number => nearestAt(face, clock).metal;
  const tried = Array.from({ length: TRIED }, (_, i) => (i * step) / TRIED);
  const best = tried.reduce((a, b) => (metal(b) > metal(a) + CLOSE ? b : a));
  const found = closeIn(metal, best - step / TRIED, best + step / TRIED);
  const clockRad = ((found.at % step) + step) % step;
  return { clockRad, iterations: TRIED + found.iterations, ...judged(face, limits, clockRad) };
}

function judged(
  face: DrilledFace,
  limits: DrillLimits,
  clockRad: number,
): Omit<Redrill, 'clockRad' | 'iterations'> {
  const { wanted, rim, pilot } = face;
  const beside = neighbours(wanted);
  const apart = nearestAt(face, clockRad);
  const nearest = beside.metal < apart.metal ? beside : apart;
  const ligament = nearestAt({ ...face, keepOuts: [] }, clockRad).metal;
  const needed = Math.max(limits.ligament, limits.ligamentShare * wanted.hole);
  const edgeNeeded = limits.edgeShare * wanted.hole;
  const toRim = rim === undefined ? undefined : (rim - wanted.pcd) / 2;
  const toPilot = pilot === undefined ? undefined : (wanted.pcd - pilot) / 2;
  const reasons = [
    nearest.metal < needed ? shortOf(nearest, needed) : '',
    toRim !== undefined && toRim < edgeNeeded ? edgeShort('the flange’s rim', toRim, edgeNeeded) : '',
    toPilot !== undefined && toPilot < edgeNeeded ? edgeShort('the pilot', toPilot, edgeNeeded) : '',
  ].filter(Boolean);
  return {
    possible: reasons.length === 0,
    nearest,
    ligament,
    needed,
    edgeNeeded,
    reasons,
    ...(toRim === undefined ? {} : { toRim }),
    ...(toPilot === undefined ? {} : { toPilot }),
  };
}

const shortOf = ({ what, metal }: Nearest, needed: number): string =>
  metal < 0
    ? `The best clocking still runs ${sized(-metal, 'mm', 2)} into ${what}.`
    : `Only ${sized(metal, 'mm', 2)} of metal stay to ${what}; ${sized(needed, 'mm', 2)} are needed.`;

const edgeShort = (edge: string, left: number, needed: number): string =>
  `A hole’s centre stands ${sized(left, 'mm', 2)} from ${edge}; ${sized(needed, 'mm', 2)} are needed.`;

/** Metal between two new holes side by side: no clocking changes it. */
const neighbours = ({ count, pcd, hole }: Holes): Nearest => ({
  what: 'the next new hole',
  metal: pcd * Math.sin(Math.PI / count) - hole,
});

/** What comes nearest any new hole at a clocking. */
export function nearestAt({ old, wanted, keepOuts = [] }: DrilledFace, clockRad: number): Nearest {
  const radius = wanted.pcd / 2;
  let best: Nearest = { what: 'nothing', metal: Infinity };
  const hold = (what: string, at: number, angle: number, diameter: number): void => {
    for (let k = 0; k < wanted.count; k += 1) {
      const between = clockRad + (2 * Math.PI * k) / wanted.count - angle;
      // Holes on the same spot: rounding may leave a little less than nothing.
      const apart = Math.sqrt(Math.max(0, radius ** 2 + at ** 2 - 2 * radius * at * Math.cos(between)));
      const metal = apart - (wanted.hole + diameter) / 2;
      if (metal < best.metal) best = { what, metal };
    }
  };
  for (let k = 0; k < old.count; k += 1)
    hold('an old stud hole', old.pcd / 2, (2 * Math.PI * k) / old.count, old.hole);
  for (const { name, radius: at, angle, diameter } of keepOuts) hold(name, at, angle, diameter);
  return best;
}

/** Where a function is greatest between two places that enclose its only top. */
function closeIn(of: (x: number) => number, low: number, high: number): { at: number; iterations: number } {
  let [a, b] = [low, high];
  let iterations = 0;
  while (b - a > CLOSE) {
    const [c, d] = [b - GOLDEN * (b - a), a + GOLDEN * (b - a)];
    if (of(c) > of(d)) b = d;
    else a = c;
    iterations += 1;
  }
  return { at: (a + b) / 2, iterations };
}

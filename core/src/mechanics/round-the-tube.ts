/** Something on a tube: from and to along it, mm; middle and half of what it takes round it, rad. */
export interface TubePatch {
  readonly from: number;
  readonly to: number;
  readonly clock: number;
  readonly half: number;
  /** Room its weld wants on every side, mm. */
  readonly margin: number;
}

/** How near two patches stand, mm: below 0 where their weld margins meet, `body` where they meet themselves. */
export interface PatchGap {
  readonly body: number;
  readonly margins: number;
}

const TURN = 2 * Math.PI;

/** The same direction within half a turn either way, rad. */
export const wrapped = (angle: number): number => angle - TURN * Math.round(angle / TURN);

/**
 * How far two patches stand apart along the tube or round it, whichever is more: on the skin, mm.
 *
 * @param radius of the skin
 */
export function patchGap(a: TubePatch, b: TubePatch, radius: number): PatchGap {
  const along = Math.max(a.from, b.from) - Math.min(a.to, b.to);
  const round = radius * (Math.abs(wrapped(a.clock - b.clock)) - a.half - b.half);
  const body = Math.max(along, round);
  return { body, margins: body - a.margin - b.margin };
}

/**
 * Pairs of patches whose margins meet, by their places in the list, first before second.
 *
 * @param radius of the skin, mm
 * @example patchPairs([perch, truss], 38.1) // [[0, 1]] where the truss stands on the perch
 */
export function patchPairs(patches: readonly TubePatch[], radius: number): (readonly [number, number])[] {
  const n = patches.length;
  const order = patches.map((_, i) => i).sort((i, j) => begins(patches, i) - begins(patches, j));
  const pairs: (readonly [number, number])[] = [];
  for (let k = 0; k < n; k += 1) {
    const i = order[k] as number;
    const a = patches[i] as TubePatch;
    const end = a.to + a.margin;
    for (let m = k + 1; m < n; m += 1) {
      const j = order[m] as number;
      const b = patches[j] as TubePatch;
      // All that come after begin farther along.
      if (b.from - b.margin >= end) break;
      const room = a.half + b.half + (a.margin + b.margin) / radius;
      if (Math.abs(wrapped(a.clock - b.clock)) < room) pairs.push(i < j ? [i, j] : [j, i]);
    }
  }
  return pairs.sort((p, q) => p[0] - q[0] || p[1] - q[1]);
}

const begins = (patches: readonly TubePatch[], i: number): number => {
  const { from, margin } = patches[i] as TubePatch;
  return from - margin;
};

/** What a bracket’s place is carried over by, mm: all lateral places with the left as plus. */
export interface CarryOver {
  readonly side: 'left' | 'right';
  /** Outboard of the old casting face. */
  readonly fromOldCasting: number;
  /** Old pinion axis to its casting face. */
  readonly oldCasting: number;
  readonly oldPinion: number;
  readonly newCasting: number;
  readonly newPinion: number;
}

/**
 * The place of a bracket against the car’s centreline, and outboard of the new axle’s casting face.
 *
 * @example 304.8 outside a casting face 96.2 left of a pinion at −4.5 → 396.5; a face 127.98 left of a pinion at −12 → 280.52
 */
export function carryOver(c: CarryOver): { readonly y: number; readonly fromNewCasting: number } {
  const way = c.side === 'left' ? 1 : -1;
  const y = way * (c.fromOldCasting + c.oldCasting) + c.oldPinion;
  return { y, fromNewCasting: way * (y - c.newPinion) - c.newCasting };
}

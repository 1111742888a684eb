/** Shims that make up a thickness, and what they miss it by. */
export interface ShimPack {
  /** Shims of the kit, thickest first, mm. */
  readonly best: readonly number[];
  /** Their sum less what was wanted, mm. */
  readonly off: number;
}

/** Thicknesses are told apart to a tenth of a micrometre. */
const STEPS_A_MM = 10_000;
/** What is weighed at once: room for this many steps of thickness. */
const MOST_STEPS = 400_000;

/**
 * Shims of a kit, each used at most once, whose sum comes nearest to a thickness; of those equally near, the fewest.
 *
 * @param wanted mm, not negative
 * @param kit thicknesses, mm, above 0
 * @throws RangeError where the sums would need more room than there is
 * @example shimPack(0.83, [0.5, 0.3, 0.2, 0.12]) // best 0.5 + 0.3, off −0.03
 */
export function shimPack(wanted: number, kit: readonly number[]): ShimPack {
  const sizes = kit.map((mm) => Math.round(mm * STEPS_A_MM));
  const goal = Math.round(wanted * STEPS_A_MM);
  // A sum that is further above what is wanted than the thickest shim comes nearer without one.
  const room = Math.min(
    goal + Math.max(0, ...sizes),
    sizes.reduce((a, b) => a + b, 0),
  );
  if (room > MOST_STEPS) throw new RangeError('A pack of shims is at most 40 mm thick.');
  const reach = reachable(sizes, room);
  const at = nearest(reach.fewest, goal);
  const best = taken(sizes, reach, at)
    .map((i) => kit[i] as number)
    .sort((a, b) => b - a);
  return { best, off: best.reduce((a, b) => a + b, 0) - wanted };
}

interface Reach {
  /** Fewest shims that make each sum; 255 where none do. */
  readonly fewest: Uint8Array;
  /** For each shim, the sums it makes in fewer than those before it. */
  readonly uses: readonly Uint8Array[];
}
const NONE = 255;

function reachable(sizes: readonly number[], room: number): Reach {
  const fewest = new Uint8Array(room + 1).fill(NONE);
  fewest[0] = 0;
  const uses = sizes.map((size) => {
    const used = new Uint8Array(room + 1);
    for (let sum = room; sum >= size; sum -= 1) {
      const with1 = fewest[sum - size] as number;
      if (with1 < NONE - 1 && with1 + 1 < (fewest[sum] as number)) {
        fewest[sum] = with1 + 1;
        used[sum] = 1;
      }
    }
    return used;
  });
  return { fewest, uses };
}

function nearest(fewest: Uint8Array, goal: number): number {
  let best = 0;
  const better = (sum: number): boolean => {
    const [a, b] = [Math.abs(sum - goal), Math.abs(best - goal)];
    return a < b || (a === b && (fewest[sum] as number) < (fewest[best] as number));
  };
  for (let sum = 0; sum < fewest.length; sum += 1) if (fewest[sum] !== NONE && better(sum)) best = sum;
  return best;
}

/** Which shims make a sum, from the last that made it fewer back. */
function taken(sizes: readonly number[], { uses }: Reach, sum: number): readonly number[] {
  const found: number[] = [];
  let left = sum;
  for (let i = sizes.length - 1; i >= 0; i -= 1)
    if ((uses[i] as Uint8Array)[left]) {
      found.push(i);
      left -= sizes[i] as number;
    }
  return found;
}

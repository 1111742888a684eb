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
  const fine = kit.map((mm) => Math.round(mm * STEPS_A_MM));
  // All sums of a kit whose shims are told in twentieths lie on twentieths.
  const step = fine.reduce(dividing, 0) || 1;
  const sizes = fine.map((size) => size / step);
  const goal = Math.round(wanted * STEPS_A_MM) / step;
  // A sum that is further above what is wanted than the thickest shim comes nearer without one.
  const room = Math.min(
    Math.ceil(goal) + Math.max(0, ...sizes),
    sizes.reduce((a, b) => a + b, 0),
  );
  if (room * step > MOST_STEPS) throw new RangeError('A pack of shims is at most 40 mm thick.');
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

/** Two packs of one kit, no shim in both. */
export interface ShimPair {
  readonly first: ShimPack;
  readonly second: ShimPack;
  /** Sum of both less the total that was to stay, mm. */
  readonly totalOff: number;
}

/** A total this near counts as kept, mm: less than preload tells. */
export const TOTAL_KEPT = 0.0101;
/** Room for the sums of all shims, bytes. */
const MOST_ROOM = 48e6;
/** Coarsest and finest step of thickness that pairs are told apart by, in tenths of a micrometre. */
const FINEST = 25;

const dividing = (a: number, b: number): number => (b === 0 ? a : dividing(b, a % b));

/** Every way of dealing a kit into two packs, up to a thickness of each; made once, asked often. */
export class ShimDeals {
  private readonly kit: readonly number[];
  private readonly sizes: readonly number[];
  private readonly step: number;
  private readonly rows: number;
  private readonly words: number;
  private readonly layers: readonly Uint32Array[];

  /**
   * @param kit thicknesses, mm, above 0
   * @param first most that is asked of the first pack, mm; `second` likewise
   */
  constructor(kit: readonly number[], first: number, second: number) {
    // Thick ones first: a thin one is taken only where none of them makes it.
    this.kit = [...kit].sort((a, b) => b - a);
    const units = this.kit.map((mm) => Math.round(mm * STEPS_A_MM));
    const all = units.reduce((a, b) => a + b, 0);
    const top = (mm: number) => Math.min(all, Math.round(Math.max(0, mm) * STEPS_A_MM) + (units[0] ?? 0));
    const [a, b] = [top(first), top(second)];
    let step = Math.max(FINEST, units.reduce(dividing, 0));
    while ((units.length + 1) * (a / step + 1) * (b / step / 32 + 1) * 4 > MOST_ROOM) step *= 2;
    this.step = step;
    this.sizes = units.map((u) => Math.round(u / step));
    this.rows = Math.floor(a / step) + 1;
    this.words = Math.floor(b / step / 32) + 1;
    this.layers = dealt(this.sizes, this.rows, this.words);
  }

  /**
   * Pairs of packs, no shim in both: those whose total comes nearest to what was to stay, and of them the ones whose first
   * pack lies nearest to what is wanted.
   *
   * @param wanted of the first pack, mm
   * @param total of both together, mm
   * @param most how many pairs are told, nearest first, each with another first pack
   * @example new ShimDeals([2, 1.5, 0.5], 2.2, 2).pairs(2.2, 4) // first 2, second 1.5 + 0.5: total kept
   */
  pairs(wanted: number, total: number, most = 4): readonly ShimPair[] {
    const { rows, words, step } = this;
    const last = this.layers.at(-1) as Uint32Array;
    const [goal, sum, kept] = [wanted, total, TOTAL_KEPT].map((mm) => (mm * STEPS_A_MM) / step) as [
      number,
      number,
      number,
    ];
    const found = (reach: number) => {
      const best: { a: number; b: number; over: number; off: number }[] = [];
      for (let a = 0; a < rows; a += 1) {
        const b = nearestBit(last, a * words, words, sum - a, reach);
        if (b >= 0)
          best.push({ a, b, over: Math.max(0, Math.abs(a + b - sum) - kept), off: Math.abs(a - goal) });
      }
      return best;
    };
    const near = found(Math.ceil(kept) + 1).filter(({ over }) => over === 0);
    const best = near.length >= most ? near : found(Infinity);
    best.sort((p, q) => p.over - q.over || p.off - q.off);
    return best.slice(0, most).map(({ a, b }): ShimPair => {
      const [first, second] = packsOf(this.kit, this.sizes, this.layers, words, a, b);
      const made = (pack: readonly number[]) => pack.reduce((x, y) => x + y, 0);
      return {
        first: { best: first, off: made(first) - wanted },
        second: { best: second, off: made(second) - (total - wanted) },
        totalOff: made(first) + made(second) - total,
      };
    });
  }
}

/** After each shim, which sums of both packs can be made: bits along the second pack, a row for each first one. */
function dealt(sizes: readonly number[], rows: number, words: number): readonly Uint32Array[] {
  let now = new Uint32Array(rows * words);
  now[0] = 1;
  const layers = [now];
  for (const size of sizes) {
    const next = now.slice();
    const [skip, bits] = [size >>> 5, size & 31];
    for (let a = 0; a < rows; a += 1) {
      const from = a * words;
      for (let w = words - 1; w >= skip; w -= 1) {
        const low = now[from + w - skip] as number;
        const carry = bits && w - skip > 0 ? (now[from + w - skip - 1] as number) >>> (32 - bits) : 0;
        next[from + w] = (next[from + w] as number) | (low << bits) | carry;
      }
      if (a >= size) {
        const other = (a - size) * words;
        for (let w = 0; w < words; w += 1)
          next[from + w] = (next[from + w] as number) | (now[other + w] as number);
      }
    }
    layers.push(next);
    now = next;
  }
  return layers;
}

const bitAt = (layer: Uint32Array, at: number, bit: number): boolean =>
  (((layer[at + (bit >>> 5)] ?? 0) >>> (bit & 31)) & 1) === 1;

/** The set bit of a row that lies nearest to a place, no farther than `reach`; −1 where there is none. */
function nearestBit(layer: Uint32Array, at: number, words: number, wanted: number, reach: number): number {
  const middle = Math.min(words * 32 - 1, Math.max(0, Math.round(wanted)));
  for (let d = 0; d < Math.min(words * 32, reach + 1); d += 1) {
    const [low, high] = [middle - d, middle + d];
    const [hasLow, hasHigh] = [low >= 0 && bitAt(layer, at, low), high < words * 32 && bitAt(layer, at, high)];
    if (hasLow && hasHigh) return Math.abs(low - wanted) <= Math.abs(high - wanted) ? low : high;
    if (hasLow) return low;
    if (hasHigh) return high;
  }
  return -1;
}

/** Which shims make both sums, from the last back: one that is not needed is left in the box. */
function packsOf(
  kit: readonly number[],
  sizes: readonly number[],
  layers: readonly Uint32Array[],
  words: number,
  first: number,
  second: number,
): readonly [readonly number[], readonly number[]] {
  const packs: [number[], number[]] = [[], []];
  let [a, b] = [first, second];
  for (let i = sizes.length - 1; i >= 0; i -= 1) {
    const before = layers[i] as Uint32Array;
    if (bitAt(before, a * words, b)) continue;
    const [size, mm] = [sizes[i] as number, kit[i] as number];
    if (a >= size && bitAt(before, (a - size) * words, b)) {
      packs[0].push(mm);
      a -= size;
    } else {
      packs[1].push(mm);
      b -= size;
    }
  }
  const down = (x: number, y: number) => y - x;
  return [packs[0].sort(down), packs[1].sort(down)];
}

/** Sums of a kit near a thickness, nearest first, each as a pack of few shims. */
export function shimPacks(wanted: number, kit: readonly number[], most = 4): readonly ShimPack[] {
  const first = shimPack(Math.max(0, wanted), kit);
  const found = [first];
  // What lies on the other side of it, and a little on: other sums that the kit makes.
  for (const by of [-0.02, 0.02, -0.05, 0.05, -0.1, 0.1]) {
    const other = shimPack(Math.max(0, wanted + by), kit);
    const off = other.best.reduce((a, b) => a + b, 0) - wanted;
    if (found.every((p) => Math.abs(p.off - off) > 5e-4)) found.push({ best: other.best, off });
  }
  return found.sort((a, b) => Math.abs(a.off) - Math.abs(b.off)).slice(0, most);
}

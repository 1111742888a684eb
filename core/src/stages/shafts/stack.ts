import { normalDraws, seededRandom, type Random } from '../../numerics';

/** What is drawn: a size with the way it may be off. */
export interface StackPart {
  /** Quantity it is, or a name of its own for what is made. */
  readonly id: string;
  readonly label: string;
  readonly value: number;
  /** Standard uncertainty; for `flat` half the width over √3. */
  readonly u: number;
  /** Drawn evenly within ±√3·u, or normally. */
  readonly shape: 'flat' | 'normal';
}

/** Parts of a stack by what they are, all mm. */
export const STACK_KEYS = [
  'half',
  'scribe',
  'weld',
  'shaft',
  'ordered',
  'made',
  'gearStart',
  'gearSpline',
  'shaftSpline',
  'crossShaft',
  'float',
  'et',
  'section',
  'inboard',
  'outboard',
  'rotor',
  'caliper',
] as const;
export type StackKey = (typeof STACK_KEYS)[number];

/** One side of the axle as it will be made. Parts left out are certain and take no part. */
export interface StackSide {
  readonly parts: Readonly<Partial<Record<StackKey, StackPart>>>;
  /**
   * A clip holds the shaft by its inner end: what is off in its length moves the wheel, what is off in the housing
   * moves the brake. Else the housing end holds it, and both move its inner end.
   */
  readonly clip?: boolean;
}

/** Least that must hold. */
export interface StackLimits {
  /** Engaged over the side gear’s spline. */
  readonly engagement: number;
  readonly gap: number;
  readonly inboard: number;
  readonly outboard: number;
  /** Caliper’s middle from the rotor’s, either way. */
  readonly align: number;
}

export const STACK_OUTCOMES = ['engagement', 'gap', 'inboard', 'outboard', 'align'] as const;
export type StackOutcome = (typeof STACK_OUTCOMES)[number];

export interface OutcomeResult {
  /** All mm but `engagement`, a share; `align` is plus where the rotor stands further out than the caliper. */
  readonly id: StackOutcome;
  /** Share of the draws in which it holds. */
  readonly holds: number;
  readonly mean: number;
  readonly s: number;
  /** 2.5 % and 97.5 % of the draws lie below. */
  readonly low: number;
  readonly high: number;
}

/** How much of what goes wrong hangs on one part. */
export interface Blame {
  readonly id: string;
  readonly label: string;
  /** Share of the worst outcome’s variance that this part explains. */
  readonly share: number;
}

export interface StackResult {
  readonly draws: number;
  readonly outcomes: readonly OutcomeResult[];
  /** Share of the draws in which all of them hold at once. */
  readonly all: number;
  /** Outcome that holds least often; undefined where nothing is known. */
  readonly worst: StackOutcome | undefined;
  /** Parts by what they explain of the worst outcome, most first. */
  readonly blame: readonly Blame[];
}

type Sizes = Partial<Record<StackKey, number>>;
type Formula = (v: Sizes, clip: boolean) => number | undefined;

/** How far the housing end comes out beside its place. */
const housing = (v: Sizes): number => (v.scribe ?? 0) + (v.weld ?? 0);

/** How far a shaft comes out longer than the one it was worked out from, whose inner end the clip holds. */
const longer = (v: Sizes): number =>
  (v.made ?? 0) + (v.ordered === undefined || v.shaft === undefined ? 0 : v.ordered - v.shaft);

/** Half as it comes: as planned, moved by what holds the shaft. */
const half = (v: Sizes, clip: boolean): number | undefined =>
  v.half === undefined ? undefined : v.half + (clip ? longer(v) : housing(v));

/** Inner end of the shaft from the pinion axis, fully home. */
const shaftEnd = (v: Sizes, clip: boolean): number | undefined => {
  if (v.half === undefined || v.shaft === undefined) return undefined;
  return clip ? v.half - v.shaft : v.half + housing(v) - v.shaft - (v.made ?? 0);
};

/** Overlap of two splines: `engagement` without an object a draw. */
const overlap = (from: number, spline: number, gear: number, gearSpline: number): number =>
  Math.max(0, Math.min(from + spline, gear + gearSpline) - Math.max(from, gear));

const OUTCOMES: Readonly<Record<StackOutcome, Formula>> = {
  engagement: (v, clip) => {
    const end = shaftEnd(v, clip);
    if (
      end === undefined ||
      v.gearStart === undefined ||
      v.gearSpline === undefined ||
      v.shaftSpline === undefined
    )
      return undefined;
    const home = overlap(end, v.shaftSpline, v.gearStart, v.gearSpline);
    const out = overlap(end + (v.float ?? 0), v.shaftSpline, v.gearStart, v.gearSpline);
    return Math.min(home, out) / v.gearSpline;
  },
  gap: (v, clip) => {
    const end = shaftEnd(v, clip);
    return end === undefined || v.crossShaft === undefined ? undefined : end - v.crossShaft / 2;
  },
  inboard: (v, clip) => {
    const at = half(v, clip);
    if (at === undefined || v.et === undefined || v.section === undefined || v.inboard === undefined)
      return undefined;
    return at - v.et - v.section / 2 - v.inboard;
  },
  outboard: (v, clip) => {
    const at = half(v, clip);
    if (at === undefined || v.et === undefined || v.section === undefined || v.outboard === undefined)
      return undefined;
    return v.outboard - (at - v.et) - v.section / 2;
  },
  align: (v, clip) => {
    if (v.rotor === undefined || v.caliper === undefined) return undefined;
    const moved = clip ? longer(v) - housing(v) : 0;
    return v.rotor + moved - v.caliper;
  },
};

/** Value of an outcome for given sizes; undefined where a part it needs is missing. */
export const outcomeOf = (id: StackOutcome, sizes: Sizes, clip = false): number | undefined =>
  OUTCOMES[id](sizes, clip);

const holds = (id: StackOutcome, value: number, limits: StackLimits): boolean =>
  id === 'align' ? Math.abs(value) <= limits.align : value >= limits[id];

/** How many draws are made between two looks whether to go on. */
const SLICE = 5000;

/**
 * Draws the sizes of one side very many times and counts how often engagement, gap, wheel place and brake alignment
 * hold.
 *
 * @param draws how many; 100 000 give a chance to 0.3 % (k = 2)
 * @param seed the same seed gives the same draws
 * @param goOn asked every 5 000 draws with the share done; false stops, and what was drawn so far counts
 * @throws RangeError for no draws, or an uncertainty that is no number
 * @source Guide to the expression of uncertainty in measurement, supplement 1
 */
export function runStack(
  side: StackSide,
  limits: StackLimits,
  draws: number,
  seed = 1,
  goOn: (done: number) => boolean = () => true,
): StackResult {
  if (!(draws >= 1)) throw new RangeError('A stack needs at least one draw.');
  const keys = STACK_KEYS.filter((key) => side.parts[key] !== undefined);
  const parts = keys.map((key) => checked(side.parts[key] as StackPart));
  const sizes = middleOf(side.parts);
  const clip = side.clip ?? false;
  const known = STACK_OUTCOMES.filter((id) => OUTCOMES[id](sizes, clip) !== undefined);
  const tally = new Tally(parts, known, draws, clip);
  const drawers = parts.map(drawerOf(seededRandom(seed)));
  for (let n = 0; n < draws; n += 1) {
    if (n % SLICE === 0 && n > 0 && !goOn(n / draws)) break;
    for (let i = 0; i < keys.length; i += 1) {
      const off = (drawers[i] as () => number)();
      sizes[keys[i] as StackKey] = (parts[i] as StackPart).value + off;
      tally.drawn(i, off);
    }
    tally.came(sizes, limits);
  }
  return tally.result();
}

function checked(part: StackPart): StackPart {
  if (!Number.isFinite(part.value) || !(part.u >= 0))
    throw new RangeError(`${part.label} needs a value and an uncertainty of zero or more.`);
  return part;
}

const middleOf = (parts: StackSide['parts']): Sizes =>
  Object.fromEntries(Object.entries(parts).map(([key, part]) => [key, part.value]));

/** Makes what draws one part: certain ones are drawn nowhere. */
function drawerOf(random: Random): (part: StackPart) => () => number {
  const normal = normalDraws(random);
  return ({ u, shape }) => {
    if (u === 0) return () => 0;
    const half = Math.sqrt(3) * u;
    return shape === 'flat' ? () => (2 * random() - 1) * half : () => normal() * u;
  };
}

/** What is kept of the draws: how often each outcome held, every value of it, and how far each part was off. */
class Tally {
  private n = 0;
  private allHeld = 0;
  private readonly values: readonly Float64Array[];
  private readonly offs: readonly Float64Array[];
  private readonly formulas: readonly Formula[];
  private readonly held: Int32Array;

  constructor(
    private readonly parts: readonly StackPart[],
    private readonly known: readonly StackOutcome[],
    draws: number,
    private readonly clip: boolean,
  ) {
    this.values = known.map(() => new Float64Array(draws));
    this.offs = parts.map(() => new Float64Array(draws));
    this.formulas = known.map((id) => OUTCOMES[id]);
    this.held = new Int32Array(known.length);
  }

  drawn(part: number, off: number): void {
    (this.offs[part] as Float64Array)[this.n] = off;
  }

  came(sizes: Sizes, limits: StackLimits): void {
    let all = true;
    for (let k = 0; k < this.known.length; k += 1) {
      const value = (this.formulas[k] as Formula)(sizes, this.clip) as number;
      (this.values[k] as Float64Array)[this.n] = value;
      if (holds(this.known[k] as StackOutcome, value, limits)) this.held[k] = (this.held[k] as number) + 1;
      else all = false;
    }
    this.n += 1;
    if (all) this.allHeld += 1;
  }

  result(): StackResult {
    const outcomes = this.known.map((id, k) => this.outcome(id, k));
    const worst = [...outcomes].sort((a, b) => a.holds - b.holds)[0]?.id;
    return {
      draws: this.n,
      outcomes,
      all: this.known.length ? this.allHeld / this.n : 1,
      worst,
      blame: worst ? this.blame(this.values[this.known.indexOf(worst)] as Float64Array) : [],
    };
  }

  private outcome(id: StackOutcome, k: number): OutcomeResult {
    const { n } = this;
    const values = (this.values[k] as Float64Array).slice(0, n).sort();
    let sum = 0;
    for (let i = 0; i < n; i += 1) sum += values[i] as number;
    const mean = sum / n;
    let squares = 0;
    for (let i = 0; i < n; i += 1) squares += ((values[i] as number) - mean) ** 2;
    const at = (share: number) => values[Math.min(n - 1, Math.floor(share * n))] ?? mean;
    return {
      id,
      holds: (this.held[k] as number) / n,
      mean,
      s: n > 1 ? Math.sqrt(squares / (n - 1)) : 0,
      low: at(0.025),
      high: at(0.975),
    };
  }

  /** Squared correlation of each part with an outcome. */
  private blame(values: Float64Array): readonly Blame[] {
    const list = this.parts.map(({ id, label, u }, i) => ({
      id,
      label,
      share: u === 0 ? 0 : correlation(this.offs[i] as Float64Array, values, this.n) ** 2,
    }));
    return list.filter((b) => b.share > LEAST_SHARE).sort((a, b) => b.share - a.share);
  }
}

/** Shares below this are chance. */
const LEAST_SHARE = 0.002;

function correlation(a: Float64Array, b: Float64Array, n: number): number {
  let [sumA, sumB] = [0, 0];
  for (let i = 0; i < n; i += 1) {
    sumA += a[i] as number;
    sumB += b[i] as number;
  }
  const [meanA, meanB] = [sumA / n, sumB / n];
  let [ab, aa, bb] = [0, 0, 0];
  for (let i = 0; i < n; i += 1) {
    const [da, db] = [(a[i] as number) - meanA, (b[i] as number) - meanB];
    ab += da * db;
    aa += da * da;
    bb += db * db;
  }
  return aa > 0 && bb > 0 ? ab / Math.sqrt(aa * bb) : 0;
}

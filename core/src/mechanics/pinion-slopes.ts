import { ChainKernel } from './chain-kernel';
import { angleOf, motionOf, type Axis, type ChainMotion, type Vector } from './joint-chain';

/** How the pinion is aimed: alike at both ends, or at a joint that turns evenly at the gearbox. */
export type Aim = 'parallel' | 'cv';

/** What the pinion’s slope is asked of. Angles rad, places mm. */
export interface SlopeQuestion {
  readonly gearbox: Axis;
  /** Joint centres from the gearbox on, without the pinion’s: one, or two with a centre bearing. */
  readonly centres: readonly Vector[];
  /** The pinion’s joint centre with the pinion at a slope: it swings about the axle. */
  readonly last: (slope: number) => Vector;
  readonly pinionPlan: number;
  /** Revolutions of the driveshaft at its fastest. */
  readonly rpm: number | undefined;
  readonly aim: Aim;
  readonly phases?: readonly number[];
  readonly limits: SlopeLimits;
}

/** What a driveline must keep. Angles rad, accelerations rad/s². */
export interface SlopeLimits {
  readonly torsional: number;
  readonly inertia: number;
  /** Most angle of the pinion’s joint behind an even one. */
  readonly evenPinion: number;
}

/** Usual limits: SAE practice for passenger cars. */
export const USUAL_SLOPE_LIMITS: SlopeLimits = {
  torsional: 400,
  inertia: 1000,
  evenPinion: Math.PI / 180,
};

/** Slopes of the pinion, while it drives, that keep every limit; and the one to aim at. */
export interface SlopeAnswer {
  /** rad; undefined where no slope gives every joint its least angle. */
  readonly best: number | undefined;
  /** Ranges that are allowed, rad, rising. */
  readonly allowed: readonly (readonly [from: number, to: number])[];
}

/** Steps of slope looked at first. */
const STEPS = 120;
const FARTHEST = Math.PI / 4;
const FINE = 1e-8;
const GOLDEN = (Math.sqrt(5) - 1) / 2;
/** Residuals nearer each other than this are one, rad². */
const SAME = 1e-9;

/** A driveline without its limits and speed. */
export type SlopeLine = Omit<SlopeQuestion, 'limits' | 'rpm'>;

/** Sets a kernel’s axes as they lie with the pinion at a slope. */
function lay(kernel: ChainKernel, { gearbox, centres, last, pinionPlan }: SlopeLine, slope: number): void {
  kernel.along(0, 1, -Math.tan(gearbox.plan), Math.tan(gearbox.slope));
  const end = last(slope);
  for (let i = 0; i < centres.length; i += 1) {
    const [a, b] = [centres[i] as Vector, centres[i + 1] ?? end];
    kernel.along(i + 1, a[0] - b[0], a[1] - b[1], a[2] - b[2]);
  }
  kernel.along(centres.length + 1, 1, -Math.tan(pinionPlan), Math.tan(slope));
}

const kernelOf = ({ centres, phases, aim }: SlopeLine): ChainKernel =>
  new ChainKernel(centres.length + 2, phases, aim === 'cv' ? [true] : []);

/** What the driveline does with the pinion at a slope. */
export function motionAt(question: SlopeLine, slope: number): ChainMotion {
  const kernel = kernelOf(question);
  lay(kernel, question, slope);
  kernel.run();
  return motionOf(kernel);
}

/** What a slope does: evenness, and the share that is left of any limit. */
interface Looked {
  readonly unevenness: number;
  readonly margin: number;
}

/** A question, and the kernel that it is asked of. */
class Asked {
  private readonly known = new Map<number, Looked>();
  private readonly kernel: ChainKernel;
  private readonly torsional: number;
  private readonly inertia: number;

  constructor(readonly question: SlopeQuestion) {
    this.kernel = kernelOf(question);
    const { limits, rpm } = question;
    this.torsional = rpm === undefined ? Infinity : angleOf(limits.torsional, rpm);
    this.inertia = rpm === undefined ? Infinity : angleOf(limits.inertia, rpm);
  }

  /** What a slope does, worked out once. */
  private at(slope: number): Looked {
    let looked = this.known.get(slope);
    if (looked) return looked;
    lay(this.kernel, this.question, slope);
    this.kernel.run();
    looked = {
      unevenness: this.kernel.equivalent ** 2,
      margin: this.marginOf(this.kernel),
    };
    this.known.set(slope, looked);
    return looked;
  }

  /** Evenness: the less the better, rad². */
  unevenness(slope: number): number {
    return this.at(slope).unevenness;
  }

  /** The least share of any limit that is left; below 0 where one is broken. */
  margin(slope: number): number {
    return this.at(slope).margin;
  }

  private marginOf(motion: ChainKernel): number {
    const cv = this.question.aim === 'cv';
    const { joints, drive, coast } = motion;
    let most = 0;
    for (let i = 0; i < drive.length; i += 1) most = Math.max(most, drive[i] as number, coast[i] as number);
    for (let i = cv ? 1 : 0; i < joints.length; i += 1) most = Math.max(most, joints[i] as number);
    const left = Math.min(1 - motion.equivalent / this.torsional, 1 - most / this.inertia);
    return cv ? Math.min(left, 1 - (joints.at(-1) as number) / this.question.limits.evenPinion) : left;
  }
}

/**
 * Slopes of the pinion that a driveline allows, and the best: the one that turns most evenly, with both joints alike
 * (parallel), or in line with the last shaft (behind an even joint). How straight a joint may be is no reason to aim
 * elsewhere. Without a speed there is a best, and nothing is said of what is allowed. All slopes are those that the
 * pinion has while it drives: what it lifts its nose by under load is taken off for the bench.
 *
 * @throws RangeError where rpm is not above 0
 * @example pinionSlopes(of a gearbox at 3.0° and a shaft at 1.2°, parallel).best // 3.0°
 */
export function pinionSlopes(question: SlopeQuestion): SlopeAnswer {
  if (question.rpm !== undefined && !(question.rpm > 0))
    throw new RangeError('A driveline’s limits are of a speed above 0.');
  const asked = new Asked(question);
  const middle = lineUp(question);
  const slopes = Array.from({ length: STEPS + 1 }, (_, i) => middle + FARTHEST * ((2 * i) / STEPS - 1));
  const allowed = question.rpm === undefined ? [] : rangesOf((s) => asked.margin(s), slopes);
  return { best: bestOf(asked, slopes, middle), allowed };
}

/** The slope that lines the pinion up with the last shaft, which swings with it. */
function lineUp({ centres, last }: SlopeLine): number {
  const front = centres.at(-1) as Vector;
  let slope = 0;
  for (let i = 0; i < 40; i += 1) {
    const end = last(slope);
    slope = Math.atan2(front[2] - end[2], front[0] - end[0]);
  }
  return slope;
}

/** Ranges in which a margin is not below 0: those of the grid, and what lies between its points. */
function rangesOf(margin: (slope: number) => number, grid: readonly number[]): SlopeAnswer['allowed'] {
  const at = withTurns(margin, grid);
  const ranges: (readonly [number, number])[] = [];
  let from: number | undefined;
  at.forEach(([slope, m], i) => {
    const before = at[i - 1];
    if (m >= 0 && from === undefined) from = before ? edge(margin, before[0], slope) : slope;
    if (m < 0 && from !== undefined && before) {
      ranges.push([from, edge(margin, slope, before[0])]);
      from = undefined;
    }
  });
  if (from !== undefined) ranges.push([from, (at.at(-1) as readonly [number, number])[0]]);
  return ranges;
}

/** Grid points with their margins, and between them the crests and troughs that a grid would step over. */
function withTurns(
  margin: (slope: number) => number,
  grid: readonly number[],
): readonly (readonly [number, number])[] {
  const at = grid.map((slope) => [slope, margin(slope)] as const);
  const turns = at.flatMap(([, m], i) => {
    const [before, after] = [at[i - 1], at[i + 1]];
    if (!before || !after) return [];
    const crest = m < 0 && m >= before[1] && m >= after[1];
    const trough = m >= 0 && m <= before[1] && m <= after[1];
    if (!crest && !trough) return [];
    const slope = extreme((s) => (crest ? margin(s) : -margin(s)), before[0], after[0]);
    return [[slope, margin(slope)] as const];
  });
  return [...at, ...turns].sort((a, b) => a[0] - b[0]);
}

/** Where a margin passes 0 between a slope that breaks it and one that keeps it. */
function edge(margin: (slope: number) => number, out: number, kept: number): number {
  let [bad, good] = [out, kept];
  while (Math.abs(good - bad) > FINE) {
    const half = (bad + good) / 2;
    if (margin(half) >= 0) good = half;
    else bad = half;
  }
  return good;
}

/** Where a function is greatest between two places, by golden section. */
function extreme(f: (x: number) => number, from: number, to: number): number {
  let [a, b] = [from, to];
  let [c, d] = [b - GOLDEN * (b - a), a + GOLDEN * (b - a)];
  let [atC, atD] = [f(c), f(d)];
  while (b - a > FINE) {
    // One of the two inner places serves again.
    if (atC >= atD) {
      [b, d, atD] = [d, c, atC];
      c = b - GOLDEN * (b - a);
      atC = f(c);
    } else {
      [a, c, atC] = [c, d, atD];
      d = a + GOLDEN * (b - a);
      atD = f(d);
    }
  }
  return (a + b) / 2;
}

function bestOf(asked: Asked, grid: readonly number[], middle: number): number | undefined {
  const { aim, gearbox } = asked.question;
  if (aim === 'cv') return middle;
  const unevenness = (slope: number): number => asked.unevenness(slope);
  const values = grid.map(unevenness);
  const found = [gearbox.slope, ...grid].flatMap((slope, k) => {
    if (k === 0) return [slope];
    const i = k - 1;
    const [before, after] = [grid[i - 1], grid[i + 1]];
    if (before !== undefined && (values[i - 1] as number) < (values[i] as number)) return [];
    if (after !== undefined && (values[i + 1] as number) < (values[i] as number)) return [];
    return [extreme((s) => -unevenness(s), before ?? slope, after ?? slope), slope];
  });
  return found.reduce<number | undefined>((best, slope) => {
    if (best === undefined) return slope;
    const more = unevenness(slope) - unevenness(best);
    if (Math.abs(more) > SAME) return more < 0 ? slope : best;
    // Equally even: the one nearer the gearbox’s own slope, as both ends alike has it.
    const off = (s: number) => Math.abs(s - gearbox.slope);
    return off(slope) < off(best) ? slope : best;
  }, undefined);
}

import { axlePose, axlePoseNear, type AxlePose } from '../../mechanics/solid-axle';
import { pointOf, type Member } from './figures/held';
import { reached, type Stand } from './study';

/** What is told of every pose of a sweep. Lengths mm, angles rad; slopes front higher plus; a skew is its sine. */
export const SWEPT = ['pinion', 'forward', 'left', 'steer', 'bind', 'antiSquat', 'rollCentre'] as const;
export type Swept = (typeof SWEPT)[number];

/** A sweep over heave and roll: numbers stand row by row, all heaves of the first roll before those of the second. */
export interface Sweep {
  readonly heaves: readonly number[];
  readonly rolls: readonly number[];
  readonly values: Readonly<Record<Swept, Float64Array>>;
  /** Springs and dampers, eye to eye. */
  readonly lengths: readonly { readonly name: string; readonly values: Float64Array }[];
  /** Sine of how far the rod ends of each link are out of square: the worse end. */
  readonly skews: readonly { readonly name: string; readonly values: Float64Array }[];
  /** Poses that the links do not reach: there nothing is told. */
  readonly missed: number;
}

/** Steps of a sweep each way. */
interface Grid {
  readonly heaves: number;
  readonly rolls: number;
}
export const USUAL_GRID: Grid = { heaves: 41, rolls: 21 };

/** Places of a member as flat numbers: its end on the axle from the axle’s middle, its end on the car, its bolt. */
interface Flat {
  readonly name: string;
  readonly a: readonly [number, number, number];
  readonly c: readonly [number, number, number];
  readonly bolt: readonly [number, number];
}

const PIVOTED = ['ladder', 'torqueArm'];

function flatOf({ values, axle }: Stand, member: Member): Flat {
  const [x, y, z] = axle.axleCentre;
  const a = pointOf(values, member.axle, member.sign);
  const c = pointOf(values, member.car, member.sign);
  const [dx, dy] = [c[0] - a[0], c[1] - a[1]];
  const flat = Math.hypot(dx, dy);
  return {
    name: member.name,
    a: [a[0] - x, a[1] - y, a[2] - z],
    c,
    bolt: flat < 1e-9 ? [0, 1] : [-dy / flat, dx / flat],
  };
}

const spread = (from: number, to: number, count: number): readonly number[] =>
  count < 2 ? [0] : Array.from({ length: count }, (_, i) => from + ((to - from) * i) / (count - 1));

/** Turns of one pose as a matrix, row by row. */
function turnInto(m: Float64Array, roll: number, pitch: number, yaw: number): void {
  const sr = Math.sin(roll);
  const cr = Math.cos(roll);
  const sp = Math.sin(pitch);
  const cp = Math.cos(pitch);
  const sw = Math.sin(yaw);
  const cw = Math.cos(yaw);
  m[0] = cw * cp;
  m[1] = cw * sp * sr - sw * cr;
  m[2] = cw * sp * cr + sw * sr;
  m[3] = sw * cp;
  m[4] = sw * sp * sr + cw * cr;
  m[5] = sw * sp * cr - cw * sr;
  m[6] = -sp;
  m[7] = cp * sr;
  m[8] = cp * cr;
}

/** Room for what a pose says of each member. */
interface Told {
  readonly flat: Flat;
  readonly values: Float64Array;
}

const list = (stand: Stand, members: readonly Member[], count: number): readonly Told[] =>
  members.map((m) => ({ flat: flatOf(stand, m), values: new Float64Array(count).fill(Number.NaN) }));

/** Eye to eye of every spring, and the skew of every link, in one pose. */
function tell(
  at: number,
  m: Float64Array,
  [x, y, z]: readonly [number, number, number],
  lengths: readonly Told[],
  skews: readonly Told[],
): void {
  for (const { flat, values } of lengths) {
    const [a0, a1, a2] = [flat.a[0], flat.a[1], flat.a[2]];
    const dx = (m[0] as number) * a0 + (m[1] as number) * a1 + (m[2] as number) * a2 + x - flat.c[0];
    const dy = (m[3] as number) * a0 + (m[4] as number) * a1 + (m[5] as number) * a2 + y - flat.c[1];
    const dz = (m[6] as number) * a0 + (m[7] as number) * a1 + (m[8] as number) * a2 + z - flat.c[2];
    values[at] = Math.sqrt(dx * dx + dy * dy + dz * dz);
  }
  for (const { flat, values } of skews) {
    const a0 = flat.a[0];
    const a1 = flat.a[1];
    const a2 = flat.a[2];
    const dx = (m[0] as number) * a0 + (m[1] as number) * a1 + (m[2] as number) * a2 + x - flat.c[0];
    const dy = (m[3] as number) * a0 + (m[4] as number) * a1 + (m[5] as number) * a2 + y - flat.c[1];
    const dz = (m[6] as number) * a0 + (m[7] as number) * a1 + (m[8] as number) * a2 + z - flat.c[2];
    const b0 = flat.bolt[0];
    const b1 = flat.bolt[1];
    const car = Math.abs(dx * b0 + dy * b1);
    const axle = Math.abs(
      dx * ((m[0] as number) * b0 + (m[1] as number) * b1) +
        dy * ((m[3] as number) * b0 + (m[4] as number) * b1) +
        dz * ((m[6] as number) * b0 + (m[7] as number) * b1),
    );
    values[at] = Math.max(car, axle) / (Math.sqrt(dx * dx + dy * dy + dz * dz) || 1);
  }
}

/** Slope at a place of a row of numbers that stand one step apart: by its neighbours, one-sided at both ends. */
function slopeAt(
  values: Float64Array,
  at: number,
  by: number,
  first: boolean,
  last: boolean,
  step: number,
): number {
  const a = first ? at : at - by;
  const b = last ? at : at + by;
  return ((values[b] as number) - (values[a] as number)) / (step * (first || last ? 1 : 2));
}

/**
 * Everything over heave and roll. Anti-squat and roll centre come from how the poses differ from their neighbours, so a
 * sweep costs little more than its poses.
 *
 * @param step is told the share done, 0 to 1, and says whether to go on
 * @returns nothing while the travel is not known, or where it was stopped
 */
export function sweepOf(
  stand: Stand,
  { heaves: nz, rolls: nr }: Grid = USUAL_GRID,
  step: (done: number) => boolean = () => true,
): Sweep | undefined {
  const { bump, droop, roll } = stand.reach;
  if (Number.isNaN(bump) || Number.isNaN(droop)) return undefined;
  const heaves = spread(-droop, bump, nz);
  const rolls = Number.isNaN(roll) || roll < 1e-6 ? [0] : spread(-roll, roll, nr);
  const count = heaves.length * rolls.length;
  const of = (): Float64Array => new Float64Array(count).fill(Number.NaN);
  const values = {
    pinion: of(),
    forward: of(),
    left: of(),
    steer: of(),
    bind: of(),
    antiSquat: of(),
    rollCentre: of(),
  };
  const lengths = list(stand, stand.held.sprung, count);
  const skews = list(
    stand,
    stand.held.members.filter(({ kind }) => !PIVOTED.includes(kind)),
    count,
  );
  const m = new Float64Array(9);
  const [cx, cy, cz] = stand.axle.axleCentre;
  let missed = 0;
  for (let j = 0; j < rolls.length; j += 1) {
    const angle = rolls[j] as number;
    let before: AxlePose | undefined;
    for (let i = 0; i < heaves.length; i += 1) {
      const z = heaves[i] as number;
      const pose = before
        ? axlePoseNear(stand.axle, { z, roll: angle }, before)
        : axlePose(stand.axle, { z, roll: angle });
      if (!reached(pose)) {
        missed += 1;
        before = undefined;
        continue;
      }
      before = pose;
      const at = j * heaves.length + i;
      values.pinion[at] = -pose.pitch;
      values.forward[at] = pose.x;
      values.left[at] = pose.y;
      values.steer[at] = pose.yaw;
      let worst = 0;
      for (const error of pose.errors) worst = Math.max(worst, Math.abs(error));
      values.bind[at] = worst;
      turnInto(m, angle, pose.pitch, pose.yaw);
      tell(at, m, [cx + pose.x, cy + pose.y, cz + z], lengths, skews);
    }
    if (!step((j + 1) / rolls.length)) return undefined;
  }
  differences(stand, heaves, rolls, values);
  const plain = (told: readonly Told[]) => told.map(({ flat, values: v }) => ({ name: flat.name, values: v }));
  return { heaves, rolls, values, lengths: plain(lengths), skews: plain(skews), missed };
}

/** Anti-squat along the heaves, and the roll centre along the rolls. */
function differences(
  stand: Stand,
  heaves: readonly number[],
  rolls: readonly number[],
  values: Sweep['values'],
): void {
  const { held, values: inputs, axle } = stand;
  const of = (id: string) => inputs[held.at(id)] ?? Number.NaN;
  const height = axle.axleCentre[2];
  const over = of('brief.wheelbase') / of('brief.cgHeight');
  const [nz, nr] = [heaves.length, rolls.length];
  const dz = (heaves[1] as number) - (heaves[0] as number);
  const dr = nr > 1 ? (rolls[1] as number) - (rolls[0] as number) : Number.NaN;
  for (let j = 0; j < nr; j += 1)
    for (let i = 0; i < nz; i += 1) {
      const at = j * nz + i;
      const x = slopeAt(values.forward, at, 1, i === 0, i === nz - 1, dz);
      const p = -slopeAt(values.pinion, at, 1, i === 0, i === nz - 1, dz);
      values.antiSquat[at] = -(x - p * height) * over;
      if (nr > 1) values.rollCentre[at] = height + slopeAt(values.left, at, nz, j === 0, j === nr - 1, dr);
    }
}

/** Least and most of a row of numbers, and where: heave, mm, and roll, rad. */
interface Extreme {
  readonly value: number;
  readonly z: number;
  readonly roll: number;
}

/** Both extremes of a row of a sweep; nothing where nothing of it is known. */
export function extremesOf(
  { heaves, rolls }: Pick<Sweep, 'heaves' | 'rolls'>,
  values: Float64Array,
): { readonly least: Extreme; readonly most: Extreme } | undefined {
  let [low, high] = [-1, -1];
  for (let i = 0; i < values.length; i += 1) {
    const v = values[i] as number;
    if (Number.isNaN(v)) continue;
    if (low < 0 || v < (values[low] as number)) low = i;
    if (high < 0 || v > (values[high] as number)) high = i;
  }
  if (low < 0) return undefined;
  const at = (i: number): Extreme => ({
    value: values[i] as number,
    z: heaves[i % heaves.length] as number,
    roll: rolls[Math.floor(i / heaves.length)] as number,
  });
  return { least: at(low), most: at(high) };
}

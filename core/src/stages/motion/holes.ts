import { axleCharacter, axlePose, type SolidAxle } from '../../mechanics/solid-axle';
import type { Arm } from './choices';
import type { At, Held } from './figures/held';
import { reached, reachOf } from './study';

/** An end of a link that has more than one hole. */
interface HoleRow {
  readonly key: string;
  readonly arm: Arm;
  readonly end: 'a' | 'c';
  readonly count: number;
  readonly used: number;
}

/** One way to bolt everything up: the hole of every row, and what comes of it. Lengths mm, angles rad. */
export interface HoleWay {
  readonly holes: readonly number[];
  readonly antiSquat: number;
  readonly icAlong: number;
  readonly icHeight: number;
  readonly aboveNeutral: number;
  /** Pinion turned over the travel, the worse end; no number where it is not reached. */
  readonly pinion: number;
  /** Worst length that links lack over the travel and in roll either way; no number where it is not reached. */
  readonly bind: number;
}

/** Ends with more than one hole, in the order of the list. */
export const holeRows = (arms: Readonly<Record<string, Arm>>): readonly HoleRow[] =>
  Object.entries(arms).flatMap(([key, arm]) =>
    (['a', 'c'] as const).flatMap((end): HoleRow[] => {
      const count = arm[`${end}Holes`] ?? 1;
      const used = arm[`${end}Use`] ?? arm[`${end}Read`] ?? 1;
      return count > 1 && !(end === 'a' && arm.bracket) ? [{ key, arm, end, count, used }] : [];
    }),
  );

/** More than this many ways are not all worked out: fewer brackets have to be in question. */
export const MOST_WAYS = 20_000;

/** How many ways there are to bolt it up. */
export const waysOf = (rows: readonly HoleRow[]): number => rows.reduce((n, { count }) => n * count, 1);

/** The holes of a way, from its number. */
function holesOf(rows: readonly HoleRow[], way: number): readonly number[] {
  let rest = way;
  return rows.map(({ count }) => {
    const hole = (rest % count) + 1;
    rest = Math.floor(rest / count);
    return hole;
  });
}

/** Moves what is bolted into other holes. */
function boltedUp(held: Held, values: Float64Array, rows: readonly HoleRow[], holes: readonly number[]): void {
  rows.forEach(({ key, arm, end, used }, i) => {
    const steps = (holes[i] ?? used) - used;
    const member = held.members.find((m) => m.key === key) ?? held.sprung.find((m) => m.key === key);
    if (!member || steps === 0) return;
    const [x, , z]: At = end === 'a' ? member.axle : member.car;
    values[x] = (values[x] as number) + steps * (arm[`${end}StepX`] ?? 0);
    values[z] = (values[z] as number) + steps * (arm[`${end}StepZ`] ?? 0);
  });
}

/** Heave and roll that a way is held to: full bump, full droop, and as far as the car leans either way. */
type Asked = readonly [z: number, roll: number];

/** What links lack at the worst of them, and how far the pinion is turned; no number where one is not reached. */
function worstOf(axle: SolidAxle, poses: readonly Asked[]): { readonly bind: number; readonly pinion: number } {
  let [bind, pinion] = [0, 0];
  for (const [z, roll] of poses) {
    if (Number.isNaN(z) || Number.isNaN(roll)) return { bind: Number.NaN, pinion: Number.NaN };
    const pose = axlePose(axle, { z, roll });
    if (!reached(pose)) return { bind: Number.NaN, pinion: Number.NaN };
    for (const error of pose.errors) bind = Math.max(bind, Math.abs(error));
    if (roll === 0) pinion = Math.max(pinion, Math.abs(pose.pitch));
  }
  return { bind, pinion };
}

/** What comes of one way to bolt it up. */
function wayOf(held: Held, rows: readonly HoleRow[], way: number): HoleWay {
  const holes = holesOf(rows, way);
  const values = Float64Array.from(held.inputs, ({ value }) => value);
  boltedUp(held, values, rows, holes);
  const axle = held.solid(values);
  const of = (id: string) => values[held.at(id)] ?? Number.NaN;
  const [wheelbase, cgHeight] = [of('brief.wheelbase'), of('brief.cgHeight')];
  const found = axleCharacter(axle, { wheelbase, cgHeight });
  const { bump, droop, roll } = reachOf(held, values);
  const [along, height] = found?.instantCentre ?? [Number.NaN, Number.NaN];
  return {
    holes,
    antiSquat: found?.antiSquat ?? Number.NaN,
    icAlong: along,
    icHeight: height,
    aboveNeutral: height - (cgHeight * along) / wheelbase,
    ...worstOf(axle, [
      [bump, 0],
      [-droop, 0],
      [0, roll],
      [0, -roll],
    ]),
  };
}

/** Every way to bolt it up, in the order of their numbers. @throws RangeError where there are more than can be worked out */
export function allWays(held: Held, rows: readonly HoleRow[]): readonly HoleWay[] {
  const count = waysOf(rows);
  if (count > MOST_WAYS) throw new RangeError(`${count} ways to bolt it up: at most ${MOST_WAYS}.`);
  return Array.from({ length: count }, (_, way) => wayOf(held, rows, way));
}

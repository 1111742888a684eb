import {
  adviseNext,
  advisedShims,
  readTrial,
  type SetShims,
  type SetUpWindow,
  type ShimKit,
  type Trial,
} from '../../mechanics';

/** Shims that a usual kit has, mm: by 0.05 to 0.5, some fine ones, some thick; beside the carrier two of each. */
const FINE = [0.18, 0.13, 0.075, 0.03, 0.025, 0.02];
const STEPS = Array.from({ length: 9 }, (_, i) => (10 - i) / 20);
export const USUAL_KIT: ShimKit = {
  pinion: [1.2, 1, 0.8, ...STEPS, ...FINE],
  carrier: [1.5, 1.2, 1, ...STEPS, ...FINE].flatMap((mm) => [mm, mm]),
};

/** Trials after which a set is left alone. */
const MOST = 8;

/**
 * Sets a gear set up by the advice and nothing else.
 *
 * @param first shims it comes with
 * @param show puts shims in and reads what they show
 * @returns the trials up to the first good one, at most eight
 */
export async function setUpByAdvice(
  first: SetShims,
  show: (shims: SetShims) => Promise<Trial>,
  window: SetUpWindow,
  kit: ShimKit,
): Promise<readonly Trial[]> {
  const trials: Trial[] = [];
  let shims = first;
  while (trials.length < MOST) {
    trials.push(await show(shims));
    if (readTrial(trials.at(-1) as Trial, window).good) break;
    shims = advisedShims(adviseNext(trials, window, kit));
  }
  return trials;
}

/** How far shims are from right, mm: pinion shim too thick +, ring side too thick +. */
export interface Miss {
  readonly pinion: number;
  readonly ring: number;
}

/** A trial against the truth, and what the advice after the trials before it would have put in. */
export interface TrialReview {
  readonly n: number;
  readonly put: Miss;
  /** Undefined for the first: there is nothing to go by. */
  readonly advised?: Miss;
}

/**
 * Every trial against the truth.
 *
 * @example reviewTrials([{ …, pinionShim: 0.9, ringSide: 2.1 }], { pinionShim: 0.98, ringSide: 2.05, … }, window, kit)
 * // [{ n: 1, put: { pinion: −0.08, ring: 0.05 } }]
 */
export function reviewTrials(
  trials: readonly Trial[],
  truth: SetShims,
  window: SetUpWindow,
  kit: ShimKit,
): readonly TrialReview[] {
  const miss = ({ pinionShim, ringSide }: SetShims): Miss => ({
    pinion: pinionShim - truth.pinionShim,
    ring: ringSide - truth.ringSide,
  });
  return trials.map((trial, i) => ({
    n: i + 1,
    put: miss(trial),
    ...(i === 0 ? {} : { advised: miss(advisedShims(adviseNext(trials.slice(0, i), window, kit))) }),
  }));
}

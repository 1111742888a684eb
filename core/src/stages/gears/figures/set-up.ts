import { given, meanOf, type Figure, type Maybe } from '../../../measure';
import {
  adviseNext,
  readTrial,
  USUAL_WINDOW,
  type Advice,
  type SetUpWindow,
  type TrialReading,
} from '../../../mechanics';
import type { GearTrial } from '../choices';
import { node } from '../node';

/** A trial with what it says. */
export interface ReadTrial extends GearTrial {
  readonly id: string;
  readonly says: TrialReading;
}

/** The set-up as it stands. */
export interface SetUp {
  /** In order. */
  readonly trials: readonly ReadTrial[];
  /** What to try next; undefined before the first trial and once the last is good. */
  readonly next?: Advice;
  readonly window: SetUpWindow;
}

export const setUpWindow = node('setUpWindow', (r): SetUpWindow => {
  const least = r.limit('gear.backlashLeast').value;
  return {
    ...USUAL_WINDOW,
    backlash: [least, Math.max(least, r.limit('gear.backlashMost').value)],
    range: r.limit('gear.backlashRange').value,
  };
});

/** Every trial of the set-up, and what to try next with the shims there are. */
export const setUp = node('setUp', (r): SetUp => {
  const window = r.of(setUpWindow);
  const trials = Object.entries(r.part('gearTrials'))
    .map(([id, t]): ReadTrial => ({ id, ...t, says: readTrial(t, window) }))
    .sort((a, b) => a.n - b.n || (a.id < b.id ? -1 : 1));
  const last = trials.at(-1);
  if (!last || last.says.good) return { trials, window };
  return { trials, window, next: adviseNext(trials, window, r.part('shimKit')) };
});

/** Half of what a dial indicator tells apart, mm. */
const INDICATOR = 0.005;

/** Mean backlash of the last trial. */
export const backlash = node('backlash', (r): Maybe => {
  const last = r.of(setUp).trials.at(-1);
  if (!last) return undefined;
  return meanOf(
    {
      id: 'gear.backlash',
      label: `Backlash, trial ${last.n}`,
      unit: 'mm',
      source: 'Mean of the teeth read',
    },
    last.backlash.map((mm, i): Figure =>
      given(`gear.backlash.${i + 1}`, `Backlash at tooth ${i + 1}`, mm, INDICATOR / Math.sqrt(3), 'mm', {
        source: 'Dial indicator',
        evidence: 'measured',
      }),
    ),
  );
});

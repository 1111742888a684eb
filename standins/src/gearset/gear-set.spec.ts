import { describe, expect, it } from 'vitest';
import { adviseNext, readTrial, type Trial } from '../../../core/src/mechanics/gear-set-up';
import { DIFFICULTIES, GearSet, type Shims } from './gear-set';

/** Shims that a usual kit makes: every 0.05 mm from 0.1 to 0.5, two of each, and fine ones. */
const KIT = [
  ...Array.from({ length: 9 }, (_, i) => 0.1 + 0.05 * i),
  ...Array.from({ length: 9 }, (_, i) => 0.1 + 0.05 * i),
  0.02,
  0.03,
  0.025,
  0.075,
  0.13,
  0.18,
  1,
  1.2,
  1.5,
];

/** Sets a gear set up by what the adviser says, and nothing else. @returns trials until it is good; 9 where never */
function trialsOf(set: GearSet): number {
  const trials: Trial[] = [];
  let shims: Shims = set.first;
  for (let n = 1; n <= 8; n += 1) {
    trials.push({ ...shims, ...set.shows(shims) });
    if (readTrial(trials.at(-1) as Trial).good) return n;
    const { packs } = adviseNext(trials, undefined, KIT);
    if (!packs) throw new Error('The kit was given.');
    const sum = (of: keyof typeof packs) => packs[of].best.reduce((a, b) => a + b, 0);
    shims = { pinionShim: sum('pinionShim'), ringSide: sum('ringSide'), otherSide: sum('otherSide') };
  }
  return 9;
}

describe('simulated gear set', () => {
  it('is the same for the same seed, and shows what it is set to', () => {
    const [a, b] = [new GearSet(41, 'usual'), new GearSet(41, 'usual')];
    expect(a.truth).toEqual(b.truth);
    expect(a.shows(a.first)).toEqual(b.shows(b.first));
    const right = new GearSet(41, 'easy');
    expect(readTrial({ ...right.truth, ...right.shows(right.truth) }).good).toBe(true);
  });

  it('is not right as it comes', () => {
    for (let seed = 1; seed <= 40; seed += 1) {
      const set = new GearSet(seed, 'hard');
      expect(readTrial({ ...set.first, ...set.shows(set.first) }).good).toBe(false);
    }
  });

  it('is brought to a good pattern within four trials, by the advice alone, in 95 of a hundred', () => {
    const counts = Array.from({ length: 200 }, (_, i) =>
      trialsOf(new GearSet(7000 + i, DIFFICULTIES[i % 3] ?? 'usual')),
    );
    expect(counts.filter((n) => n <= 4).length).toBeGreaterThanOrEqual(190);
    expect(counts.filter((n) => n > 8)).toEqual([]);
  }, 60_000);
});

import { describe, expect, it } from 'vitest';
import { readTrial, USUAL_WINDOW } from '../../../core/src/mechanics';
import { setUpByAdvice, USUAL_KIT } from '../../../core/src/stages/gears/practice';
import { DIFFICULTIES, GearSet, type Shims } from './gear-set';

/** Sets a gear set up by what the adviser says, and nothing else. @returns trials until it is good; 9 where never */
async function trialsOf(set: GearSet): Promise<number> {
  const show = (shims: Shims) => Promise.resolve({ ...shims, ...set.shows(shims) });
  const trials = await setUpByAdvice(set.first, show, USUAL_WINDOW, USUAL_KIT);
  return trials.some((t) => readTrial(t).good) ? trials.length : 9;
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

  it('is brought to a good pattern within four trials, by the advice alone, in 95 of a hundred', async () => {
    const counts = await Promise.all(
      Array.from({ length: 200 }, (_, i) => trialsOf(new GearSet(7000 + i, DIFFICULTIES[i % 3] ?? 'usual'))),
    );
    expect(counts.filter((n) => n <= 4).length).toBeGreaterThanOrEqual(190);
    expect(counts.filter((n) => n > 8)).toEqual([]);
  }, 60_000);
});

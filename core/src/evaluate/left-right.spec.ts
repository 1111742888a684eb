import { describe, expect, it } from 'vitest';
import type { Reading } from '../measure';
import type { Plan } from '../plan';
import { WORKED } from '../testing/nearly-whole';
import { allFigures } from './all-figures';
import { evaluate } from './evaluate';

const SIDES = [
  ['left', 'right'],
  ['right', 'left'],
] as const;
const of = (side: string, id: string): boolean => id.split('.').includes(side);

/**
 * What of one side truly rests on the other: where the axle stands in the car follows from both halves once shafts came
 * (frames, gaps to the car, what is measured from the frame), what a shaft carries from the track, and how one axle moves on
 * its links from all of them.
 */
const OF_BOTH =
  /^(frame|gap|perch|bracket|shear|yieldFactor|strength|arm|motion|obstacle|coil|kit|clamp|link|drive|line)\b/;
/** Ways of sharing the width that give to one side what the other leaves. */
const SHARED = /^(keepOffset|shortShaft|driveline)\./;

const shaken = (reading: Reading): Reading => ({
  ...reading,
  repeats: reading.repeats.map((r) => ({ ...r, value: r.value + (Math.abs(r.value) < 1 ? 0.004 : 0.7) })),
});

describe('left is not right', () => {
  it.each(
    WORKED.filter(([, plan]) => plan.choices.school === 'evenUp').map(
      ([name, plan], i) => [name, plan, i] as const,
    ),
  )('in %s a reading of one side moves nothing that is the other’s own', (_, plan: Plan, which) => {
    const before = allFigures(evaluate(plan));
    let looked = 0;
    // Every third reading of each plan, another third in each.
    for (const [id, reading] of Object.entries(plan.readings).filter((__, i) => i % 3 === which % 3))
      for (const [here, there] of SIDES) {
        if (!of(here, id)) continue;
        const moved = allFigures(
          evaluate({ ...plan, readings: { ...plan.readings, [id]: shaken(reading as Reading) } }),
        );
        const wrong = [...before].flatMap(([key, was]) => {
          if (!of(there, key) || of(here, key) || OF_BOTH.test(key) || SHARED.test(key)) return [];
          looked += 1;
          const now = moved.get(key);
          return now && Math.abs(now.value - was.value) > 1e-9 ? [`${id} moves ${key}`] : [];
        });
        expect(wrong).toEqual([]);
      }
    expect(looked).toBeGreaterThan(60);
  });

  it.each(WORKED)('in %s every check of one side names that side’s figure', (_, plan) => {
    for (const { id, figure } of evaluate(plan).checks) {
      const key = figure?.figureId;
      if (!key) continue;
      for (const [here, there] of SIDES)
        if (of(here, id) && !of(there, id))
          expect([id, key, of(there, key) && !of(here, key)]).toEqual([id, key, false]);
    }
  });
});

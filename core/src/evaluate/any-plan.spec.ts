import { stackLimits, stackSides } from '../stages/shafts/figures/stack';
import { brakes, lines, studs } from '../stages/hubs/figures/hub-ends';
import { describe, expect, it } from 'vitest';
import { SIDES } from '../geometry';
import { everySheet, everyView } from '../testing/every-part';
import { nearlyWhole } from '../testing/nearly-whole';
import { randomPlan } from '../testing/random-plan';
import { workedPlan } from '../testing/plans';
import type { LengthUnit } from '../units';
import { runStack } from '../stages/shafts/stack';
import { shaftOrder } from '../stages/shafts/shaft-order';
import { allFigures } from './all-figures';
import { evaluate } from './evaluate';
import { pairQuestion } from '../stages/shafts/figures/pair-question';
import { joints } from '../stages/donor/joints/joints';
import { stance } from '../stages/stance/figures/stance';
import { routeSummary } from '../stages/donor/routes/route-summary';

const UNITS: readonly LengthUnit[] = ['mm', 'in', 'frac'];
const NO_NUMBER = /NaN|Infinity|undefined|\[object/;

/** Where in an answer a number is none; undefined where all are. The path is made only where one is. */
function wrongNumber(value: unknown): string | undefined {
  if (typeof value === 'number') return Number.isFinite(value) ? undefined : String(value);
  if (typeof value === 'string') return NO_NUMBER.test(value) ? value : undefined;
  if (typeof value !== 'object' || value === null || 'contributions' in value) return undefined;
  for (const [key, part] of Object.entries(value)) {
    const wrong = wrongNumber(part);
    if (wrong !== undefined) return `${key}: ${wrong}`;
  }
  return undefined;
}

const PLANS = 2000;

describe('any plan that a file allows', () => {
  it('is evaluated, drawn and printed in every unit, and no number of it is none', () => {
    const usual = workedPlan();
    for (let seed = 1; seed <= PLANS; seed += 1) {
      const plan = seed % 5 === 0 ? nearlyWhole(seed) : randomPlan(seed, usual);
      const results = evaluate(plan, '2027-02-03');
      const odd = [...allFigures(results).values()].filter(
        ({ value, contributions }) => ![value, ...Object.values(contributions)].every(Number.isFinite),
      );
      expect(
        odd.map(({ id, working }) => `${id} ${working.formula}`),
        `seed ${seed}`,
      ).toEqual([]);
      const unit = UNITS[seed % UNITS.length] as LengthUnit;
      const said = [
        results.checks,
        results.decisions,
        everyView(results),
        everySheet(results, unit),
        results.of(shaftOrder),
        routeSummary({ id: 'a', name: 'b' }, results),
        results.of(pairQuestion),
        results.of(stance),
        results.of(studs),
        results.of(brakes),
        results.of(lines),
        results.of(joints),
        results.strip,
      ];
      expect(wrongNumber(said), `seed ${seed}`).toBeUndefined();
      for (const side of SIDES)
        if (seed % 40 === 0) runStack(results.of(stackSides)[side], results.of(stackLimits)[side], 50);
    }
  }, 240_000);
});

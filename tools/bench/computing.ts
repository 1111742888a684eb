import { readPlanText } from '@intervex/contract';
import { createEvaluator, evaluate, type Plan } from '@intervex/core';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from '../lib/paths.mjs';
import { figureOf, timed, type BenchFigure } from './figure';

const text = readFileSync(join(ROOT, 'examples/tern.json'), 'utf8');

/** The demo plan with one reading a little different each time, so that nothing can be remembered. */
function planOf(i: number, base: Plan): Plan {
  const value = 791 + (i % 977) / 400;
  return {
    ...base,
    readings: { ...base.readings, 'donor.half.left': { repeats: [{ value }], instrument: 'tape' } },
  };
}

/** How long evaluating the demo plan takes, from nothing and after one changed reading. */
export function computing(): readonly BenchFigure[] {
  const read = readPlanText(text);
  if (!read.ok) throw new Error('The demo plan is not valid.');
  const { plan } = read.file;
  const again = createEvaluator();
  const yardstick = {
    name: 'JSON.parse of the demo plan file',
    value: timed(() => JSON.parse(text)),
    unit: 'ms',
  };
  return [
    figureOf({
      name: 'evaluate the demo plan from nothing',
      value: timed((i) => evaluate(planOf(i, plan))),
      unit: 'ms',
      target: 1,
      yardstick,
    }),
    figureOf({
      name: 'evaluate after one changed reading',
      value: timed((i) => again(planOf(i, plan))),
      unit: 'ms',
      target: 1,
      yardstick,
    }),
  ];
}

import { describe, expect, it } from 'vitest';
import { standardUncertainty, type Figure } from '../measure';
import type { Choices, Plan } from '../plan';
import { reading, workedPlan } from '../testing/plans';
import { allFigures } from './all-figures';
import { evaluate } from './evaluate';

/** The formula as the page prints it, worked out by its own text rather than by the code beside it. */
function byItsText({ working }: Figure): number | undefined {
  const text = working.formula
    .replace(/\{([^}]+)\}/g, (_, symbol: string) => `(${working.inputs[symbol]?.value ?? 'missing'})`)
    .replaceAll('−', '-')
    .replaceAll('·', '*')
    .replace(/\b(min|max|round|atan)\(/g, 'Math.$1(');
  // Squareness is a least-squares fit: its formula holds b and c, which stand in no input.
  if (/[√²]|\b[abc]\b/.test(text)) return undefined;
  return new Function(`return ${text}`)() as number;
}

const faces = {
  'square.left.radius': reading('rule', 38.1),
  'square.left.tacked.top': reading('caliper', 601.2),
  'square.left.tacked.front': reading('caliper', 601.05),
  'square.left.tacked.bottom': reading('caliper', 600.9),
};
const survey = {
  'survey.left': reading('tape', 702.6),
  'survey.right': reading('tape', 698.3),
  'survey.width': reading('tape', 1401.4),
  'survey.gearbox': reading('tape', -12.3),
  'donor.width': reading('tape', 1533.1),
  'donor.splineMajor': reading('caliper', 33.81),
};
const PLANS: readonly (readonly [string, Plan])[] = [
  ['slug, even up', workedPlan({ ...faces, ...survey })],
  ['end off, driveline', workedPlan(survey, { method: 'endOff', school: 'driveline', datum: 'pinion' })],
  ['short shaft', workedPlan(survey, { school: 'shortShaft', datum: 'housingEnd' })],
  ['exact order length', workedPlan({ ...survey, 'shaft.step': reading('chosen', 0) })],
  ['spline that misses the gear', workedPlan({ ...survey, 'donor.sideGear.left': reading('caliper', 90.7) })],
];

describe('working of every figure', () => {
  it.each(PLANS)('comes to the figure’s value by its printed formula: %s', (_, plan) => {
    let worked = 0;
    for (const figure of allFigures(evaluate(plan)).values()) {
      if (figure.working.formula === '') continue;
      const value = byItsText(figure);
      if (value === undefined) continue;
      worked += 1;
      expect(figure.value, `${figure.id}: ${figure.working.formula}`).toBeCloseTo(value, 6);
    }
    expect(worked).toBeGreaterThan(50);
  });

  it.each(PLANS)('leads down to readings and choices: %s', (_, plan) => {
    const figures = allFigures(evaluate(plan));
    for (const figure of figures.values()) {
      expect(figure.working.source.length, figure.id).toBeGreaterThan(4);
      if (figure.working.formula === '') continue;
      expect(Object.keys(figure.working.inputs).length, figure.id).toBeGreaterThan(0);
    }
  });
});

/** Normally distributed numbers from a seed (mulberry32 and Box–Muller). */
function gauss(seed: number): () => number {
  let state = seed;
  const uniform = () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  return () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform());
}

describe('uncertainty of the results', () => {
  const IDS = [
    'donor.half.left',
    'donor.half.right',
    'donor.casting.left',
    'donor.tube.left',
    'donor.shaft.right',
  ];
  const choices: Partial<Choices> = { school: 'keepOffset', datum: 'pinion' };

  it.each(['keepOffset.cut.left', 'keepOffset.shaft.right', 'mark.outer.datum.left', 'donor.closure.left'])(
    '%s spreads as much as sampling its readings says',
    (id) => {
      const nominal = allFigures(evaluate(workedPlan({}, choices)));
      const next = gauss(20270);
      const values: number[] = [];
      for (let i = 0; i < 3000; i += 1) {
        const shaken = Object.fromEntries(
          Object.keys(workedPlan().readings).map((q) => {
            const figure = nominal.get(q) as Figure;
            const sampled = IDS.includes(q)
              ? figure.value + next() * standardUncertainty(figure)
              : figure.value;
            return [q, reading('chosen', sampled)];
          }),
        );
        values.push(allFigures(evaluate(workedPlan(shaken, choices))).get(id)?.value ?? Number.NaN);
      }
      const mean = values.reduce((a, b) => a + b) / values.length;
      const s = Math.sqrt(values.reduce((sum, v) => sum + (v - mean) ** 2, 0) / (values.length - 1));
      const figure = nominal.get(id) as Figure;
      // What is sampled alone: the other contributions are left out of both.
      const u = Math.sqrt(IDS.reduce((sum, q) => sum + (figure.contributions[q] ?? 0) ** 2, 0));
      expect(s / u).toBeGreaterThan(0.96);
      expect(s / u).toBeLessThan(1.04);
    },
    20_000,
  );
});

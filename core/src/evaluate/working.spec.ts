import { describe, expect, it } from 'vitest';
import ternPackhorse from '../../../examples/tern-packhorse.json';
import ternStag from '../../../examples/tern-stag.json';
import tern from '../../../examples/tern.json';
import { standardUncertainty, type Figure } from '../measure';
import type { Choices, Plan } from '../plan';
import { randomPlan } from '../testing/random-plan';
import { wholePlan, reading, workedPlan } from '../testing/plans';
import { allFigures } from './all-figures';
import { createEvaluator, evaluate } from './evaluate';
import { marks } from '../stages/cut/figures/marks';
import { school } from '../stages/cut/figures/schools';
import { axle } from '../stages/donor/figures/axle';
import { needs } from '../stages/shafts/figures/needs';
import type { Results } from './results';
import { CUT_METHODS, MARK_DATUMS, SCHOOLS } from '../stages/cut/choices';
import { RETENTIONS } from '../stages/donor/choices';
import { SPACERS } from '../stages/stance/choices';

/** The formula as the page prints it, worked out by its own text rather than by the code that ran it. */
function byItsText({ working }: Figure): number {
  const names = Object.keys(working.inputs);
  const symbols = new Map(names.map((name, i) => [name, `x[${i}]`]));
  const plain = working.formula
    .replace(/\{([^}]+)\}/g, (_, name: string) => symbols.get(name) ?? 'missing')
    .replaceAll('−', '-')
    .replaceAll('·', '*')
    .replaceAll('π', 'PI')
    .replace(/\|([^|]+)\|/g, 'abs($1)')
    .replaceAll('√(', 'sqrt(')
    .replaceAll('√', 'sqrt');
  const text = powers(plain).replace(/\bsqrt(\d+)/g, 'sqrt($1)');
  return new Function('x', `const { ${MATH} } = Math; return ${text}`)(
    names.map((name) => working.inputs[name]?.value),
  ) as number;
}
const MATH = 'PI, abs, sqrt, min, max, round, sin, cos, tan, asin, atan';

/** Writes `a²`, `(…)³` and `tan(…)²` as powers, brackets taken whole. */
function powers(written: string): string {
  const at = written.search(/[²³⁴]/);
  if (at < 0) return written;
  let start = at - 1;
  if (written[start] === ')') {
    for (let open = 0; ; start -= 1) {
      open += written[start] === ')' ? 1 : written[start] === '(' ? -1 : 0;
      if (open === 0) break;
    }
    while (/[a-z]/.test(written[start - 1] ?? '')) start -= 1;
  } else while (start > 0 && /[\w[\].]/.test(written[start - 1] ?? '')) start -= 1;
  const power = '²³⁴'.indexOf(written[at] ?? '') + 2;
  return powers(`${written.slice(0, start)}((${written.slice(start, at)})**${power})${written.slice(at + 1)}`);
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

const EXAMPLES = [tern, ternPackhorse, ternStag].map((file) => wholePlan(file.plan as unknown as Plan));
/** Every example under every choice that asks for other formulas. */
const CHOSEN: readonly Plan[] = EXAMPLES.flatMap((plan) =>
  SCHOOLS.flatMap((school) =>
    CUT_METHODS.flatMap((method) =>
      RETENTIONS.map((retentionTo, i): Plan => ({
        ...plan,
        choices: {
          ...plan.choices,
          school,
          method,
          retentionTo,
          datum: MARK_DATUMS[i] as 'casting',
          spacer: SPACERS[i] as 'none',
          shaftRoute: i === 1 ? 'shorten' : 'buy',
          reaction: i === 2 ? 'springs' : 'tyres',
        },
      })),
    ),
  ),
);
const ANY: readonly Plan[] = Array.from({ length: 120 }, (_, i) => randomPlan(i + 1, workedPlan()));

describe('working of every figure', () => {
  it.each([...PLANS, ['examples under every choice', CHOSEN], ['any plan', ANY]] as const)(
    'comes to the figure’s value by its printed formula: %s',
    (_, plans) => {
      let worked = 0;
      const kinds = new Set<string>();
      for (const plan of 'readings' in plans ? [plans] : plans)
        for (const figure of allFigures(evaluate(plan)).values()) {
          if (figure.working.formula === '') continue;
          worked += 1;
          kinds.add(figure.id.replace(/left|right/, ''));
          const value = byItsText(figure);
          const size = Math.max(1, Math.abs(figure.value));
          expect(Math.abs(figure.value - value) / size, `${figure.id}: ${figure.working.formula}`).toBeLessThan(
            1e-9,
          );
        }
      expect(worked).toBeGreaterThan(50);
      expect(kinds.size).toBeGreaterThan('readings' in plans ? 30 : 110);
    },
    60_000,
  );

  it.each(PLANS)('leads down to readings, choices, constants and defaults: %s', (_, plan) => {
    const figures = allFigures(evaluate(plan));
    for (const figure of figures.values()) {
      expect(figure.working.source.length, figure.id).toBeGreaterThan(3);
      const inputs = Object.values(figure.working.inputs);
      if (figure.working.formula !== '') expect(inputs.length, figure.id).toBeGreaterThan(0);
      for (const { id } of inputs) expect(figures.has(id), `${figure.id} rests on ${id}`).toBe(true);
      // No computed number is handed on as if it were read.
      if (figure.working.formula === '') expect(inputs, figure.id).toEqual([]);
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
  const SAMPLED = [
    'keepOffset.cut.left',
    'keepOffset.shaft.right',
    'mark.outer.datum.left',
    'donor.closure.left',
  ] as const;

  type Of = Results['of'];
  const SAMPLED_FROM: Readonly<Record<(typeof SAMPLED)[number], (of: Of) => Figure | undefined>> = {
    'keepOffset.cut.left': (of) => of(school)?.cut.left,
    'keepOffset.shaft.right': (of) => of(needs)?.right?.needed,
    'mark.outer.datum.left': (of) => of(marks).marks.left?.outer.fromDatum,
    'donor.closure.left': (of) => of(axle).closure.left,
  };

  it('spreads as much as sampling its readings says', () => {
    const plan = workedPlan({}, choices);
    const nominal = allFigures(evaluate(plan));
    const evaluateNext = createEvaluator();
    const next = gauss(20270);
    const values = Object.fromEntries(SAMPLED.map((id): [string, number[]] => [id, []]));
    for (let i = 0; i < 3000; i += 1) {
      const shaken = Object.fromEntries(
        IDS.map((q) => {
          const figure = nominal.get(q) as Figure;
          return [q, reading('chosen', figure.value + next() * standardUncertainty(figure))];
        }),
      );
      const { of } = evaluateNext({ ...plan, readings: { ...plan.readings, ...shaken } });
      for (const id of SAMPLED) values[id]?.push(SAMPLED_FROM[id](of)?.value ?? Number.NaN);
    }
    for (const id of SAMPLED) {
      const list = values[id] as number[];
      const mean = list.reduce((a, b) => a + b) / list.length;
      const s = Math.sqrt(list.reduce((sum, v) => sum + (v - mean) ** 2, 0) / (list.length - 1));
      const figure = nominal.get(id) as Figure;
      // What is sampled alone: the other contributions are left out of both.
      const u = Math.sqrt(IDS.reduce((sum, q) => sum + (figure.contributions[q] ?? 0) ** 2, 0));
      expect(s / u, id).toBeGreaterThan(0.96);
      expect(s / u, id).toBeLessThan(1.04);
    }
  }, 40_000);
});

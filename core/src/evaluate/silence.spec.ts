import type { Sheet } from '../stage';
import { shafts } from '../stages/shafts/figures/shafts';
import { tubes } from '../stages/cut/figures/tubes';
import { marks } from '../stages/cut/figures/marks';
import { patterns } from '../stages/hubs/figures/patterns';
import { brakes } from '../stages/hubs/figures/hub-ends';
import { ratio } from '../stages/donor/figures/judged';
import { demand } from '../stages/brief/figures/torque';
import { stance } from '../stages/stance/figures/stance';
import { describe, expect, it } from 'vitest';
import tern from '../../../examples/tern.json';
import type { Check } from '../stage';
import { restsOn, type Figure } from '../measure';
import { seededRandom } from '../numerics';
import { findQuantity, type Plan } from '../plan';
import { SHEETS, sheetOf } from '../sheets';
import { nearlyWhole } from '../testing/nearly-whole';
import { randomPlan } from '../testing/random-plan';
import { places } from '../stages/brackets/figures/places';
import { atRest } from '../stages/driveline/figures/motion';
import { armLoads } from '../stages/motion/figures/loads';
import { standing } from '../stages/motion/figures/study';
import { wholePlan, sheetFor, workedPlan } from '../testing/plans';
import { allFigures } from './all-figures';
import { evaluate } from './evaluate';
import { heldBy } from './contradictions';
import type { Results } from './results';
import { schools } from '../stages/cut/figures/schools';

const whole = wholePlan(tern.plan as unknown as Plan);

/** The demo with readings and facts left out at random, and its ends, method or datum chosen otherwise. */
function thinned(seed: number): Plan {
  const random = seededRandom(seed);
  const share = random() * 0.5;
  const keep = <T>(all: Readonly<Record<string, T>>) =>
    Object.fromEntries(Object.entries(all).filter(() => random() > share));
  const pick = <T>(list: readonly T[]) => list[Math.floor(random() * list.length)] as T;
  return {
    ...whole,
    readings: keep(whole.readings),
    facts: keep(whole.facts),
    choices: {
      ...whole.choices,
      method: pick(['slug', 'endOff', 'newTubes']),
      datum: pick(['casting', 'housingEnd', 'pinion']),
      retentionTo: pick(['cClip', 'boltIn', 'fullFloat']),
      spacer: pick(['none', 'none', 'plain', 'adapter']),
      school: pick(['evenUp', 'keepOffset', 'driveline', 'shortShaft']),
    },
  };
}

/** Quantities a figure rests on that nobody read or chose, and that it does not own up to. */
function silentDefaults(plan: Plan, figure: Figure): string[] {
  return [...restsOn(figure)].filter(
    (id) => findQuantity(id) !== undefined && !plan.readings[id] && !(id in figure.assumed),
  );
}

const numeric = /\d/;

function sheetFaults(sheet: Sheet, results: Results): string[] {
  return sheet.sections.flatMap(({ rows }) =>
    rows.flatMap(({ item, note, cells }) =>
      cells.flatMap(({ text, figure }) => {
        if (!figure) return [];
        const assumed = Object.values(figure.assumed);
        return [
          heldBy(figure, results.contradicted) === undefined ? '' : `${item} prints what is held`,
          assumed.length > 0 && numeric.test(text) && !/\*†?$/.test(text)
            ? `${item}: ${text} owns up to nothing`
            : '',
          ...assumed.map((a) =>
            note.includes(a.label.toLowerCase()) ? '' : `${item}: ${a.label} not in its note`,
          ),
          ...assumed.map((a) =>
            sheet.assumed.some((l) => l.startsWith(a.label)) ? '' : `${a.label} not listed`,
          ),
        ].filter(Boolean);
      }),
    ),
  );
}

/** What a decision that says it has all it needs must have brought about. */
const DONE: Readonly<Record<string, (r: Results, plan: Plan) => boolean>> = {
  cut: (r, p) => r.of(schools).some((s) => s.school === p.choices.school && 'width' in s),
  shafts: ({ of }) => !!of(shafts).needs.left && !!of(shafts).needs.right,
  engagement: ({ of }) => !!of(shafts).fit.left.share && !!of(shafts).fit.right.share,
  stance: ({ of }) => of(stance).proven,
  torque: ({ of }, p) => p.brief.gears.length === 0 || !!of(demand),
  ratio: ({ of }) => !!of(ratio).ratio,
  brakes: ({ of }) => !!of(brakes).shim.left && !!of(brakes).shim.right,
  pattern: ({ of }) => of(patterns).same !== undefined,
  marks: ({ of }, p) => {
    const school = of(schools).find((s) => s.school === p.choices.school);
    if (!school || !('width' in school)) return false;
    return (['left', 'right'] as const).every((side) =>
      p.choices.method === 'newTubes'
        ? of(tubes).piece[side] !== undefined
        : school.work[side] !== 'shorten' || !!of(marks).marks[side]?.inner.fromDatum,
    );
  },
};

const PLANS: readonly (readonly [string, (seed: number) => Plan, number])[] = [
  ['the demo with readings left out', thinned, 120],
  ['any plan', (seed) => randomPlan(seed, workedPlan()), 150],
  ['every worked plan with a few readings left out', nearlyWhole, 140],
];

/** What shows that a stage was reached, and in how many of a hundred nearly whole plans it has to be. */
const REACHED: Readonly<Record<string, readonly [of: (r: Results) => unknown, share: number]>> = {
  cut: [({ of }) => of(marks).marks.left ?? of(tubes).piece.left, 0.3],
  shafts: [({ of }) => of(shafts).needs.left, 0.3],
  driveline: [({ of }) => of(atRest), 0.3],
  brackets: [({ of }) => of(places).find(({ y, clock }) => y && clock), 0.3],
  motion: [({ of }) => of(standing), 0.3],
  loads: [({ of }) => of(armLoads).find(({ launch }) => launch), 0.1],
  hubs: [({ of }) => of(brakes).shim.left, 0.15],
};

describe.each(PLANS)('silence is never clear: %s', (_, planOf, count) => {
  const cases = Array.from({ length: count }, (__, i) => {
    const plan = planOf(7000 + i);
    return { seed: 7000 + i, plan, results: evaluate(plan) };
  });

  it('a figure owns up to every default it rests on', () => {
    for (const { seed, plan, results } of cases)
      for (const figure of allFigures(results).values())
        expect(silentDefaults(plan, figure), `${seed}: ${figure.id}`).toEqual([]);
  });

  it('a check is ok only where its figure is known, and says what was assumed for it', () => {
    for (const { seed, plan, results } of cases) {
      const figures = allFigures(results);
      for (const check of results.checks) {
        if (check.level === 'ok') expect(check.grounds.length, `${seed}: ${check.id}`).toBeGreaterThan(0);
        const figure = check.figure?.figureId ? figures.get(check.figure.figureId) : undefined;
        if (check.level === 'unknown') {
          expect(check.title, `${seed}: ${check.id}`).toMatch(
            /not known|no price|not said|not looked at|not judged/,
          );
          expect(check.title).not.toMatch(/clears$|holds$/);
        }
        if (check.level !== 'ok' || !figure || !check.figure?.figureId) continue;
        expect(silentDefaults(plan, figure), `${seed}: ${check.id}`).toEqual([]);
      }
    }
  });

  it('a stage is settled only where nothing in it is unknown, lacking or held', () => {
    for (const { seed, results } of cases)
      for (const [stage, state] of Object.entries(results.stages)) {
        if (state !== 'settled') continue;
        const unknown = results.checks.filter(
          (c) => c.level === 'unknown' && (stage === 'sheets' || c.stage === stage),
        );
        expect(
          unknown.map((c) => c.id),
          `${seed}: ${stage}`,
        ).toEqual([]);
      }
  });

  it('a decision that lacks nothing has come to its figures, or says why it is held', () => {
    for (const { seed, plan, results } of cases)
      for (const { id, lacks } of results.decisions)
        if (lacks.length === 0 && DONE[id]) expect(DONE[id](results, plan), `${seed}: ${id}`).toBe(true);
  });

  it('a sheet says beside the number what it assumes, and prints nothing that is held', () => {
    for (const { seed, results } of cases)
      for (const sheet of [
        sheetFor('cut', results, 'mm'),
        ...SHEETS.filter((s) => s.id !== 'cut').map((s) => sheetOf(s, results, 'frac')),
      ])
        expect(sheetFaults(sheet, results), `${seed}`).toEqual([]);
  });
});

describe('nearly whole plans', () => {
  it('reach every stage', () => {
    const all = Array.from({ length: 140 }, (_, i) => evaluate(nearlyWhole(9000 + i)));
    const share = Object.fromEntries(
      Object.entries(REACHED).map(([stage, [of]]) => [stage, all.filter((r) => of(r)).length / all.length]),
    );
    for (const [stage, [, least]] of Object.entries(REACHED))
      expect(share[stage], `${stage} of ${JSON.stringify(share)}`).toBeGreaterThanOrEqual(least);
  });
});

describe('leaving readings out', () => {
  const full = evaluate(whole);
  const levelOf = (checks: readonly Check[], id: string) => checks.find((c) => c.id === id)?.level;

  it('never turns a caution or stop into ok, unless a default stands for what was left out', () => {
    for (const id of Object.keys(whole.readings)) {
      const { [id]: _gone, ...readings } = whole.readings;
      for (const check of evaluate({ ...whole, readings }).checks) {
        const before = levelOf(full.checks, check.id);
        if (check.level !== 'ok' || before === 'ok' || before === undefined) continue;
        expect(check.assumed ?? [], `${check.id} without ${id}`).not.toEqual([]);
      }
    }
  });
});

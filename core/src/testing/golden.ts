import { BOLT_BENDS } from '../mechanics';
import { FITTING_THREADS, SPRING_SIDES } from '../stages/brackets/choices';
import { allFigures, evaluate, type Results } from '../evaluate';
import { SIDES } from '../geometry';
import { type Figure, inUnits, isFigure, standardUncertainty } from '../measure';
import type { Choices, Plan } from '../plan';
import { everySheet, everyView } from './every-part';
import { CUT_METHODS, MARK_DATUMS, SCHOOLS } from '../stages/cut/choices';
import { JIGS, PATTERN_ROUTES } from '../stages/hubs/choices';
import { LADDER_FRONTS, SHAFT_TURNS, SQUAT_AIMS } from '../stages/motion/choices';
import { AIMS, PIECES, SUSPENSIONS } from '../stages/driveline/choices';
import { COUPLINGS, DRIVEN } from '../stages/gears/choices';
import { REACTIONS } from '../stages/brief/choices';
import { RETENTIONS } from '../stages/donor/choices';
import { SHAFT_ROUTES } from '../stages/shafts/choices';
import { SPACERS } from '../stages/stance/choices';
import { runStack } from '../stages/shafts/stack';
import { shaftOrder } from '../stages/shafts/shaft-order';
import { pairQuestion } from '../stages/shafts/figures/pair-question';
import { stackLimits, stackSides } from '../stages/shafts/figures/stack';
import { routeSummary } from '../stages/donor/routes/route-summary';

/** The day on which all of it is computed. */
const TODAY = '2027-02-03';

/** A number so that another order of the same sums reads the same. */
const number = (value: number): string => String(Number(value.toPrecision(9)) + 0);

const figureText = (f: Figure): string =>
  [
    f.id,
    number(f.value),
    f.unit,
    `±${number(Number(standardUncertainty(f).toPrecision(6)))}`,
    f.evidence,
    f.needsLevel ? 'level' : '',
    f.waits ? `waits ${f.waits}` : '',
    Object.keys(f.assumed).sort().join(','),
    f.working.formula,
    f.label,
    f.working.source,
  ].join(' | ');

/** Cells of two columns as they were kept, by side; the usual columns and headings as they were called. */
function asKept(value: object): object {
  const {
    cells,
    columns,
    heading,
    order: _order,
    grounds: _grounds,
    looked: _looked,
    ...rest
  } = value as Readonly<Record<string, unknown>>;
  return {
    ...rest,
    ...(Array.isArray(cells)
      ? { cells: { left: cells[0] as unknown, right: cells[1] as unknown } }
      : { cells }),
    ...(String(columns) === 'Left,Right' ? {} : { columns }),
    ...('heading' in value && 'agreement' in value ? { group: heading } : { heading }),
  };
}

/** Any answer with its keys in order, its figures by name and value. */
function plain(value: unknown): unknown {
  if (typeof value === 'number') return Number.isFinite(value) ? Number(number(value)) : String(value);
  if (typeof value !== 'object' || value === null) return value;
  if (Array.isArray(value)) return value.map(plain);
  if (isFigure(value)) return `@${value.id}=${number(value.value)}`;
  const entries = Object.entries(asKept(value)).filter(([, part]) => part !== undefined);
  return Object.fromEntries(
    entries.sort(([a], [b]) => (a < b ? -1 : 1)).map(([key, part]) => [key, plain(part)]),
  );
}
/** Any answer as text, with its figures by name and value. */
export const text = (value: unknown): string => inUnits(String(JSON.stringify(plain(value))), 'mm');

/** Every figure of a plan with all that it says of itself, line by line. */
export const figureLines = (results: Results): string[] =>
  [...allFigures(results).values()].map((f) => `figure ${figureText(f)}`).sort();

/** All that is said of a plan, line by line; each line begins with what it is of. */
export function goldenLines(plan: Plan, results: Results = evaluate(plan, TODAY)): string[] {
  const named = (kind: string, all: Readonly<Record<string, unknown>>) =>
    Object.entries(all).map(([name, part]) => `${kind} ${name} ${text(part)}`);
  return [
    ...figureLines(results),
    ...results.checks.map((check) => `check ${text(check)}`),
    ...results.decisions.map((decision) => `decision ${text(decision)}`),
    ...results.strip.map((item) => `strip ${text(item)}`),
    ...named('stage', results.stages),
    `contradicted ${text(results.contradicted)}`,
    `level ${text(results.notLevel ?? '')}`,
    ...named('view', everyView(results)),
    ...named('sheet', everySheet(results, 'frac')),
    `order ${text(results.of(shaftOrder))}`,
    `route ${text(routeSummary({ id: 'a', name: 'b' }, results))}`,
    `pair ${text(results.of(pairQuestion))}`,
    ...SIDES.map(
      (side) =>
        `chances ${side} ${text(runStack(results.of(stackSides)[side], results.of(stackLimits)[side], 40))}`,
    ),
  ];
}

/** Every choice with all that it may be. */
const CHOICES: { readonly [K in keyof Choices]: readonly Choices[K][] } = {
  school: SCHOOLS,
  method: CUT_METHODS,
  datum: MARK_DATUMS,
  retention: RETENTIONS,
  shaftRoute: SHAFT_ROUTES,
  retentionTo: RETENTIONS,
  tyre: ['', '205/45R16', '165R13'],
  spacer: SPACERS,
  pattern: PATTERN_ROUTES,
  jig: JIGS,
  reaction: REACTIONS,
  aim: AIMS,
  suspension: SUSPENSIONS,
  pieces: PIECES,
  coupling: COUPLINGS,
  driven: DRIVEN,
  gearSet: ['', 'here'],
  springsNow: SPRING_SIDES,
  springsWanted: SPRING_SIDES,
  boltBend: BOLT_BENDS,
  perchesWelded: ['first', 'last'],
  fittingThread: FITTING_THREADS,
  squatAim: SQUAT_AIMS,
  shaftTurns: SHAFT_TURNS,
  ladderFront: LADDER_FRONTS,
};

/** Parts of a plan's readings, so that each reading is missing from some of them. */
const PARTS = 9;

function without(plan: Plan, part: number): Plan {
  const readings = Object.entries(plan.readings).filter(([id]) => {
    let sum = 7;
    for (const letter of id) sum = (sum * 31 + letter.charCodeAt(0)) % 9973;
    return sum % PARTS !== part;
  });
  return { ...plan, readings: Object.fromEntries(readings) };
}

/** A plan under each of its choices, one changed at a time, and with a ninth of its readings missing, by name. */
export function variations(name: string, plan: Plan): (readonly [string, Plan])[] {
  const chosen = (Object.keys(CHOICES) as (keyof Choices)[]).flatMap((key) =>
    CHOICES[key].map(
      (value) => [`${name} ${key}=${value}`, { ...plan, choices: { ...plan.choices, [key]: value } }] as const,
    ),
  );
  const fewer = Array.from({ length: PARTS }, (_, i) => [`${name} without ${i}`, without(plan, i)] as const);
  return [...chosen, ...fewer];
}

/**
 * A sheet’s checks stand in the order of their stages since each stage brings its own; before, the tools at hand stood
 * among what was surveyed. What they say is compared, whatever their order.
 */
export function inAnyOrder(line: string): string {
  const [, name, json] = /^(sheet [\w.]+) (\{.*\})$/.exec(line) ?? [];
  if (!name || !json) return line;
  const sheet = JSON.parse(json) as { checks?: readonly unknown[] };
  const checks = sheet.checks?.map((check) => JSON.stringify(check)).sort();
  return `${name} ${JSON.stringify({ ...sheet, checks })}`;
}

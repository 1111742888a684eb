import { isOpen, isUnknown } from '../checks';
import { isPlanned } from '../stages/cut';
import { daysOf, pricesOf, sellersWord, type Price, type Results } from '../evaluate';
import { SIDES } from '../geometry';
import type { Figure } from '../measure';
import { factText, type DonorVerdict, type Plan, type Verdict } from '../plan';

/** One way of doing the job, in the figures by which ways are compared. */
export interface RouteSummary {
  readonly id: string;
  readonly name: string;
  readonly donor: string;
  readonly verdict: DonorVerdict | undefined;
  readonly width?: Figure;
  readonly cut: Readonly<Partial<Record<'left' | 'right', Figure>>>;
  readonly shaft: Readonly<Partial<Record<'left' | 'right', Figure>>>;
  readonly joints: Readonly<Record<Verdict, number>>;
  /** Joints that do not fit, by name. */
  readonly blocked: readonly string[];
  /** In the builder’s own money; undefined for what is not known. */
  readonly money: RouteMoney;
  readonly hours: number;
  /** Own hours were estimated; else hours and days leave out what is not known. */
  readonly timeKnown: boolean;
  /** Days until it is done: the longest wait, then the hours at the builder’s pace; undefined while not known. */
  readonly days: number | undefined;
  readonly spares: string;
  /** Unknown joints, checks that cannot be told yet, and values that are only the seller’s word. */
  readonly questions: number;
  readonly stops: readonly string[];
  readonly cautions: number;
  /** Lesser factor on yield of both shafts. */
  readonly factor?: number;
}

export interface RouteMoney {
  readonly purchase: number;
  readonly parts: number;
  readonly shafts: number;
  readonly machining: number;
  readonly joints: number;
  /** Re-drill or adapters, where one is chosen and the joint has no cost of its own. */
  readonly pattern: number;
  readonly total: number;
  /** What has no price yet, by name. */
  readonly unpriced: readonly string[];
}

/**
 * Sums one way up from its plan and results.
 *
 * @param route its variant’s id and name
 */
export function routeSummary(route: { id: string; name: string }, plan: Plan, results: Results): RouteSummary {
  const figure = (id: string) => results.known[id]?.figure;
  const of = (id: string): number | undefined => figure(id)?.value;
  const joints: Record<Verdict, number> = { fits: 0, work: 0, no: 0, unknown: 0 };
  for (const joint of results.mating) joints[joint.verdict] += 1;
  const open = results.checks.filter(isOpen);
  const why = new Map(results.mating.map((j) => [`joint.${j.id}`, j.note.reason ?? j.computed.why]));
  const stops = open
    .filter((c) => c.level === 'stop')
    .map((c) => [c.title, why.get(c.id)].filter(Boolean).join(', '));
  const hours = (of('time.hours') ?? 0) + results.mating.reduce((sum, j) => sum + (j.note.hours ?? 0), 0);
  const days = daysOf(results.mating, figure);
  const chosen = results.schools.find((s) => s.school === plan.choices.school);
  const school = chosen && isPlanned(chosen) ? chosen : undefined;
  const factors = SIDES.map((s) => results.strength.side[s].factor?.value);
  const spares = plan.facts['part.spares'];
  return {
    ...route,
    donor: plan.brief.donor,
    verdict: plan.verdicts.donor,
    ...(school ? { width: school.width } : {}),
    cut: school?.cut ?? {},
    shaft: pairOf(results),
    joints,
    blocked: results.mating.filter((j) => j.verdict === 'no').map((j) => j.label),
    money: moneyOf(pricesOf(plan, results.mating, figure)),
    hours,
    timeKnown: of('time.hours') !== undefined,
    days: days && Math.ceil(days.value),
    spares: spares ? factText('part.spares', spares.value) : 'not known',
    questions: joints.unknown + sellersWord(plan).length + results.checks.filter(isUnknown).length,
    stops,
    cautions: open.length - stops.length,
    ...(known(factors) ? { factor: Math.min(...factors) } : {}),
  };
}

const known = (list: readonly (number | undefined)[]): list is readonly number[] =>
  list.every((v) => v !== undefined);

function pairOf({ shafts }: Results): RouteSummary['shaft'] {
  const pair: Partial<Record<'left' | 'right', Figure>> = {};
  for (const side of SIDES) {
    const fitted = shafts.needs[side]?.fitted;
    if (fitted) pair[side] = fitted;
  }
  return pair;
}

function moneyOf(prices: readonly Price[]): RouteMoney {
  const sum = (heading?: Price['heading']) =>
    prices.reduce((all, p) => all + (!heading || p.heading === heading ? (p.figure?.value ?? 0) : 0), 0);
  return {
    purchase: sum('purchase'),
    parts: sum('parts'),
    shafts: sum('shafts'),
    machining: sum('machining'),
    joints: sum('joints'),
    pattern: sum('pattern'),
    total: sum(),
    unpriced: prices.filter((p) => p.figure === undefined).map((p) => p.what),
  };
}

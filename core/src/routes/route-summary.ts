import { isOpen } from '../checks';
import { isPlanned } from '../cut';
import { sellersWord, type Results } from '../evaluate';
import { SIDES } from '../geometry';
import type { Figure } from '../measure';
import { DONOR_PARTS, factText, type DonorVerdict, type PatternRoute, type Plan, type Verdict } from '../plan';

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
  /** Days until it is done: the longest wait, then the hours at the builder’s pace. */
  readonly days: number;
  readonly spares: string;
  /** Unknown joints, and values that are only the seller’s word. */
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

/** What a way to make flange and wheel agree costs; other shafts stand with the shafts. */
const PATTERN_COSTS: Readonly<Partial<Record<PatternRoute, readonly [id: string, what: string]>>> = {
  redrill: ['redrill.cost', 'the re-drill'],
  adapter: ['adapter.cost', 'the adapters'],
};

/** Days of a week. */
const WEEK = 7;

/**
 * Sums one way up from its plan and results.
 *
 * @param route its variant’s id and name
 */
export function routeSummary(route: { id: string; name: string }, plan: Plan, results: Results): RouteSummary {
  const of = (id: string): number | undefined => results.known[id]?.figure.value;
  const joints: Record<Verdict, number> = { fits: 0, work: 0, no: 0, unknown: 0 };
  for (const joint of results.mating) joints[joint.verdict] += 1;
  const open = results.checks.filter(isOpen);
  const why = new Map(results.mating.map((j) => [`joint.${j.id}`, j.note.reason ?? j.computed.why]));
  const stops = open
    .filter((c) => c.level === 'stop')
    .map((c) => [c.title, why.get(c.id)].filter(Boolean).join(', '));
  const hours = (of('time.hours') ?? 0) + results.mating.reduce((sum, j) => sum + (j.note.hours ?? 0), 0);
  const pace = (of('brief.hoursPerWeek') ?? WEEK) / WEEK;
  const chosen = results.schools.find((s) => s.school === plan.choices.school);
  const school = chosen && isPlanned(chosen) ? chosen : undefined;
  const factors = SIDES.flatMap((s) => results.judged.capacity[s]?.factor?.value ?? []);
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
    money: moneyOf(plan, results, of),
    hours,
    timeKnown: of('time.hours') !== undefined,
    days: Math.ceil((of('time.lead') ?? 0) + (pace > 0 ? hours / pace : 0)),
    spares: spares ? factText('part.spares', spares.value) : 'not known',
    questions: joints.unknown + sellersWord(plan).length,
    stops,
    cautions: open.length - stops.length,
    ...(factors.length ? { factor: Math.min(...factors) } : {}),
  };
}

function pairOf({ shafts }: Results): RouteSummary['shaft'] {
  const pair: Partial<Record<'left' | 'right', Figure>> = {};
  for (const side of SIDES) {
    const fitted = shafts.needs[side]?.fitted;
    if (fitted) pair[side] = fitted;
  }
  return pair;
}

function moneyOf(plan: Plan, results: Results, of: (id: string) => number | undefined): RouteMoney {
  const unpriced: string[] = [];
  const price = (id: string, what: string): number => {
    const value = of(id);
    if (value === undefined) unpriced.push(what);
    return value ?? 0;
  };
  const purchase = price('cost.donor', 'the donor');
  const missing = DONOR_PARTS.filter((part) => plan.facts[`part.${part}`]?.value === 'missing');
  const parts = missing.reduce((sum, part) => sum + price(`cost.${part}`, part), 0);
  const shafts = price('cost.shafts', 'shafts');
  const machining = price('cost.machining', 'machining and welding');
  const joints = results.mating.reduce((sum, j) => sum + (j.note.cost ?? 0), 0);
  const way = PATTERN_COSTS[plan.choices.pattern];
  const noted = plan.joints.wheelPattern?.cost !== undefined;
  const pattern = way && !noted ? price(...way) : 0;
  return {
    purchase,
    parts,
    shafts,
    machining,
    joints,
    pattern,
    total: purchase + parts + shafts + machining + joints + pattern,
    unpriced,
  };
}

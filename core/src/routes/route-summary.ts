import { isOpen, isUnknown } from '../stage';
import { sellersWord, type Results } from '../evaluate';
import { SIDES } from '../geometry';
import { school } from '../stages/cut/figures/schools';
import { days, prices, type Price } from '../stages/donor/figures/route-cost';
import { joints } from '../stages/mating/joints';
import type { JointResult } from '../stages/mating/mating-stage';
import { shafts, strength } from '../stages/shafts/figures/shafts';
import type { ShaftsResult } from '../stages/shafts/shafts-stage';
import type { Figure } from '../measure';
import { factText } from '../plan';
import type { DonorVerdict } from '../stages/donor/choices';
import type { Verdict } from '../stages/mating/choices';

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
 * Sums one way up from its results.
 *
 * @param route its variant’s id and name
 */
export function routeSummary(route: { id: string; name: string }, results: Results): RouteSummary {
  const { plan, of, checks, known } = results;
  const mating = of(joints);
  const open = checks.filter(isOpen);
  const why = new Map(mating.map((j) => [`joint.${j.id}`, j.note.reason ?? j.computed.why]));
  const stops = open
    .filter((c) => c.level === 'stop')
    .map((c) => [c.title, why.get(c.id)].filter(Boolean).join(', '));
  const own = known['time.hours']?.figure.value;
  const takes = of(days);
  const way = of(school);
  const factors = SIDES.map((s) => of(strength).side[s].factor?.value);
  const spares = plan.facts['part.spares'];
  return {
    ...route,
    donor: plan.brief.donor,
    verdict: plan.verdicts.donor,
    ...(way ? { width: way.width } : {}),
    cut: way?.cut ?? {},
    shaft: pairOf(of(shafts)),
    joints: counted(mating),
    blocked: mating.filter((j) => j.verdict === 'no').map((j) => j.label),
    money: moneyOf(of(prices)),
    hours: (own ?? 0) + mating.reduce((sum, j) => sum + (j.note.hours ?? 0), 0),
    timeKnown: own !== undefined,
    days: takes && Math.ceil(takes.value),
    spares: spares ? factText('part.spares', spares.value) : 'not known',
    questions: counted(mating).unknown + sellersWord(plan).length + checks.filter(isUnknown).length,
    stops,
    cautions: open.length - stops.length,
    ...(allKnown(factors) ? { factor: Math.min(...factors) } : {}),
  };
}

function counted(mating: readonly JointResult[]): RouteSummary['joints'] {
  const joints: Record<Verdict, number> = { fits: 0, work: 0, no: 0, unknown: 0 };
  for (const joint of mating) joints[joint.verdict] += 1;
  return joints;
}

const allKnown = (list: readonly (number | undefined)[]): list is readonly number[] =>
  list.every((v) => v !== undefined);

function pairOf({ needs }: ShaftsResult): RouteSummary['shaft'] {
  const pair: Partial<Record<'left' | 'right', Figure>> = {};
  for (const side of SIDES) {
    const fitted = needs[side]?.fitted;
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

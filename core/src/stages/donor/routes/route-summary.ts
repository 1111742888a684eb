import { isOpen, isUnknown, optionText, type Check, type Node } from '../../../stage';
import { DONOR_FACTS } from '../facts';
import { node } from '../node';
import { SIDES } from '../../../geometry';
import { school } from '../../cut/figures/schools';
import { days, prices, type Price } from '../figures/route-cost';
import { joints } from '../joints/joints';
import type { JointResult } from '../joints/mating-stage';
import { shafts, strength } from '../../shafts/figures/shafts';
import type { ShaftsResult } from '../../shafts/shafts-result';
import type { Figure } from '../../../measure';
import type { DonorVerdict } from '../choices';
import type { Verdict } from '../joints/choices';

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

/** What of a plan’s results a summary is made of. */
export interface RouteBasis {
  readonly of: <T>(node: Node<T>) => T;
  readonly checks: readonly Check[];
}

/** What the plan itself says of the way. */
const said = node('routeSaid', (r) => {
  const spares = r.fact('part.spares');
  const kind = DONOR_FACTS.find((k) => k.id === 'part.spares');
  return {
    donor: r.field('brief', 'donor'),
    verdict: r.verdict('donor'),
    hours: r.figure('time.hours')?.value,
    spares: spares ? optionText(kind, spares.value) : 'not known',
    told: r.told().length,
  };
});

/**
 * Sums one way up from its results.
 *
 * @param route its variant’s id and name
 */
export function routeSummary(
  route: { readonly id: string; readonly name: string },
  { of, checks }: RouteBasis,
): RouteSummary {
  const mating = of(joints);
  const open = checks.filter(isOpen);
  const why = new Map(mating.map((j) => [`joint.${j.id}`, j.note.reason ?? j.computed.why]));
  const stops = open
    .filter((c) => c.level === 'stop')
    .map((c) => [c.title, why.get(c.id)].filter(Boolean).join(', '));
  const { donor, verdict, hours, spares, told } = of(said);
  const takes = of(days);
  const way = of(school);
  const factors = SIDES.map((s) => of(strength).side[s].factor?.value);
  const verdicts = counted(mating);
  return {
    ...route,
    donor,
    verdict,
    ...(way ? { width: way.width } : {}),
    cut: way?.cut ?? {},
    shaft: pairOf(of(shafts)),
    joints: verdicts,
    blocked: mating.filter((j) => j.verdict === 'no').map((j) => j.label),
    money: moneyOf(of(prices)),
    hours: (hours ?? 0) + mating.reduce((sum, j) => sum + (j.note.hours ?? 0), 0),
    timeKnown: hours !== undefined,
    days: takes && Math.ceil(takes.value),
    spares,
    questions: verdicts.unknown + told + checks.filter(isUnknown).length,
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

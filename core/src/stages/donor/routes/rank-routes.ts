import type { RouteSummary } from './route-summary';

/** What ways are weighed by. */
export const CRITERIA = ['money', 'hours', 'days', 'risk', 'spares', 'strength'] as const;
export type Criterion = (typeof CRITERIA)[number];
export const CRITERION_NAMES: Readonly<Record<Criterion, string>> = {
  money: 'Money',
  hours: 'Own hours',
  days: 'Days to finish',
  risk: 'Open questions',
  spares: 'Spares on hand',
  strength: 'Strength in hand',
};

/** How much each criterion counts, 0 to 5. */
export type Weights = Readonly<Record<Criterion, number>>;
export const DEFAULT_WEIGHTS: Weights = { money: 3, hours: 2, days: 2, risk: 3, spares: 1, strength: 2 };
export const MOST_WEIGHT = 5;

export interface RankedRoute {
  readonly route: RouteSummary;
  /** 0 to 1; 1 is best in all that counts. */
  readonly score: number;
  readonly marks: Readonly<Record<Criterion, number>>;
  /** Why it stands where it stands. */
  readonly reasons: readonly string[];
  /** It cannot be chosen as it is: rejected, or a stop is open. */
  readonly barred: boolean;
}

/** Strength beyond this is of no more use. */
const ENOUGH_STRENGTH = 2.5;
const SPARES: Readonly<Record<string, number>> = {
  'any shop, on a Sunday': 0,
  'to order': 1,
  'salvage only': 2,
};

/** The figure a criterion looks at; less is better. Undefined where it is not known. */
const AMOUNT: Readonly<Record<Criterion, (r: RouteSummary) => number | undefined>> = {
  money: (r) => (r.money.unpriced.length ? undefined : r.money.total),
  hours: (r) => (r.timeKnown ? r.hours : undefined),
  days: (r) => r.days,
  risk: (r) => r.questions + 3 * r.joints.no + r.cautions,
  spares: (r) => SPARES[r.spares],
  strength: (r) => (r.factor === undefined ? undefined : -Math.min(r.factor, ENOUGH_STRENGTH)),
};

/**
 * Puts ways in order: those that can be chosen first, then by the weighted mean of marks. A mark is 1 for the
 * best of the ways and 0 for the worst in that criterion; what is not known counts as worst.
 *
 * @param routes at least one
 * @param weights how much each criterion counts; all zero counts them alike
 */
export function rankRoutes(routes: readonly RouteSummary[], weights: Weights): readonly RankedRoute[] {
  const marks = routes.map((): Record<Criterion, number> => ({
    money: 0,
    hours: 0,
    days: 0,
    risk: 0,
    spares: 0,
    strength: 0,
  }));
  for (const criterion of CRITERIA) {
    const amounts = routes.map((r) => AMOUNT[criterion](r));
    const known = amounts.filter((a) => a !== undefined);
    const [low, high] = [Math.min(...known), Math.max(...known)];
    amounts.forEach((amount, i) => {
      const mark = marks[i];
      if (mark && amount !== undefined) mark[criterion] = high > low ? (high - amount) / (high - low) : 1;
    });
  }
  const total = CRITERIA.reduce((sum, c) => sum + weights[c], 0);
  const weightOf = (c: Criterion) => (total > 0 ? weights[c] / total : 1 / CRITERIA.length);
  return routes
    .map((route, i) => {
      const mine = marks[i] as Record<Criterion, number>;
      const score = CRITERIA.reduce((sum, c) => sum + weightOf(c) * mine[c], 0);
      const barred = route.verdict?.verdict === 'rejected' || route.stops.length > 0;
      return { route, score, marks: mine, barred, reasons: reasonsFor(route, routes) };
    })
    .sort((a, b) => Number(a.barred) - Number(b.barred) || b.score - a.score);
}

/** What speaks for and against a way, beside the others. */
function reasonsFor(route: RouteSummary, all: readonly RouteSummary[]): readonly string[] {
  const { verdict, stops, joints, money, questions } = route;
  const reasons: string[] = [];
  if (verdict?.verdict === 'rejected') reasons.push(`rejected: ${verdict.reason}`);
  reasons.push(...stops);
  if (joints.no === 0 && joints.unknown === 0)
    reasons.push(
      joints.work === 0 ? 'bolts in: every joint fits' : `every joint is settled, ${joints.work} with work`,
    );
  const others = all.filter((r) => r !== route);
  reasons.push(
    ...beside(AMOUNT.money, route, others, inMoney),
    ...beside(AMOUNT.hours, route, others, inHours),
  );
  if (questions > 0)
    reasons.push(questions === 1 ? 'one thing is not known' : `${questions} things are not known`);
  if (money.unpriced.length) reasons.push(`no price yet for ${money.unpriced.join(', ')}`);
  if (!route.timeKnown) reasons.push('own hours not estimated yet');
  return reasons;
}

/** How an amount stands beside the least of the others; nothing where either is not known. */
function beside(
  amount: (r: RouteSummary) => number | undefined,
  route: RouteSummary,
  others: readonly RouteSummary[],
  words: (more: number) => string,
): readonly string[] {
  const mine = amount(route);
  const known = others.flatMap((r) => amount(r) ?? []);
  if (mine === undefined || known.length === 0) return [];
  const text = words(mine - Math.min(...known));
  return text ? [text] : [];
}

function inMoney(more: number): string {
  if (more > 0) return `costs ${Math.round(more)} more than the cheapest`;
  return more < 0 ? `the cheapest, by ${Math.round(-more)}` : '';
}
const inHours = (more: number): string => (more < 0 ? `saves ${round(-more)} hours` : '');

const round = (hours: number): number => Math.round(hours * 10) / 10;

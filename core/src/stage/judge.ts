import { formatNumber } from '../units';
import type { Figure, FigureUnit, Maybe } from '../measure';
import { expandedUncertainty, sized } from '../measure';
import {
  compared,
  type CheckFigure,
  type Check,
  type CheckLimit,
  type Grounds,
  type Looked,
  type OkCheck,
  type OpenCheck,
} from './check';
import type { PlaceId, StageName } from './place';

/** Numbers that differ by less are the same for a comparison: binary rounding only. Absolute, by unit. */
export const COMPARE_SLACK: Readonly<Record<FigureUnit, number>> = {
  mm: 1e-6,
  rad: 1e-9,
  kg: 1e-6,
  N: 1e-3,
  Nm: 1e-6,
  MPa: 1e-6,
  'N/mm': 1e-6,
  rpm: 1e-6,
  'rad/s2': 1e-6,
  'm/s': 1e-9,
  s: 1e-9,
  m: 1e-6,
  Hz: 1e-9,
  count: 1e-9,
  ratio: 1e-9,
  money: 1e-6,
};

/** What stands beside a verdict: its figure, with the defaults that it rests on, its limit and what was looked at. */
function beside(
  figure: Figure | CheckFigure | undefined,
  limit: CheckLimit | 0 | undefined,
  looked: readonly Looked[] | undefined,
  also: readonly Maybe[] = [],
): Pick<Check, 'figure' | 'limit' | 'assumed' | 'looked'> {
  const known = figure && 'working' in figure ? figure : undefined;
  const all = also.length ? Object.assign({}, ...[known, ...also].map((one) => one?.assumed)) : known?.assumed;
  const assumed = Object.values((all ?? {}) as Figure['assumed']);
  return {
    ...(figure ? { figure: known ? compared(known) : figure } : {}),
    ...(limit ? { limit } : {}),
    ...(assumed.length ? { assumed } : {}),
    ...(looked ? { looked } : {}),
  };
}

/** How a figure has to stand to its limit: not above, not below, or not farther from nothing. */
export type Way = 'atMost' | 'atLeast' | 'within';

/** A figure held against a limit, with all that is said of it. */
export interface Held {
  readonly id: string;
  readonly stage: StageName;
  /** Undefined while it cannot be worked out. */
  readonly figure: Figure | undefined;
  readonly way: Way;
  /** Beyond it the check is a caution, or what `beyond` says; 0 where it has only to be above or below nothing. */
  readonly limit: CheckLimit | 0;
  readonly beyond?: 'caution' | 'stop';
  /** Beyond this it is a stop: another limit, or a plain number such as 0 for parts that meet. */
  readonly stop?: CheckLimit | number;
  readonly holds: string;
  readonly fails: string | ((level: 'caution' | 'stop') => string);
  /** Said while the figure is not known. */
  readonly unknown: string;
  readonly todo: string | ((level: 'caution' | 'stop') => string);
  readonly reason: string;
  readonly at: PlaceId;
  /** Places that are missing. */
  readonly lacks?: readonly PlaceId[];
  /** What it looked at, where it is over things. */
  readonly looked?: readonly Looked[];
}

/** The one place where something is called in order. */
const inOrder = (said: Omit<OkCheck, 'level' | 'todo' | 'grounds'>, grounds: readonly string[]): OkCheck => ({
  level: 'ok',
  todo: '',
  grounds: grounds as Grounds,
  ...said,
});

/** What a figure falls short of a limit by, in its own unit; above nothing where it fails. */
function excess(way: Way, value: number, limit: number): number {
  if (way === 'atLeast') return limit - value;
  return (way === 'within' ? Math.abs(value) : value) - limit;
}

/** True where a figure keeps its limit, binary rounding aside: 0.14 against 0.14 does. */
export const keeps = (way: Way, value: number, limit: number, unit: FigureUnit): boolean =>
  excess(way, value, limit) <= COMPARE_SLACK[unit];

const valueOf = (limit: CheckLimit | 0): number => (limit === 0 ? 0 : limit.value);

const unsureBy = (U: number, unit: FigureUnit): string =>
  unit === 'count' || unit === 'money'
    ? formatNumber(U, unit === 'count' ? 2 : 0)
    : sized(U, unit, unit === 'mm' ? 2 : undefined);

/** Said of a figure that stands nearer its limit than its uncertainty. */
export const UNSURE = 'within what the readings can tell';

/**
 * Judges a figure by its limit. What is not known is unknown, never in order; what lies nearer the limit than the
 * readings can tell says so; defaults the figure rests on come along.
 *
 * @example judge({ figure: gap 2.0 ± 0.6, way: 'atLeast', limit: 3, … }) // caution, within what the readings can tell
 */
export function judge(held: Held): Check {
  const { id, stage, figure, limit, reason, at, looked } = held;
  if (!figure) return unknownCheck(held);
  const level = levelOf(held, figure);
  const by = level === 'stop' && typeof held.stop === 'object' ? held.stop : limit;
  const U = expandedUncertainty(figure);
  const unsure = nearest(held, figure) < U;
  const said = unsure ? `${reason} The figure is known to ± ${unsureBy(U, figure.unit)}: ${UNSURE}.` : reason;
  const base = { id, stage, reason: said, at, ...beside(figure, by, looked), ...(unsure ? { within: U } : {}) };
  if (level === 'ok')
    return inOrder({ title: held.holds + (unsure ? `, but ${UNSURE}` : ''), ...base }, [figure.id]);
  return { level, title: word(held.fails, level), todo: word(held.todo, level), ...base };
}

const word = (text: string | ((level: 'caution' | 'stop') => string), level: 'caution' | 'stop'): string =>
  typeof text === 'string' ? text : text(level);

function levelOf(
  { way, limit, stop, beyond = 'caution' }: Held,
  { value, unit }: Figure,
): 'ok' | 'caution' | 'stop' {
  if (keeps(way, value, valueOf(limit), unit)) return 'ok';
  if (stop === undefined) return beyond;
  if (typeof stop === 'object') return keeps(way, value, stop.value, unit) ? 'caution' : 'stop';
  // Parts that only just touch do touch.
  return excess(way, value, stop) < -COMPARE_SLACK[unit] ? 'caution' : 'stop';
}

/** How near the figure stands to the limit or stop it might be taken across, in its own unit. */
function nearest({ way, limit, stop }: Held, { value }: Figure): number {
  const limits = [
    valueOf(limit),
    stop === undefined ? valueOf(limit) : typeof stop === 'number' ? stop : stop.value,
  ];
  return Math.min(...limits.map((l) => Math.abs(excess(way, value, l))));
}

/** What is wrong with facts that were looked at. */
export interface Fault {
  readonly level: 'caution' | 'stop';
  readonly title: string;
  readonly todo: string;
  /** Said instead of the reason. */
  readonly reason?: string;
  readonly contradicts?: readonly string[];
}

/** Facts, choices and readings that are looked at, with all that is said of them. */
export interface HeldFact {
  readonly id: string;
  readonly stage: StageName;
  /**
   * What it rests on: every fact, choice, reading and part of the plan by its place or figure’s id, and what is said of
   * it; undefined or empty while nothing is. While one is unsaid nothing is in order.
   */
  readonly rests: Readonly<Record<string, unknown>>;
  /** What is wrong; undefined where nothing is. */
  readonly fault?: Fault | undefined;
  readonly holds: string;
  /** Said while one of what it rests on is unsaid. */
  readonly unknown: string;
  readonly reason: string;
  readonly at: PlaceId;
  readonly lacks?: readonly PlaceId[];
  /** A figure that is shown beside it. */
  readonly figure?: Figure | CheckFigure | undefined;
  readonly limit?: CheckLimit;
  readonly looked?: readonly Looked[];
  /** Other figures that the verdict rests on: defaults behind them are shown beside it. */
  readonly also?: readonly Maybe[];
}

const isUnsaid = (value: unknown): boolean => value === undefined || value === '';

/**
 * Judges what is no number: a fault stands whatever else is unsaid; without one it is in order only where everything
 * that it rests on is said.
 *
 * @throws RangeError where it rests on nothing
 * @example judgeFact({ …, rests: { 'fact.car.seat': 'cone', 'fact.new.seat': undefined }, … }) // unknown
 */
export function judgeFact(held: HeldFact): Check {
  const { id, stage, rests, fault, holds, reason, at, figure, limit, looked, also } = held;
  const grounds = Object.keys(rests);
  if (grounds.length === 0) throw new RangeError(`${id} rests on nothing.`);
  const base = { id, stage, reason: fault?.reason ?? reason, at, ...beside(figure, limit, looked, also) };
  if (fault) {
    const { level, title, todo, contradicts } = fault;
    return { level, title, todo, ...base, ...(contradicts ? { contradicts } : {}) };
  }
  if (grounds.some((key) => isUnsaid(rests[key]))) return unknownCheck(held);
  return inOrder({ title: holds, ...base }, grounds);
}

/**
 * An ok of a check over things that others of its kind were found beside: it cannot be told, and names them.
 *
 * @param left names of what it did not look at, within a sentence
 */
export function notLookedAt(check: OkCheck, left: readonly string[]): OpenCheck {
  const { grounds: _grounds, figure, limit, ...said } = check;
  const names = left.join(', ');
  return {
    ...said,
    ...(figure ? { figure } : {}),
    ...(limit ? { limit } : {}),
    level: 'unknown',
    title: `${check.title}, but not looked at: ${names}`,
    reason: `${check.reason} What was not looked at may be nearer: ${names}.`,
    todo: 'Place what was not looked at, or look yourself and write down what you saw.',
  };
}

/** A check that cannot be told: what it is about, what is missing, and that it has to be read. */
export function unknownCheck({
  id,
  stage,
  unknown,
  reason,
  at,
  lacks = [],
}: Pick<Held, 'id' | 'stage' | 'unknown' | 'reason' | 'at' | 'lacks'>): OpenCheck {
  return {
    id,
    stage,
    level: 'unknown',
    title: unknown,
    reason,
    todo: 'Read or choose what is missing.',
    at,
    lacks,
  };
}

/** Readings of one thing that are held against each other. */
export interface HeldTwice extends Omit<Held, 'way' | 'stop' | 'beyond' | 'fails' | 'todo'> {
  readonly fails: string;
  readonly todo: string;
  /** Set where the things themselves may differ by the limit, such as a tyre and the size its maker gives it. */
  readonly mayDiffer?: true;
}

/**
 * Judges readings of one thing, asking first what they can tell: beyond their joint uncertainty (k = 2) they contradict
 * each other, which stops all that rests on them, whatever the limit. Within it they agree, or beyond the limit are too
 * coarse to tell.
 *
 * @param readings ids of the readings that are held against each other
 * @example judgeClosure({ figure: 1.87 ± 0.05 mm, limit: 2 mm, … }, ['a', 'b']) // stop: no caliper errs that far
 * @example judgeClosure({ figure: 3.1 ± 4.2 mm, limit: 2 mm, … }, ['a', 'b']) // caution: too coarse to tell
 */
export function judgeClosure(held: HeldTwice, readings: readonly string[]): Check {
  const { id, stage, figure, limit, reason, at, looked, mayDiffer } = held;
  if (!figure) return unknownCheck(held);
  const U = expandedUncertainty(figure);
  const apart = Math.abs(figure.value);
  const most = valueOf(limit);
  const within = apart <= most + COMPARE_SLACK[figure.unit];
  const told = apart <= U + COMPARE_SLACK[figure.unit];
  const base = { id, stage, at, ...beside(figure, limit, looked) };
  const known = `${reason} They are ${unsureBy(apart, figure.unit)} apart and known to ± ${unsureBy(U, figure.unit)}`;
  if (!told && !(mayDiffer && within))
    return {
      ...base,
      level: 'stop',
      title: held.fails,
      reason: `${known}.`,
      todo: held.todo,
      contradicts: readings,
    };
  if (within || limit === 0) {
    // Readings coarser than the limit agree, and prove no more than they can tell.
    const coarse = limit !== 0 && U > most;
    const title = coarse ? `${held.holds}, but ${UNSURE}` : held.holds;
    return inOrder({ ...base, title, reason, ...(coarse ? { within: U } : {}) }, readings);
  }
  return {
    ...base,
    level: 'caution',
    title: held.fails,
    reason: `${known}: ${UNSURE}.`,
    todo: held.todo,
    within: U,
  };
}

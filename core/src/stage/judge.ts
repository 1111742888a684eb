import { formatNumber } from '../units';
import type { Figure, FigureUnit } from '../measure';
import { expandedUncertainty, sized } from '../measure';
import { compared, type Check, type CheckLevel, type CheckLimit } from './check';

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

/** How a figure has to stand to its limit: not above, not below, or not farther from nothing. */
export type Way = 'atMost' | 'atLeast' | 'within';

/** A figure held against a limit, with all that is said of it. */
export interface Held {
  readonly id: string;
  readonly stage: string;
  /** Undefined while it cannot be worked out. */
  readonly figure: Figure | undefined;
  readonly way: Way;
  /** Beyond it the check is a caution, or what `beyond` says. */
  readonly limit: CheckLimit;
  readonly beyond?: 'caution' | 'stop';
  /** Beyond this it is a stop: another limit, or a plain number such as 0 for parts that meet. */
  readonly stop?: CheckLimit | number;
  readonly holds: string;
  readonly fails: string | ((level: 'caution' | 'stop') => string);
  /** Said while the figure is not known. */
  readonly unknown: string;
  readonly todo: string | ((level: 'caution' | 'stop') => string);
  readonly reason: string;
  readonly at: string;
  /** Quantities that are missing. */
  readonly lacks?: readonly string[];
}

/** What a figure falls short of a limit by, in its own unit; above nothing where it fails. */
function excess(way: Way, value: number, limit: number): number {
  if (way === 'atLeast') return limit - value;
  return (way === 'within' ? Math.abs(value) : value) - limit;
}

/** True where a figure keeps its limit, binary rounding aside: 0.14 against 0.14 does. */
export const keeps = (way: Way, value: number, limit: number, unit: FigureUnit): boolean =>
  excess(way, value, limit) <= COMPARE_SLACK[unit];

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
  const { id, stage, figure, limit, reason, at } = held;
  if (!figure) return unknownCheck(held);
  const level = levelOf(held, figure);
  const by = level === 'stop' && typeof held.stop === 'object' ? held.stop : limit;
  const U = expandedUncertainty(figure);
  const unsure = nearest(held, figure) < U;
  const tail = unsure && level === 'ok' ? `, but ${UNSURE}` : '';
  const said = unsure ? `${reason} The figure is known to ± ${unsureBy(U, figure.unit)}: ${UNSURE}.` : reason;
  const assumed = Object.values(figure.assumed);
  return {
    id,
    stage,
    level,
    title: level === 'ok' ? held.holds + tail : word(held.fails, level),
    figure: compared(figure),
    limit: by,
    reason: said,
    todo: level === 'ok' ? '' : word(held.todo, level),
    at,
    ...(unsure ? { within: U } : {}),
    ...(assumed.length ? { assumed } : {}),
  };
}

const word = (text: string | ((level: 'caution' | 'stop') => string), level: 'caution' | 'stop'): string =>
  typeof text === 'string' ? text : text(level);

function levelOf(
  { way, limit, stop, beyond = 'caution' }: Held,
  { value, unit }: Figure,
): 'ok' | 'caution' | 'stop' {
  if (keeps(way, value, limit.value, unit)) return 'ok';
  if (stop === undefined) return beyond;
  if (typeof stop === 'object') return keeps(way, value, stop.value, unit) ? 'caution' : 'stop';
  // Parts that only just touch do touch.
  return excess(way, value, stop) < -COMPARE_SLACK[unit] ? 'caution' : 'stop';
}

/** How near the figure stands to the limit or stop it might be taken across, in its own unit. */
function nearest({ way, limit, stop }: Held, { value }: Figure): number {
  const limits = [limit.value, stop === undefined ? limit.value : typeof stop === 'number' ? stop : stop.value];
  return Math.min(...limits.map((l) => Math.abs(excess(way, value, l))));
}

/** A check that cannot be told: what it is about, what is missing, and that it has to be read. */
export function unknownCheck({
  id,
  stage,
  unknown,
  reason,
  at,
  lacks = [],
}: Pick<Held, 'id' | 'stage' | 'unknown' | 'reason' | 'at' | 'lacks'>): Check {
  const level: CheckLevel = 'unknown';
  return { id, stage, level, title: unknown, reason, todo: 'Read or choose what is missing.', at, lacks };
}

/**
 * Judges readings that must add up. Within the limit they do; beyond it and beyond what their joint uncertainty
 * (k = 2) explains they contradict each other, which stops all that rests on them; beyond the limit alone they may
 * only be too coarse to tell.
 *
 * @param readings ids of the readings that are held against each other
 */
export function judgeClosure(held: Omit<Held, 'way' | 'stop' | 'beyond'>, readings: readonly string[]): Check {
  // Last, so that it counts whatever else the caller’s object holds.
  const check = judge({ ...held, way: 'within' });
  const { figure } = held;
  if (!figure || check.level === 'ok' || Math.abs(figure.value) <= expandedUncertainty(figure)) return check;
  return { ...check, level: 'stop', contradicts: readings };
}

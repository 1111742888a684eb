import type { PlaceId, StageName } from './place';
import type { ThingKind } from './thing';
import type { LimitIdOf } from './words';
import type { Assumed, Figure, FigureUnit } from '../measure';

/** `unknown`: what it compares has not been read; it is neither in order nor against it. */
export type CheckLevel = 'ok' | 'unknown' | 'caution' | 'stop';

/** A figure as a check compares it. */
export interface CheckFigure {
  readonly value: number;
  readonly unit: FigureUnit;
  /** Id of the figure whose working explains it, where there is one. */
  readonly figureId?: string;
}

/** The limit a check held its figure against, with the project's change of it. */
export interface CheckLimit {
  readonly id: string;
  readonly value: number;
  readonly unit: FigureUnit;
  readonly fallback: number;
  /** Why the project changed it; absent where the default holds. */
  readonly changedBecause?: string;
}

/** A caution the builder has accepted, with the figure it had then. */
export interface Acceptance {
  readonly reason: string;
  /** The figure when it was accepted, in core units; null for a check without a figure. */
  readonly figure: number | null;
  readonly who: string;
  /** ISO 8601 time. */
  readonly at: string;
}

/** A choice that mends what a check found. */
export interface CheckOffer {
  readonly quantityId: string;
  /** In core units. */
  readonly value: number;
  /** Figure it follows from: not taken while readings that rests on contradict each other. */
  readonly figureId: string;
  /** What the button says, such as `Move the mark to {212 mm}`. */
  readonly text: string;
}

declare const JUDGED: unique symbol;
/**
 * What an ok rests on: ids of the figure, or of the facts, choices and readings. Made by `judge` and `judgeFact` alone,
 * so that nothing else can call anything in order.
 */
export type Grounds = readonly string[] & { readonly [JUDGED]: true };

/** What a check over things has looked at, of one kind. */
export interface Looked {
  readonly kind: ThingKind;
  /** Ids of all that were looked at. */
  readonly ids: readonly string[];
}

/** What every check says. */
interface Said {
  readonly id: string;
  /** Id of the stage it stands under. */
  readonly stage: StageName;
  readonly title: string;
  readonly figure?: CheckFigure;
  readonly limit?: CheckLimit;
  /** Why the limit is there. */
  readonly reason: string;
  /** What to do about it; empty for `ok`. */
  readonly todo: string;
  /** Place to jump to. */
  readonly at?: PlaceId;
  /** What would mend it at once: a choice that can be taken with one button. */
  readonly offer?: CheckOffer;
  /** Places without which an unknown check cannot be told. */
  readonly lacks?: readonly PlaceId[];
  /** Set where the figure stands nearer its limit than the readings can tell: U (k = 2), in the figure’s unit. */
  readonly within?: number;
  /** Defaults the figure rests on. */
  readonly assumed?: readonly Assumed[];
  /** Readings of one thing that contradict each other: nothing that rests on them may be cut or ordered. */
  readonly contradicts?: readonly string[];
  /** Set where a caution is accepted and its figure has not grown since. */
  readonly accepted?: Acceptance;
  /** Set where it was accepted but has grown since: the acceptance no longer holds. */
  readonly lapsed?: Acceptance;
  /** What it looked at, where it is over things: whatever else of those kinds stands in the plan makes it unknown. */
  readonly looked?: readonly Looked[];
}

/** What was looked at and is in order. */
export interface OkCheck extends Said {
  readonly level: 'ok';
  readonly grounds: Grounds;
}

/** What cannot be told, or is not in order. */
export interface OpenCheck extends Said {
  readonly level: 'unknown' | 'caution' | 'stop';
}

/** One comparison: what was found, against what, and what to do. */
export type Check = OkCheck | OpenCheck;

/** A computed figure as a check compares it. */
export const compared = ({ id, value, unit }: Figure): CheckFigure => ({ value, unit, figureId: id });

/** A count that is no whole number is a factor, such as one on yield: it lapses sooner than a number of things. */
const FACTOR_GROWTH = 0.02;

/** Growth beyond which an acceptance lapses, by unit. Absolute. */
const GROWTH: Readonly<Record<FigureUnit, number>> = {
  mm: 0.05,
  rad: 0.00035,
  kg: 1,
  N: 10,
  Nm: 5,
  MPa: 5,
  'N/mm': 0.5,
  money: 1,
  count: 0.5,
  ratio: 0.005,
  rpm: 20,
  'rad/s2': 5,
  'm/s': 0.2,
  s: 0.05,
  m: 1,
  Hz: 0.05,
};

/** Adds the standing or lapsed acceptance to a check. Only cautions can be accepted. */
export function withAcceptance(check: Check, acceptance: Acceptance | undefined): Check {
  if (!acceptance || check.level !== 'caution') return check;
  return holds(check, acceptance) ? { ...check, accepted: acceptance } : { ...check, lapsed: acceptance };
}

function holds({ figure, limit }: Check, acceptance: Acceptance): boolean {
  if (!figure || acceptance.figure === null) return true;
  const from = (value: number) => (limit ? Math.abs(Math.abs(value) - limit.value) : Math.abs(value));
  const factor =
    figure.unit === 'count' && !(Number.isInteger(figure.value) && Number.isInteger(acceptance.figure));
  return from(figure.value) <= from(acceptance.figure) + (factor ? FACTOR_GROWTH : GROWTH[figure.unit]);
}

/** A check that still asks for something: a stop, or a caution nobody has accepted. */
export const isOpen = (check: Check): boolean =>
  (check.level === 'caution' || check.level === 'stop') && !check.accepted;

/** A check that cannot be told yet: nothing may be called in order while there is one. */
export const isUnknown = (check: Check): boolean => check.level === 'unknown';

/** Gives the limit in force by its id, of those that some stages have. */
export type LimitsOf<W> = (id: LimitIdOf<W>) => CheckLimit;

const RANK: Readonly<Record<CheckLevel, number>> = { ok: 0, unknown: 1, caution: 2, stop: 3 };

/** The gravest level in a list of checks, accepted cautions counting as ok. */
export function worst(checks: readonly Check[]): CheckLevel {
  return checks.reduce<CheckLevel>(
    (level, check) => (!check.accepted && RANK[check.level] > RANK[level] ? check.level : level),
    'ok',
  );
}

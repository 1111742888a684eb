/** What is drawn: a size with the way it may be off. */
export interface StackPart {
  /** Quantity it is, or a name of its own for what is made. */
  readonly id: string;
  readonly label: string;
  readonly value: number;
  /** Standard uncertainty; for `flat` half the width over √3. */
  readonly u: number;
  /** Drawn evenly within ±√3·u, or normally. */
  readonly shape: 'flat' | 'normal';
}

/** Parts of a stack by what they are, all mm. */
export const STACK_KEYS = [
  'half',
  'scribe',
  'weld',
  'shaft',
  'ordered',
  'made',
  'gearStart',
  'gearSpline',
  'shaftSpline',
  'crossShaft',
  'float',
  'et',
  'section',
  'inboard',
  'outboard',
  'rotor',
  'caliper',
] as const;
export type StackKey = (typeof STACK_KEYS)[number];

/** One side of the axle as it will be made. Parts left out are certain and take no part. */
export interface StackSide {
  readonly parts: Readonly<Partial<Record<StackKey, StackPart>>>;
  /**
   * A clip holds the shaft by its inner end: what is off in its length moves the wheel, what is off in the housing
   * moves the brake. Else the housing end holds it, and both move its inner end.
   */
  readonly clip?: boolean;
}

/** Least that must hold. */
export interface StackLimits {
  /** Engaged over the side gear’s spline. */
  readonly engagement: number;
  readonly gap: number;
  readonly inboard: number;
  readonly outboard: number;
  /** Caliper’s middle from the rotor’s, either way. */
  readonly align: number;
}

export const STACK_OUTCOMES = ['engagement', 'gap', 'inboard', 'outboard', 'align'] as const;
export type StackOutcome = (typeof STACK_OUTCOMES)[number];

export interface OutcomeResult {
  /** All mm but `engagement`, a share; `align` is plus where the rotor stands further out than the caliper. */
  readonly id: StackOutcome;
  /** Share of the draws in which it holds. */
  readonly holds: number;
  readonly mean: number;
  readonly s: number;
  /** 2.5 % and 97.5 % of the draws lie below. */
  readonly low: number;
  readonly high: number;
}

/** How much of what goes wrong hangs on one part. */
export interface Blame {
  readonly id: string;
  readonly label: string;
  /** Share of the worst outcome’s variance that this part explains. */
  readonly share: number;
}

export interface StackResult {
  readonly draws: number;
  readonly outcomes: readonly OutcomeResult[];
  /** Share of the draws in which all of them hold at once. */
  readonly all: number;
  /** Outcome that holds least often; undefined where nothing is known. */
  readonly worst: StackOutcome | undefined;
  /** Parts by what they explain of the worst outcome, most first. */
  readonly blame: readonly Blame[];
}

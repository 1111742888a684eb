import type { Figure } from '../measure';
import type { Plan, StageId } from '../plan';
import type { Check, Decision, Node, Openings, StageState, StripItem } from '../stage';
import type { Contradicted } from './contradictions';
import type { Known } from './reading-figures';

/** Everything derived from a plan. */
export interface Results {
  readonly plan: Plan;
  /** What is known of each quantity, by id: readings and fallbacks. */
  readonly known: ReadonlyMap<string, Known>;
  /** What a stage computes, by its node. */
  readonly of: <T>(node: Node<T>) => T;
  /** Reads the plan as nodes do, for what is made afresh each time. */
  readonly read: unknown;
  /** What every node gave, each after those that it read. */
  readonly given: () => Iterable<unknown>;
  /** Sizes that stand in place of what was read, by quantity; undefined where they are not known. */
  readonly instead: Readonly<Record<string, Figure | undefined>>;
  /** Why numbers read off the car by plumb line or level cannot be trusted yet; undefined where they can. */
  readonly notLevel: string | undefined;
  /** What may still change, as somebody said: what is true of an open choice is preliminary. */
  readonly openings: Openings;
  readonly checks: readonly Check[];
  /** Readings that contradict others of the same thing, with what is said of it: what rests on them is held. */
  readonly contradicted: Contradicted;
  readonly decisions: readonly Decision[];
  readonly stages: Readonly<Record<StageId, StageState>>;
  /** The numbers of this job, in the order of the running strip. */
  readonly strip: readonly StripItem[];
}

export type { Known };

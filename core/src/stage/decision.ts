import type { Figure } from '../measure';
import type { PlaceId, StageName } from './place';
import type { Node } from './node';

/** A decision of a stage: what it needs, and what it rests on. */
export interface DecisionDef {
  readonly id: string;
  readonly label: string;
  /** Quantities, and facts as `fact.…`, without which it cannot be made. */
  readonly needs: Node<readonly PlaceId[]>;
  /** Figures that hold it while readings they rest on contradict each other. */
  readonly rests?: Node<readonly (Figure | undefined)[]>;
  /** The figure it gives: whoever lacks that lacks what the decision needs. */
  readonly gives?: { readonly id: string; readonly figure: Node<Figure | undefined> };
}

/** A decision as it stands. */
export interface Decision {
  readonly id: string;
  readonly label: string;
  readonly stage: StageName;
  /** Quantities, and facts as `fact.…`, without which it cannot be made. */
  readonly lacks: readonly PlaceId[];
  /** Why it may not be made although all is there: readings that contradict each other. */
  readonly held?: string;
}

/** How a stage stands, as the rail shows it. */
export type StageState = 'untouched' | 'inWork' | 'caution' | 'stop' | 'settled';

/** What settles a stage, beside its checks. */
export interface StateDef {
  /** Decisions that must lack nothing. */
  readonly decisions?: readonly DecisionDef[];
  /** Decisions that must not lack what is read in this stage. */
  readonly readsFor?: readonly DecisionDef[];
  /** Something else that is missing. */
  readonly lacks?: Node<boolean>;
  /** Decisions of others that this stage is worked out from: it is untouched until they lack nothing. */
  readonly after?: readonly DecisionDef[];
  /** It has no readings of its own: it begins when what it follows from is there, and is settled by all checks. */
  readonly ofAll?: boolean;
}

import type { View } from '../drawing';
import type { DecisionDef } from './decision';
import type { StageName } from './place';
import type { Node } from './node';
import type { Pen } from './sheet-print';
import type { SheetHead, SheetSection } from './sheet';

/** What a sheet of a stage says; checks, limits, assumptions and what is lacking come of themselves. */
export interface SheetDef<R = never> {
  readonly id: string;
  readonly title: string;
  /** Last part of its address, and so of the file it is kept as. */
  readonly address: string;
  /** Drawings that stand on it, each to a stated scale. */
  readonly views?: Node<readonly View[]>;
  /** Used in the workshop; nobody is asked for anything by it. */
  readonly bench?: true;
  /**
   * One page in large letters, with room to write what was measured beside each value; and the sheet that says all that
   * does not stand on it.
   */
  readonly wall?: string;
  /** Plain values that go with it in the open file, by name. */
  readonly data?: Readonly<Record<string, Node<unknown>>>;
  /** Lines at the top, printed. */
  readonly head: (read: R, pen: Pen) => SheetHead;
  /** Its sections; one without rows is left out. */
  readonly sections: (read: R, pen: Pen) => readonly SheetSection[];
  /** Stages whose checks stand on it; left out, all do. */
  readonly checks?: readonly StageName[];
  /** Decisions whose missing readings it names, and whatever else it lacks, as phrases. */
  readonly decisions?: readonly DecisionDef[];
  readonly lacks?: Node<readonly string[]>;
  readonly cautions: readonly string[];
  /** Notes of the builder’s that stand at its end. */
  readonly notes?: Node<string>;
}

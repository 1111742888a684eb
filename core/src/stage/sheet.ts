import type { Figure } from '../measure';
import type { CheckLevel } from './check';

/** One cell of a sheet: the text as printed, and the figure behind it. */
export interface SheetCell {
  readonly text: string;
  readonly figure?: Figure;
  /** Choices that it is true of and that are open, or not settled otherwise; within a sentence. */
  readonly open?: readonly string[];
  readonly unsaid?: readonly string[];
  /** Why the figure is not printed: readings it rests on contradict each other. */
  readonly held?: string;
}

/** One row: an item, and a cell for each column of its section. */
export interface SheetRow {
  readonly item: string;
  readonly note: string;
  readonly cells: readonly SheetCell[];
}

export interface SheetSection {
  readonly title: string;
  /** What stands in the columns of values. */
  readonly columns: readonly string[];
  readonly rows: readonly SheetRow[];
}

/** A check as the sheet prints it. */
export interface SheetCheck {
  readonly level: CheckLevel;
  readonly title: string;
  readonly figure: string;
  readonly limit: string;
  readonly todo: string;
  /** Reason, who and when of an acceptance; empty otherwise. */
  readonly accepted: string;
  /** What it lacks, how near its limit it is, and what it assumes; empty where there is nothing to say. */
  readonly note: string;
}

export type SheetHead = readonly (readonly [label: string, value: string])[];

/** Everything a sheet says, ready to print in one unit: the same for page, paper and table. */
export interface Sheet {
  readonly head: SheetHead;
  readonly sections: readonly SheetSection[];
  readonly checks: readonly SheetCheck[];
  readonly accepted: readonly SheetCheck[];
  readonly limits: readonly string[];
  readonly lacks: readonly string[];
  /** Defaults that something on this sheet rests on: what, how much, why. */
  readonly assumed: readonly string[];
  readonly cautions: readonly string[];
  readonly notes: string;
}

import type { Answer } from './asked';
import type { Openings } from './open-choice';
import type { Figure } from '../measure';
import type { Check } from './check';
import type { DecisionDef, StateDef } from './decision';
import type { Node } from './node';
import type { Thing } from './thing';
import type { Words } from './words';

/** One place in the running strip: a figure, a text or a date. Empty while it cannot be worked out. */
export interface StripItem {
  readonly id: string;
  readonly label: string;
  /** Where it stands among the others, of whichever stage. */
  readonly order: number;
  readonly figure: Figure | undefined;
  /** Said instead of a figure. */
  readonly text?: string;
  /** ISO date, instead of a figure. */
  readonly date?: string;
  /** Short word behind the number, such as `right` for a pinion place. */
  readonly tail?: string;
  /** Shown only where a project asks for it. */
  readonly rest?: true;
  /** Decision that gives it: what that lacks, it lacks. */
  readonly decision?: string;
  /** Said of what it lacks, where no decision gives it. */
  readonly lack?: string;
}

/** What a stage computes, beside its words. */
export interface Contents {
  /** Figures that nothing else of it asks for, and that are found by name all the same. */
  readonly figures?: readonly Node<unknown>[];
  readonly checks?: readonly Node<readonly Check[]>[];
  readonly decisions?: readonly DecisionDef[];
  readonly strip?: Node<readonly StripItem[]>;
  readonly state?: StateDef;
  /** Something of it was written down that is no reading. */
  readonly begun?: Node<boolean>;
  /** What is not known in it is asked for although none of its readings was taken yet. */
  readonly asked?: Node<boolean>;
  /** Sizes that stand in place of what was read, by quantity; undefined where they are not known. */
  readonly instead?: Node<Readonly<Record<string, Figure | undefined>>>;
  /** Why readings that need a level car cannot be trusted; undefined where they can. */
  readonly notLevel?: Node<string | undefined>;
  /** What may still change, as somebody said: figures that are true of it are preliminary. */
  readonly openings?: Node<Openings>;
  /** Questions of earlier stages that it answers. */
  readonly answers?: readonly Answer[];
  /** It is walked round with a sheet in hand: what that sheet is called. */
  readonly walked?: string;
  /** What stands in the car by its part of the plan: checks over things of those kinds look at all of them. */
  readonly things?: Node<readonly Thing[]>;
}

/** A stage of the work: all that belongs to it. */
export type Stage<W extends Words = Words> = W & { readonly contents: Contents };

/** Puts a stage together. */
export const stage = <const W extends Words>(words: W, contents: Contents = {}): Stage<W> => ({
  contents,
  ...words,
});

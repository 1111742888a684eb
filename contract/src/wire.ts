import type { Plan } from '@intervex/core';

/** One variant in a list. */
export interface VariantSummary {
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  /** ISO 8601 time of the newest revision. */
  readonly savedAt: string;
}

/** One car. */
export interface ProjectSummary {
  readonly id: string;
  readonly name: string;
  readonly variants: readonly VariantSummary[];
}

/** A variant with its plan as it stands. */
export interface VariantView extends VariantSummary {
  readonly projectId: string;
  readonly projectName: string;
  readonly plan: Plan;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
}

/** Body of a save: the plan, and the revision it was made from. */
export interface SaveRequest {
  readonly baseRevision: number;
  readonly plan: Plan;
  readonly who: string;
}

/** Body of an undo or redo. */
export interface StepRequest {
  readonly baseRevision: number;
  readonly who: string;
}

/** One revision in the history. */
export interface RevisionView {
  readonly revision: number;
  readonly kind: RevisionKind;
  readonly who: string;
  readonly at: string;
  /** Places in the plan that differ from the revision before, as JSON pointers. */
  readonly changed: readonly string[];
}

export type RevisionKind = 'create' | 'edit' | 'undo' | 'redo' | 'import';

/** One thing wrong with what was sent. */
export interface Problem {
  /** Where: a path such as `plan.readings.donor.tube.left.repeats[0].value`. */
  readonly field: string;
  /** What was wrong. */
  readonly wrong: string;
  /** What would be right. */
  readonly right: string;
}

/** Every refusal has this form. */
export interface Refusal {
  readonly error: RefusalCode;
  readonly message: string;
  readonly problems: readonly Problem[];
}

export type RefusalCode =
  'invalid' | 'notFound' | 'tooLarge' | 'wrongType' | 'stale' | 'nothingToUndo' | 'unavailable' | 'internal';

/** Answer 409: somebody saved since. Holds what stands now and what changed since the base revision. */
export interface StaleRefusal extends Refusal {
  readonly error: 'stale';
  readonly current: VariantView;
  /** Plan at the base revision, to tell one's own changes from the others'. */
  readonly base: Plan;
  /** JSON pointers that differ between base and current. */
  readonly changed: readonly string[];
}

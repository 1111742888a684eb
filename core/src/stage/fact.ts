import type { Evidence } from '../measure';
import type { StageName } from './place';
import type { Belongs } from './quantity';

/** One answer that may be given, and how it is written. */
export interface FactOption {
  readonly value: string;
  readonly label: string;
}

/** Something known about the job that is no number: what stands inboard, which thread, what was seen inside. */
export interface FactKind<I extends string = string> {
  readonly id: I;
  readonly label: string;
  readonly stage: StageName;
  /** Id of the heading it stands under in its stage. */
  readonly group: string;
  readonly heading: string;
  readonly belongs: Belongs;
  readonly hint: string;
  readonly options: readonly FactOption[];
  /** What somebody claims, which is there to be tested: a seller’s word is all it can be. */
  readonly claim?: boolean;
  /** Quantity it is looked at with, where that is not the last of its heading. */
  readonly beside?: string;
}

/** How a fact came to be known. Left out of the plan, it is unknown. */
export type FactEvidence = Exclude<Evidence, 'chosen'>;
export const FACT_EVIDENCE: readonly FactEvidence[] = ['measured', 'seen', 'seller'];

/** A fact as the plan holds it. */
export interface Fact {
  /** One of its kind’s values. */
  readonly value: string;
  readonly evidence: FactEvidence;
  readonly note?: string;
  readonly who?: string;
  /** ISO 8601. */
  readonly at?: string;
}

/** How a value of a kind is written; the value itself where it is not known. */
export const optionText = (kind: Pick<FactKind, 'options'> | undefined, value: string): string =>
  kind?.options.find((o) => o.value === value)?.label ?? value;

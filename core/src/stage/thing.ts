/** Kinds of thing that may stand in the way of another, or that a check is over. */
export const THING_KINDS = ['bracket', 'tubeItem', 'arm', 'crank'] as const;
export type ThingKind = (typeof THING_KINDS)[number];

/** One thing that stands in the plan. */
export interface Thing {
  readonly id: string;
  readonly kind: ThingKind;
  /** Within a sentence, such as `the truss`. */
  readonly name: string;
}

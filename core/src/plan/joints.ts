/** Places where two parts of different origin must fit. */
export const JOINT_IDS = [
  'spline',
  'bearing',
  'seal',
  'wheelPattern',
  'wheelPilot',
  'studNut',
  'pinionFlange',
  'brakeBracket',
  'parkingBrake',
  'hose',
  'sensor',
] as const;
export type JointId = (typeof JOINT_IDS)[number];

/** How two faces go together. */
export type Verdict = 'fits' | 'work' | 'no' | 'unknown';
export const VERDICTS: readonly Verdict[] = ['fits', 'work', 'no', 'unknown'];

/** What the builder adds to a joint: work, cost, hours, whose question it is, and a verdict of their own. */
export interface JointNote {
  readonly work?: string;
  /** In the builder’s own money. */
  readonly cost?: number;
  readonly hours?: number;
  /** Who finds out, where it is unknown. */
  readonly owner?: string;
  /** Stands against the computed verdict, with its reason. */
  readonly verdict?: Verdict;
  readonly reason?: string;
}

/** Something that can be bought, as the parts counter offers it. Lengths in mm. */
export interface PartOffer {
  readonly number: string;
  readonly name: string;
  readonly kind: PartKind;
  readonly seller: string;
  readonly price: number;
  readonly stock: number;
  /** Days until it is here. */
  readonly leadDays: number;
  /** Dimensions by name, such as `bore`, `outside`, `width`. */
  readonly size: Readonly<Record<string, number>>;
}
export const PART_KINDS = ['bearing', 'seal', 'shaft', 'stud', 'brakeKit', 'wheel', 'donor'] as const;
export type PartKind = (typeof PART_KINDS)[number];

/** A question to the parts counter and what it answered, as a dated record. */
export interface PartSearch {
  /** Dimensions asked for, mm, by name. */
  readonly asked: Readonly<Record<string, number>>;
  /** How many parts of this kind were looked through. */
  readonly of: number;
  /** What came nearest, best first. */
  readonly found: readonly PartOffer[];
  /** Number of the part that was chosen. */
  readonly chosen?: string;
  /** `list` where the counter did not answer and its last known list was used. */
  readonly from: 'counter' | 'list';
  readonly at: string;
  readonly who: string;
}
/** Joints whose parts come from the counter. */
export const SEARCHED = ['bearing', 'seal'] as const;
export type SearchedJoint = (typeof SEARCHED)[number];
/** All that the counter is asked for, each answer kept with the plan. */
export const SEARCH_IDS = [...SEARCHED, 'shaftLeft', 'shaftRight', 'stud', 'brakeKit', 'wheel'] as const;
export type SearchId = (typeof SEARCH_IDS)[number];

/** The part that was chosen of what the counter offered; undefined where none was. */
export const chosenPart = (search: PartSearch | undefined): PartOffer | undefined =>
  search?.found.find((offer) => offer.number === search.chosen);

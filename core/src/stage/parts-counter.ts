import { freeText, list, name, number, object, oneOf, sizes, time, whole } from './shape';

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
  /** Dimensions by name, such as `bore`, `outside`, `width`; lengths in mm, a spring’s `rate` in N/mm. */
  readonly size: Readonly<Record<string, number>>;
}
export const PART_KINDS = [
  'bearing',
  'seal',
  'shaft',
  'stud',
  'brakeKit',
  'wheel',
  'salvage',
  'gearSet',
  'spring',
] as const;
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
/** The part that was chosen of what the counter offered; undefined where none was. */
export const chosenPart = (search: PartSearch | undefined): PartOffer | undefined =>
  search?.found.find((offer) => offer.number === search.chosen);

const MOST_MONEY = 1_000_000;
const SIZES = sizes(number(0, 10_000));

/** A part as the counter offers it; also what its answers are checked by. */
export const OFFER_SHAPE = object<PartOffer>({
  number: freeText(40),
  name: freeText(120),
  kind: oneOf(PART_KINDS),
  seller: freeText(80),
  price: number(0, MOST_MONEY),
  stock: whole(0, 1_000_000),
  leadDays: whole(0, 2000),
  size: SIZES,
});

export const SEARCH_SHAPE = object<PartSearch>(
  {
    asked: SIZES,
    of: whole(0, 1_000_000),
    found: list(OFFER_SHAPE, { max: 40 }),
    chosen: freeText(40),
    from: oneOf(['counter', 'list']),
    at: time,
    who: name(60),
  },
  ['chosen'],
);

import {
  optionText,
  type FactIdOf,
  type FactKind,
  type Limit,
  type LimitIdOf,
  type Quantity,
  type QuantityIdOf,
} from '../stage';
import { STAGES } from '../stages';

type Stages = (typeof STAGES)[number];
export type StageId = Stages['id'];
export type QuantityId = QuantityIdOf<Stages>;
export type FactId = FactIdOf<Stages>;
/** Id of a heading of a stage. */
export type HeadingId<S extends StageId = StageId> = S extends StageId
  ? keyof Extract<Stages, { readonly id: S }>['headings'] & string
  : never;
export type LimitId = LimitIdOf<Stages>;

/** Every quantity, in walking order. */
export const QUANTITIES: readonly Quantity<QuantityId>[] = STAGES.flatMap(
  (s): readonly Quantity<QuantityId>[] => s.quantities,
);
export const FACTS: readonly FactKind<FactId>[] = STAGES.flatMap((s): readonly FactKind<FactId>[] => s.facts);
const LIMIT_LIST: readonly Limit[] = STAGES.flatMap((s): readonly Limit[] => s.limits);
export const LIMITS = Object.fromEntries(LIMIT_LIST.map((l) => [l.id, l])) as {
  readonly [I in LimitId]: Limit<I>;
};
export const LIMIT_IDS = LIMIT_LIST.map((l) => l.id) as readonly LimitId[];

const BY_ID: ReadonlyMap<string, Quantity<QuantityId>> = new Map(QUANTITIES.map((q) => [q.id, q]));
const FACT_BY_ID: ReadonlyMap<string, FactKind<FactId>> = new Map(FACTS.map((f) => [f.id, f]));

/** Before a fact’s id where it is named as a place. */
const FACT = 'fact.';

/** Looks a quantity up; undefined for an unknown id. */
export const findQuantity = (id: string): Quantity<QuantityId> | undefined => BY_ID.get(id);

/** Looks a quantity up that is known to exist. @throws RangeError for an unknown id */
export function quantity(id: string): Quantity<QuantityId> {
  const found = BY_ID.get(id);
  if (!found) throw new RangeError(`There is no quantity “${id}”.`);
  return found;
}

/** Looks a kind of fact up; undefined for an unknown id. */
export const findFact = (id: string): FactKind<FactId> | undefined => FACT_BY_ID.get(id);

/** What is read or looked at in a place: a quantity by its id, a fact as `fact.…`; undefined for any other place. */
export const findEntry = (place: string): Quantity<QuantityId> | FactKind<FactId> | undefined =>
  place.startsWith(FACT) ? findFact(place.slice(FACT.length)) : findQuantity(place);

/** Id of the fact that stands in a place; undefined where the place is none of a fact’s. */
export const factOfPlace = (place: string): string | undefined =>
  place.startsWith(FACT) ? place.slice(FACT.length) : undefined;

/** How a fact’s value is written; the value itself where it is not known. */
export const factText = (id: string, value: string): string => optionText(FACT_BY_ID.get(id), value);

/** Every angle that may be read against another instead of against level. */
export const ANGLE_IDS: readonly string[] = QUANTITIES.filter((q) => q.relative).map((q) => q.id);

/** A heading of a stage: its id, and how it is written. */
export interface Heading<I extends string = string> {
  readonly id: I;
  readonly name: string;
}

/** Headings under which something is read in a stage, in walking order. */
export function headingsOf<S extends StageId>(stage: S): readonly Heading<HeadingId<S>>[] {
  const read = new Set(QUANTITIES.filter((q) => q.stage === stage).map((q) => q.group));
  const headings = STAGES.find(({ id }) => id === stage)?.headings ?? {};
  const found = (Object.entries(headings) as [HeadingId<S>, string][]).filter(([id]) => read.has(id));
  const order = [...read];
  return found.sort(([a], [b]) => order.indexOf(a) - order.indexOf(b)).map(([id, name]) => ({ id, name }));
}

/** How a heading is written, whether something is read or looked at under it. */
export const headingName = (stage: string, id: string): string =>
  [...QUANTITIES, ...FACTS].find((q) => q.stage === stage && q.group === id)?.heading ?? '';

/** What the rail calls a stage. */
export const stageTitle = (id: string): string => STAGES.find((s) => s.id === id)?.title ?? '';

/** Stages that are walked round with a sheet in hand. */
export const WALKED: readonly string[] = STAGES.filter((s) => s.contents.walked).map((s) => s.id);

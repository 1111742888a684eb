import type { FactKind } from './fact';
import type { Limit } from './limit';
import type { Quantity } from './quantity';
import type { Section } from './section';

/** All that a stage names: what is read, known, chosen and compared in it. It computes nothing. */
export interface Words {
  readonly id: string;
  /** As the rail calls it. */
  readonly title: string;
  /** Headings by their ids. */
  readonly headings: Readonly<Record<string, string>>;
  /** In walking order. */
  readonly quantities: readonly Quantity[];
  readonly facts: readonly FactKind[];
  readonly limits: readonly Limit[];
  readonly section: Section;
  /** Names, within a sentence, of places of it that are neither quantity nor fact. */
  readonly places?: Readonly<Record<string, string>>;
}

type Ids<L> = L extends readonly (infer E)[]
  ? E extends { readonly id: infer I }
    ? I & string
    : never
  : never;
/** Ids of some stages. A typo, and the id of a stage that is not among them, is a type error. */
export type QuantityIdOf<W> = W extends { readonly quantities: infer L } ? Ids<L> : never;
export type FactIdOf<W> = W extends { readonly facts: infer L } ? Ids<L> : never;
export type LimitIdOf<W> = W extends { readonly limits: infer L } ? Ids<L> : never;

/** Places of one stage: its quantities, its facts as `fact.…`, and what else it names. */
export type PlaceOf<W extends Words> =
  QuantityIdOf<W> | `fact.${FactIdOf<W>}` | (W extends { readonly places: infer P } ? keyof P & string : never);

/** Names a stage’s words, keeping their ids as types. */
export const words = <const W extends Words>(all: W): W => all;

/** Ids of some quantities, facts or limits, as types too. */
export const idsOf = <const I extends string>(list: readonly { readonly id: I }[]): readonly I[] =>
  list.map(({ id }) => id);

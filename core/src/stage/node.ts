import type { Figure } from '../measure';
import type { Acceptance, LimitsOf } from './check';
import type { Fact } from './fact';
import type { PlaceId } from './place';
import type { PartSearch } from './parts-counter';
import type { ChoicesOf, PartsOf, SearchIdOf, VerdictsOf } from './section';
import type { FactIdOf, QuantityIdOf, Words } from './words';

/** One idea that is computed: runs again only when something that it read is another value. */
export interface Node<T> {
  /** Stage and idea, such as `cut.marks`. */
  readonly name: string;
  readonly run: (read: never) => T;
}

/**
 * What a node may read: the words of its own stage and of those that it stands on. All of it is noted, so that the
 * evaluator knows what the node rests on.
 */
export interface Read<W> {
  /** What is known of a quantity: read, or what stands for it until it is; undefined while nothing is. */
  readonly figure: (id: QuantityIdOf<W>) => Figure | undefined;
  /** Only what was read; undefined where a default stands for it. */
  readonly wasRead: (id: QuantityIdOf<W>) => boolean;
  /** What an angle was zeroed on; undefined for level. */
  readonly zeroedOn: (id: QuantityIdOf<W>) => string | undefined;
  readonly fact: (id: FactIdOf<W>) => Fact | undefined;
  readonly limit: LimitsOf<W>;
  readonly choice: <K extends keyof ChoicesOf<W>>(key: K) => ChoicesOf<W>[K];
  readonly part: <K extends keyof PartsOf<W>>(key: K) => PartsOf<W>[K];
  /** One field of a part, so that the others may change without this one running again. */
  readonly field: <K extends keyof PartsOf<W>, F extends keyof PartsOf<W>[K]>(
    part: K,
    field: F,
  ) => PartsOf<W>[K][F];
  readonly verdict: <K extends keyof VerdictsOf<W>>(on: K) => VerdictsOf<W>[K];
  readonly search: (id: SearchIdOf<W>) => PartSearch | undefined;
  /** What another node gives. */
  readonly of: <T>(node: Node<T>) => T;
  /** What was accepted of a check of this stage’s, by its id. */
  readonly accepted: (check: string) => Acceptance | undefined;
  /** Quantities, and facts as `fact.…`, that are only the seller’s word. */
  readonly told: () => readonly PlaceId[];
  /** What a quantity or fact of any stage is called within a sentence. */
  readonly name: (id: string) => string;
  /** ISO date on which it is computed; undefined where nobody says: the computation has no clock. */
  readonly today: () => string | undefined;
}

/** Finds what is known of the quantities of some stages. */
export type FigureOf<W> = Read<W>['figure'];
/** Finds the facts of some stages. */
export type FactOf<W> = Read<W>['fact'];

/** A node’s maker of one stage. */
export type MakeNode<W> = <T>(name: string, run: (read: Read<W>) => T) => Node<T>;
/** What the nodes of a maker may read. */
export type ReadOf<M> = M extends MakeNode<infer W> ? Read<W> : never;

/**
 * The maker of a stage’s nodes.
 *
 * @param own the stage’s words
 * @param uses those of the stages it stands on
 * @example const node = nodesOf(cut, donor); const width = node('width', (r) => r.figure('donor.width'));
 */
export const nodesOf =
  <W extends Words, U extends readonly Words[]>(own: W, ..._uses: U): MakeNode<W | U[number]> =>
  (name, run) => ({ name: `${own.id}.${name}`, run: run as (read: never) => ReturnType<typeof run> });

/** Values of known quantities by id, in core units. */
export const valuesOf =
  <I extends string>(read: { readonly figure: (id: I) => Figure | undefined }) =>
  (id: I): number | undefined =>
    read.figure(id)?.value;

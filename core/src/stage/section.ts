import type { PartOffer } from './parts-counter';
import type { Belongs } from './quantity';
import type { AnyShape, FieldShape } from './shape';

/** A field of the plan: what it may hold, what it begins with, whose it is. */
export interface Field<T> {
  readonly shape: FieldShape<T>;
  readonly start: T;
  /** What is the donor’s begins anew with another donor. */
  readonly belongs: Belongs;
  /** Version of the plan that first had it; what an earlier one left out begins with `start`. */
  readonly since: number;
  /** Version that first had a field within it, by that field’s name, where it came later. */
  readonly sinceOf?: Readonly<Record<string, number>>;
  /** What stays of it with another donor, where that is a part of it. */
  readonly forDonor?: (value: T) => T;
  /** It is read or done at the bench: whoever helps there may write it. */
  readonly bench?: boolean;
  /** What an entry of a part, or the field itself, is called, by its key. */
  readonly called?: (key: string) => string;
  /** What it begins with in a plan that had none, where that follows from the plan. */
  readonly startFrom?: (plan: Readonly<Record<string, unknown>>) => T | undefined;
}

/** A field of whatever kind. */
export type AnyField = Omit<Field<unknown>, 'shape' | 'forDonor'> & {
  readonly shape: AnyShape;
  readonly forDonor?: (value: never) => unknown;
};

/** What the parts counter is asked for: whose the answer is, and how it is called. */
export interface Question {
  readonly belongs: Belongs;
  readonly called: string;
}

/** A stage’s own place in the plan. */
export interface Section {
  /** In `choices`, by name. */
  readonly choices?: Readonly<Record<string, AnyField>>;
  /** Beside `choices`, by name. */
  readonly parts?: Readonly<Record<string, AnyField>>;
  /** Kinds of decision in `verdicts`, by what they are about: what may be decided. */
  readonly verdicts?: Readonly<Record<string, AnyField>>;
  /** Questions to the parts counter in `searches`, by name. */
  readonly searches?: Readonly<Record<string, Question>>;
  /** What a salvage yard says of a donor: quantity by the size of its offer. */
  readonly claims?: Readonly<Record<string, string>>;
  /** Readings of a salvage donor’s price and wait. */
  readonly bought?: { readonly price: string; readonly leadDays: string };
  /** The choices that follow from a salvage donor’s offer. */
  readonly ofOffer?: (offer: PartOffer) => Readonly<Record<string, unknown>>;
  /** Fields of a part that name the donor. */
  readonly donorName?: readonly [part: string, field: string];
}

type Holds<F> = F extends Field<infer T> ? T : never;
type Joined<U> = (U extends unknown ? (u: U) => void : never) extends (all: infer I) => void ? I : never;
type Fields<S, K extends keyof Section> = Joined<
  S extends { readonly section: infer P } ? (K extends keyof P ? P[K] : never) : never
>;
type Values<F> = { readonly [K in keyof F]: Holds<F[K]> };

/** The choices of some stages, by name. */
export type ChoicesOf<S> = Values<Fields<S, 'choices'>>;
export type PartsOf<S> = Values<Fields<S, 'parts'>>;
export type VerdictsOf<S> = Values<Fields<S, 'verdicts'>>;
export type SearchIdOf<S> = keyof Fields<S, 'searches'> & string;

/** A field as a section holds it. */
export const field = <T>(
  shape: FieldShape<T>,
  start: T,
  more: { readonly belongs?: Belongs; readonly since: number } & Pick<
    Field<T>,
    'called' | 'bench' | 'forDonor' | 'startFrom' | 'sinceOf'
  >,
): Field<T> => ({ belongs: 'car', ...more, shape, start });

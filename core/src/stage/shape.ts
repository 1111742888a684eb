/** What is wrong with a value that is whole in itself but does not go together. */
export interface Broken {
  /** Field within the value; empty for the value as a whole. */
  readonly field: string;
  readonly wrong: string;
  readonly right: string;
}
export type Rule<T> = (value: T) => Broken | undefined;

/** Text of one kind: a name takes no markup, free text takes all but control characters. */
export interface TextShape {
  readonly kind: 'text';
  readonly as: 'name' | 'free';
  readonly min: number;
  readonly max: number;
}
export interface NumberShape {
  readonly kind: 'number';
  readonly min: number;
  readonly max: number;
  readonly whole: boolean;
}
export interface ListShape {
  readonly kind: 'list';
  readonly of: AnyShape;
  readonly min: number;
  readonly max: number;
  readonly unique: boolean;
  readonly rule?: Rule<never>;
}
export interface RecordShape {
  readonly kind: 'record';
  readonly of: AnyShape;
  /** What its keys are: a list of the builder’s, sizes by name, or these and no others. */
  readonly keys: 'item' | 'size' | readonly string[];
  readonly max: number;
}
export interface ObjectShape {
  readonly kind: 'object';
  readonly fields: Readonly<Record<string, AnyShape>>;
  /** Fields that may be left out. */
  readonly optional: readonly string[];
  readonly rule?: Rule<never>;
}
export type AnyShape =
  | TextShape
  | NumberShape
  | ListShape
  | RecordShape
  | ObjectShape
  | { readonly kind: 'oneOf'; readonly values: readonly string[] }
  | { readonly kind: 'date' | 'time' };

declare const HOLDS: unique symbol;
/** What a field of the plan may hold, as data: the schema of wire and file, and its page, follow from it. */
export type FieldShape<T> = AnyShape & { readonly [HOLDS]?: T };

/** A name of at most so many characters; empty only from 0 on. */
export const name = (max: number, min = 1): FieldShape<string> => ({ kind: 'text', as: 'name', min, max });
export const freeText = (max: number, min = 1): FieldShape<string> => ({ kind: 'text', as: 'free', min, max });
export const oneOf = <V extends string>(values: readonly V[]): FieldShape<V> => ({ kind: 'oneOf', values });
export const number = (min: number, max: number): FieldShape<number> => ({
  kind: 'number',
  min,
  max,
  whole: false,
});
export const whole = (min: number, max: number): FieldShape<number> => ({
  kind: 'number',
  min,
  max,
  whole: true,
});
/** ISO date, or empty. */
export const date: FieldShape<string> = { kind: 'date' };
/** ISO 8601 time. */
export const time: FieldShape<string> = { kind: 'time' };

/** A list; `unique` where each entry may stand once. */
export const list = <T>(
  of: FieldShape<T>,
  v: {
    readonly min?: number;
    readonly max: number;
    readonly unique?: boolean;
    readonly rule?: Rule<readonly T[]>;
  },
): FieldShape<readonly T[]> => ({
  kind: 'list',
  of,
  min: v.min ?? 0,
  max: v.max,
  unique: v.unique ?? false,
  ...(v.rule ? { rule: v.rule as Rule<never> } : {}),
});

/** Things by the id they were given. */
export const items = <T>(of: FieldShape<T>, max: number): FieldShape<Readonly<Record<string, T>>> => ({
  kind: 'record',
  of,
  keys: 'item',
  max,
});

/** Sizes by their names. */
export const sizes = (of: FieldShape<number>): FieldShape<Readonly<Record<string, number>>> => ({
  kind: 'record',
  of,
  keys: 'size',
  max: 60,
});

/** At most one of each of these. */
export const some = <K extends string, T>(
  keys: readonly K[],
  of: FieldShape<T>,
): FieldShape<Readonly<Partial<Record<K, T>>>> => ({ kind: 'record', of, keys, max: keys.length });

type Fields<T> = { readonly [K in keyof T]-?: FieldShape<NonNullable<T[K]>> };
type Optional<T> = { [K in keyof T]-?: undefined extends T[K] ? K : never }[keyof T];

/** An object of named fields; those of its type that may be left out are named. */
export const object = <T>(
  fields: Fields<T>,
  optional: readonly (Optional<T> & string)[] = [],
  rule?: Rule<T>,
): FieldShape<T> => ({
  kind: 'object',
  fields: fields as Readonly<Record<string, AnyShape>>,
  optional,
  ...(rule ? { rule: rule as Rule<never> } : {}),
});

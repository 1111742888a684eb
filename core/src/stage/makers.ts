import type { FactKind } from './fact';
import type { StageName } from './place';
import type { Belongs, Quantity } from './quantity';

type Extra = Partial<
  Pick<
    Quantity,
    | 'side'
    | 'whole'
    | 'fallback'
    | 'fallbackBy'
    | 'instrument'
    | 'datum'
    | 'unit'
    | 'needsLevel'
    | 'waitsOn'
    | 'later'
    | 'relative'
    | 'scales'
    | 'byTape'
    | 'inMm'
    | 'belongs'
  >
>;
type Range = readonly [min: number, max: number];
/** What may be answered, by value. */
type Options = Readonly<Record<string, string>>;

/** A stage’s headings by their ids. */
export interface Under<S extends StageName, G extends Readonly<Record<string, string>>> {
  readonly id: S;
  readonly headings: G;
  /** Whose the readings of this stage are, unless one says otherwise. */
  readonly belongs: Belongs;
}

/** Makes quantities of one heading: lengths by tape from the centreline, unless said otherwise. */
export function quantitiesOf<S extends StageName, G extends Readonly<Record<string, string>>>(
  under: Under<S, G>,
) {
  return (group: keyof G & string, base: Extra = {}) =>
    <const I extends string>(
      id: I,
      label: string,
      hint: string,
      [min, max]: Range,
      extra: Extra = {},
    ): Quantity<I> => ({
      id,
      label,
      stage: under.id,
      group,
      heading: under.headings[group] as string,
      belongs: under.belongs,
      hint,
      min,
      max,
      unit: 'mm',
      instrument: 'tape',
      datum: 'car centreline',
      ...base,
      ...extra,
    });
}

/** Makes facts of one heading. */
export function factsOf<S extends StageName, G extends Readonly<Record<string, string>>>(under: Under<S, G>) {
  return (group: keyof G & string, base: Partial<Pick<FactKind, 'belongs'>> = {}) =>
    <const I extends string>(
      id: I,
      label: string,
      hint: string,
      options: Options,
      extra: Partial<Pick<FactKind, 'beside' | 'claim'>> = {},
    ): FactKind<I> => ({
      id,
      label,
      stage: under.id,
      group,
      heading: under.headings[group] as string,
      belongs: under.belongs,
      hint,
      options: Object.entries(options).map(([value, text]) => ({ value, label: text })),
      ...base,
      ...extra,
    });
}

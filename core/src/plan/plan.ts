import type { Acceptance } from '../stage';
import type { Reading } from '../measure';
import type {
  AnyField,
  ChoicesOf,
  Fact,
  LimitChange,
  PartSearch,
  PartsOf,
  Question,
  SearchIdOf,
  Section,
  VerdictsOf,
} from '../stage';
import { STAGES } from '../stages';
import { LIMITS, type LimitId } from './catalogue';

type Stages = (typeof STAGES)[number];

/** What is chosen, by what it is about. */
export type Choices = ChoicesOf<Stages>;
/** All that the counter is asked for, each answer kept with the plan. */
export type SearchId = SearchIdOf<Stages>;
/** Decisions of the builder’s, by what they are about. */
export type Verdicts = { readonly [K in keyof VerdictsOf<Stages>]: NonNullable<VerdictsOf<Stages>[K]> };
export type VerdictOn = keyof Verdicts;

/** A photo that belongs to a place in the plan. Its picture is kept by the server under its id. */
export interface Photo {
  /** Quantity, fact, `donor`, or `check.` and a check’s id. */
  readonly place: string;
  readonly caption: string;
  readonly who: string;
  /** ISO 8601. */
  readonly at: string;
}

/** What every plan has, whatever its stages hold. */
interface Common {
  readonly choices: Choices;
  /** By quantity id. */
  readonly readings: Readonly<Record<string, Reading>>;
  readonly limits: Readonly<Partial<Record<LimitId, LimitChange>>>;
  /** By check id. */
  readonly accepted: Readonly<Record<string, Acceptance>>;
  /** By fact id; what is not there is unknown. */
  readonly facts: Readonly<Record<string, Fact>>;
  readonly searches: Readonly<Partial<Record<SearchId, PartSearch>>>;
  readonly verdicts: Readonly<Partial<Verdicts>>;
  /** By photo id. */
  readonly photos: Readonly<Record<string, Photo>>;
}

/** All that is measured, chosen and limited for one way of doing the job. Everything else is derived. */
export type Plan = Common & PartsOf<Stages>;

const SECTIONS: readonly Section[] = STAGES.map((s) => s.section);
type Fields = Readonly<Record<string, AnyField>>;
const joined = (of: (section: Section) => unknown): Fields =>
  Object.assign({}, ...SECTIONS.map((section) => of(section) ?? {})) as Fields;

/** Fields of the plan that the stages bring, by their place in it. */
export const CHOICE_FIELDS = joined((s) => s.choices);
export const PART_FIELDS = joined((s) => s.parts);
/** Parts of the plan that are read or done at the bench: whoever only helps there writes nothing else. */
export const BENCH_PARTS: readonly string[] = [
  'readings',
  'facts',
  'photos',
  ...Object.entries(PART_FIELDS).flatMap(([key, { bench }]) => (bench ? [key] : [])),
];
/** What the counter is asked for, by its place in the plan. */
export const SEARCHES = joined((s) => s.searches) as unknown as Readonly<Record<SearchId, Question>>;
export const SEARCH_IDS = Object.keys(SEARCHES) as readonly SearchId[];

type Named = Readonly<Partial<Record<string, { readonly label?: string; readonly called?: string }>>>;

/** What every plan has, by how an entry of it is called. */
const COMMON_CALLED: Readonly<Record<keyof Common, (key: string) => string>> = {
  choices: (key) => CHOICE_FIELDS[key]?.called?.(key) ?? key,
  readings: (key) => `Reading ${key}`,
  limits: (key) => `Limit: ${(LIMITS as Named)[key]?.label ?? key}`,
  accepted: (key) => `Acceptance ${key}`,
  facts: (key) => `Fact ${key}`,
  searches: (key) => (SEARCHES as Named)[key]?.called ?? key,
  verdicts: (key) => `Verdict on the ${key}`,
  photos: (key) => `Photo ${key}`,
};

/**
 * What an entry of a part of the plan is called.
 *
 * @example entryName('verdicts', 'donor') // 'Verdict on the donor'
 */
export function entryName(part: keyof Plan, key: string): string {
  const called =
    PART_FIELDS[part]?.called ??
    (COMMON_CALLED as Readonly<Partial<Record<string, (key: string) => string>>>)[part];
  return called?.(key) ?? `${part} ${key}`;
}

export const VERDICT_FIELDS = joined((s) => s.verdicts);

const starts = (fields: Fields) =>
  Object.fromEntries(Object.entries(fields).map(([key, { start }]) => [key, start]));

/** A plan with nothing measured yet. */
export const EMPTY_PLAN = {
  ...starts(PART_FIELDS),
  choices: starts(CHOICE_FIELDS),
  readings: {},
  limits: {},
  accepted: {},
  facts: {},
  searches: {},
  verdicts: {},
  photos: {},
} as unknown as Plan;

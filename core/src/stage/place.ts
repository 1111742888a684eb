/**
 * Where something is edited, by stage. Each stage enters its own beside its words, so that a place that is none, or that
 * was misspelt, is a type error.
 */
// eslint-disable-next-line @typescript-eslint/no-empty-object-type -- every stage adds its own
export interface PlacesOfStages {}

/** Ids of the stages, and whose the checks of all are. */
export type StageName = keyof PlacesOfStages;

/** A place of the plan that can be gone to: a quantity, `fact.…`, or another that a stage names. */
export type PlaceId = PlacesOfStages[StageName];

/**
 * Places that are lacking, unless what they give is known.
 *
 * @example [...unless(tube, 'donor.tube.left'), ...unless(bore, 'tube.bore.left.a')]
 */
export const unless = <const P extends PlaceId>(known: unknown, ...places: readonly P[]): readonly P[] =>
  known ? [] : places;

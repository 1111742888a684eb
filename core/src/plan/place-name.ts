import { quantityInSentence, type Words } from '../stage';
import { STAGES } from '../stages';
import { factOfPlace, findEntry, findQuantity, type StageId } from './catalogue';

/** Places that are no quantity and no fact: their stage, and how they are called. */
const OTHERS: ReadonlyMap<string, { readonly stage: StageId; readonly name: string }> = new Map(
  STAGES.flatMap((stage) => {
    const { places = {} }: Words = stage;
    return Object.entries(places).map(([place, name]) => [place, { stage: stage.id, name }] as const);
  }),
);

/**
 * Name of what is missing, within a sentence: of a quantity, or of a fact as `fact.…`.
 *
 * @example placeName('donor.tube.left') // 'casting to housing end, left'
 */
export function placeName(id: string): string {
  if (factOfPlace(id) !== undefined) return (findEntry(id)?.label ?? id).toLowerCase();
  const q = findQuantity(id);
  return q ? quantityInSentence(q) : (OTHERS.get(id)?.name ?? id);
}

/**
 * Stage in which a place is edited; undefined where it is none of a stage’s.
 *
 * @example stageOfPlace('fact.donor.cable') // 'donor'
 */
export function stageOfPlace(place: string): StageId | undefined {
  return (findEntry(place)?.stage as StageId | undefined) ?? OTHERS.get(place)?.stage;
}

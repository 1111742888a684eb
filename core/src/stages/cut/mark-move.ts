import type { Side } from '../../geometry';
import type { CutMethod } from './choices';
import type { SideMarks } from './marks-result';

/** A choice that puts a cut in its place. */
export interface MarkMove {
  readonly quantityId: string;
  /** mm. */
  readonly value: number;
}

/**
 * What to choose so that the first mark comes to stand at a place: the mark itself, or how long the end piece is that
 * comes off and goes on again.
 *
 * @param place of the first mark from the casting face, mm
 */
export function markMove(marks: SideMarks, method: CutMethod, side: Side, place: number): MarkMove {
  if (method === 'slug') return { quantityId: `cut.mark.${side}`, value: place };
  const between = marks.outer.fromCasting.value - marks.inner.fromCasting.value;
  return { quantityId: `cut.endPiece.${side}`, value: marks.tube.value - place - between };
}

import type { Side } from '../../../geometry';
import type { SideMarks } from '../marks-result';
import type { CutMethod } from '../choices';
import type { MarkHandle } from '../../../drawing';

interface Place {
  readonly side: Side;
  readonly method: CutMethod;
  /** u of the casting face and the way outboard runs in the picture. */
  readonly casting: number;
  readonly outboard: 1 | -1;
  /** v of the handle. */
  readonly v: number;
}

/**
 * The handle that moves the cut along its tube: the first mark of a slug, or the edge of the end piece that
 * comes off and goes on again. None where there is no room to move.
 */
export function markHandles(marks: SideMarks | undefined, place: Place): readonly MarkHandle[] {
  if (!marks || marks.range[1] <= marks.range[0]) return [];
  const { side, casting, outboard, v } = place;
  const [least, most] = marks.range;
  const inner = marks.inner.fromCasting.value;
  if (place.method === 'slug')
    return [
      {
        quantityId: `cut.mark.${side}`,
        label: `First mark, ${side}`,
        at: [casting + outboard * inner, v],
        value: inner,
        min: least,
        max: most,
        direction: outboard,
      },
    ];
  // The end piece is measured from the housing end inboard, so it grows the other way.
  const outer = marks.outer.fromCasting.value;
  const toEnd = marks.tube.value - (outer - inner);
  return [
    {
      quantityId: `cut.endPiece.${side}`,
      label: `End piece, ${side}`,
      at: [casting + outboard * outer, v],
      value: marks.tube.value - outer,
      min: toEnd - most,
      max: toEnd - least,
      direction: outboard === 1 ? -1 : 1,
    },
  ];
}

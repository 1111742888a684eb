import type { MarkMove } from '../../drawing/view-svg';
import type { PlanStore } from '../../state/plan-store';

/** A bracket that is dragged is put where it was drawn to: from the casting face, and round the tube. */
export function moveBracket(store: PlanStore, { quantityId, value, other }: MarkMove): void {
  const id = quantityId.split('.')[1] ?? '';
  const b = store.plan().brackets[id];
  if (!b) return;
  const clock = other?.value ?? b.place?.clock;
  store.put('brackets', id, {
    ...b,
    place: { datum: 'casting', at: value, ...(clock === undefined ? {} : { clock }) },
  });
}

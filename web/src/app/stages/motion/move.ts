import type { Arm } from '@intervex/core/desks/motion';
import type { MarkMove } from '../../drawing/view-svg';
import type { PlanStore } from '../../state/plan-store';

/** The hole that a place is nearest to, counted from the lowest. */
export function nearestHole(arm: Arm, end: 'a' | 'c', x: number, z: number): number {
  const read = arm[`${end}Read`] ?? 1;
  const [x0, z0] = [arm[`${end}x`] ?? 0, arm[`${end}z`] ?? 0];
  const away = (hole: number): number => {
    const steps = hole - read;
    return Math.hypot(x0 + steps * (arm[`${end}StepX`] ?? 0) - x, z0 + steps * (arm[`${end}StepZ`] ?? 0) - z);
  };
  return Array.from({ length: arm[`${end}Holes`] ?? 1 }, (_, i) => i + 1).reduce((best, hole) =>
    away(hole) < away(best) ? hole : best,
  );
}

/** A link’s end that is dragged goes to the nearest hole of its bracket; one without holes where it was drawn to. */
export function moveArm(store: PlanStore, { quantityId, value, other }: MarkMove): void {
  const [, id = '', end = 'c'] = quantityId.split('.');
  const arm: Arm | undefined = store.plan().arms[id];
  if (!arm || (end !== 'a' && end !== 'c')) return;
  const [x, z] = end === 'a' ? [arm.ax, arm.az] : [arm.cx, arm.cz];
  if (x === undefined || z === undefined) return;
  const height = other?.value ?? z;
  if ((arm[`${end}Holes`] ?? 1) > 1)
    store.put('arms', id, { ...arm, [`${end}Use`]: nearestHole(arm, end, value, height) });
  else store.put('arms', id, { ...arm, tool: 'chosen', [`${end}x`]: value, [`${end}z`]: height });
}

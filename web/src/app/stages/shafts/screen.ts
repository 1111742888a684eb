import { bareLength, heldBy, shafts } from '@intervex/core';
import type { StageScreen } from '../../stage/screen';

export const shaftsScreen: StageScreen = {
  /** Lengths of the shafts, left and right. */
  note: ({ of, contradicted }, { unit, suffix }) => {
    const { left, right } = of(shafts).needs;
    if (!left || !right) return 'lengths not known';
    if ([left, right].some(({ fitted }) => heldBy(fitted, contradicted))) return 'readings contradict';
    // In so little room an inch is a decimal.
    const show = (mm: number) => (unit === 'mm' ? bareLength(mm, 'mm', 1) : bareLength(mm, 'in', 3));
    return `${show(left.fitted.value)} and ${show(right.fitted.value)} ${suffix}`;
  },
  open: () => import('./look').then((m) => m.look),
};

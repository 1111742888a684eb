import { bareLength, shafts } from '@intervex/core';
import type { StageScreen } from '../../stage/screen';

export const shaftsScreen: StageScreen = {
  /** Lengths of the shafts, left and right. */
  note: ({ of }, { unit, suffix }) => {
    const { left, right } = of(shafts).needs;
    if (!left || !right) return 'lengths not known';
    // In so little room an inch is a decimal.
    const show = (mm: number) => (unit === 'mm' ? bareLength(mm, 'mm', 1) : bareLength(mm, 'in', 2));
    return `${show(left.fitted.value)} and ${show(right.fitted.value)} ${suffix}`;
  },
  open: () => import('./look').then((m) => m.look),
};

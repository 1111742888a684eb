import type { StageScreen } from '../../stage/screen';

export const motionScreen: StageScreen = {
  note: ({ plan }, { counted }) => {
    const count = Object.keys(plan.arms).length;
    return count ? `${count} listed` : counted;
  },
  open: () => import('./look').then((m) => m.look),
};

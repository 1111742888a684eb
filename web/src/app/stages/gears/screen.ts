import { chosenSet } from '@intervex/core';
import type { StageScreen } from '../../stage/screen';

export const gearsScreen: StageScreen = {
  note: ({ of }, { counted }) => {
    const ratio = of(chosenSet)?.ratio;
    return ratio ? `${ratio.value.toFixed(2)} : 1` : counted;
  },
  open: () => import('./look').then((m) => m.look),
};

import { formatAngle, setSlope } from '@intervex/core';
import type { StageScreen } from '../../stage/screen';

export const drivelineScreen: StageScreen = {
  note: ({ of }, { counted }) => {
    const slope = of(setSlope);
    return slope ? `pinion ${formatAngle(slope.value, 1)}` : counted;
  },
  open: () => import('./look').then((m) => m.look),
};

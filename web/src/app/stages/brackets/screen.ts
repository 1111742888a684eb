import { places } from '@intervex/core';
import type { StageScreen } from '../../stage/screen';

export const bracketsScreen: StageScreen = {
  note: ({ of }, { counted }) => {
    const all = of(places);
    return all.length ? `${all.length} on the axle` : counted;
  },
  open: () => import('./look').then((m) => m.look),
};

import { cutDecisions } from '@intervex/core';
import type { StageScreen } from '../../stage/screen';

export const sheetsScreen: StageScreen = {
  note: ({ decisions }) => {
    const ids: readonly string[] = cutDecisions.map((d) => d.id);
    const lacking = decisions.some((d) => ids.includes(d.id) && d.lacks.length > 0);
    return lacking ? 'readings missing' : 'cut sheet';
  },
  open: () => import('./look').then((m) => m.look),
};

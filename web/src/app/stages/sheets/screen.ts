import type { StageScreen } from '../../stage/screen';

export const sheetsScreen: StageScreen = {
  note: ({ decisions }) =>
    decisions.some((d) => d.stage === 'cut' && d.lacks.length > 0) ? 'readings missing' : 'cut sheet',
  open: () => import('./look').then((m) => m.look),
};

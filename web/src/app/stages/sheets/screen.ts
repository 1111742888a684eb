import type { StageScreen } from '../../stage/screen';
import { MAIN_SHEET } from './main-sheet';

export const sheetsScreen: StageScreen = {
  note: ({ decisions }) => {
    const ids = MAIN_SHEET.decisions?.map((d) => d.id) ?? [];
    const lacking = decisions.some((d) => ids.includes(d.id) && d.lacks.length > 0);
    return lacking ? 'readings missing' : MAIN_SHEET.title.toLowerCase();
  },
  open: () => import('./look').then((m) => m.look),
};

import { countedNote, type StageScreen } from '../../stage/screen';

export const hubsScreen: StageScreen = {
  note: countedNote,
  open: () => import('./look').then((m) => m.look),
};

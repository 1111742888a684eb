import { countedNote, type StageScreen } from '../../stage/screen';

export const donorScreen: StageScreen = {
  note: countedNote,
  open: () => import('./look').then((m) => m.look),
};

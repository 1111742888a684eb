import type { StageScreen } from '../../stage/screen';

export const stanceScreen: StageScreen = {
  note: ({ plan }) => plan.choices.tyre || 'choose tyre and wheel',
  open: () => import('./look').then((m) => m.look),
};

import type { StageScreen } from '../../stage/screen';

export const briefScreen: StageScreen = {
  note: ({ plan, known }, { show }) => {
    const width = known.get('brief.targetWidth')?.figure.value;
    return width === undefined ? plan.brief.vehicle || 'say what and why' : show(width, 0);
  },
  open: () => import('./look').then((m) => m.look),
};

import { SCHOOL_NAMES } from '@intervex/core';
import type { StageScreen } from '../../stage/screen';

export const cutScreen: StageScreen = {
  note: ({ plan }) => SCHOOL_NAMES[plan.choices.school].toLowerCase(),
  open: () => import('./look').then((m) => m.look),
};

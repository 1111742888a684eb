import type { StageId } from '@intervex/core';
import type { StageScreen } from '../stage/screen';
import { bracketsScreen } from './brackets/screen';
import { briefScreen } from './brief/screen';
import { cutScreen } from './cut/screen';
import { donorScreen } from './donor/screen';
import { drivelineScreen } from './driveline/screen';
import { gearsScreen } from './gears/screen';
import { hubsScreen } from './hubs/screen';
import { shaftsScreen } from './shafts/screen';
import { motionScreen } from './motion/screen';
import { sheetsScreen } from './sheets/screen';
import { stanceScreen } from './stance/screen';
import { surveyScreen } from './survey/screen';

/** How each stage looks. This is the only list of them on the page. */
export const SCREENS: Readonly<Record<StageId, StageScreen>> = {
  brief: briefScreen,
  survey: surveyScreen,
  donor: donorScreen,
  stance: stanceScreen,
  cut: cutScreen,
  shafts: shaftsScreen,
  hubs: hubsScreen,
  driveline: drivelineScreen,
  gears: gearsScreen,
  brackets: bracketsScreen,
  motion: motionScreen,
  sheets: sheetsScreen,
};

/** The stage that a plan opens with. */
export const MAIN_STAGE: StageId = 'cut';

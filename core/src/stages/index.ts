import { bracketsStage } from './brackets/stage';
import { briefStage } from './brief/stage';
import { cutStage } from './cut/stage';
import { donorStage } from './donor/stage';
import { drivelineStage } from './driveline/stage';
import { gearsStage } from './gears/stage';
import { hubsStage } from './hubs/stage';
import { shaftsStage } from './shafts/stage';
import { motionStage } from './motion/stage';
import { sheetsStage } from './sheets/stage';
import { stanceStage } from './stance/stage';
import { surveyStage } from './survey/stage';

/** The stages of the work, in working order. This is the only list of them. */
export const STAGES = [
  briefStage,
  surveyStage,
  donorStage,
  stanceStage,
  cutStage,
  shaftsStage,
  hubsStage,
  drivelineStage,
  gearsStage,
  bracketsStage,
  motionStage,
  sheetsStage,
] as const;

// What each gives to those outside.
export * from './brackets';
export * from './brief';
export * from './cut';
export * from './donor';
export * from './driveline';
export * from './gears';
export * from './hubs';
export * from './shafts';
export * from './sheets/cautions';
export * from './stance';
export * from './survey';

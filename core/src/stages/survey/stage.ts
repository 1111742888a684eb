import { stage } from '../../stage';
import { closes, slopes, stands } from './checks';
import { levelDecision, roomDecision, surveyDecision } from './decisions';
import { room } from './figures/car';
import { levelDoubt } from './figures/level-doubt';
import { survey } from './words';

/** The stage with all that it computes. */
export const surveyStage = stage(survey, {
  figures: [room],
  checks: [stands, closes, slopes],
  decisions: [levelDecision, surveyDecision, roomDecision],
  walked: 'Survey of the car',
  state: { decisions: [surveyDecision, roomDecision, levelDecision] },
  notLevel: levelDoubt,
});

import { stage } from '../../stage';
import { holds, studWhole } from './checks';
import { brakesDecision, patternDecision, studsDecision } from './decisions';
import { hubs } from './words';

/** The stage with all that it computes. */
export const hubsStage = stage(hubs, {
  checks: [holds, studWhole],
  decisions: [patternDecision, studsDecision, brakesDecision],
  state: { decisions: [patternDecision, studsDecision, brakesDecision] },
});

import { stage } from '../../stage';
import { holds } from './checks';
import { brakesDecision, patternDecision, studsDecision } from './decisions';
import { hubs } from './words';
import { brakeSheet } from './sheets/brakes';
import { hubSheet } from './sheets/hubs';

/** The stage with all that it computes. */
export const hubsStage = stage(hubs, {
  checks: [holds],
  decisions: [patternDecision, studsDecision, brakesDecision],
  sheets: [brakeSheet, hubSheet],
  state: { decisions: [patternDecision, studsDecision, brakesDecision] },
});

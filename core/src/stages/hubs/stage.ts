import { stage } from '../../stage';
import { holds } from './checks';
import { brakesDecision, patternDecision, studsDecision } from './decisions';
import { PATTERN_FACES } from './choices';
import { hubs } from './words';

/** The stage with all that it computes. */
export const hubsStage = stage(hubs, {
  checks: [holds],
  decisions: [patternDecision, studsDecision, brakesDecision],
  places: Object.fromEntries(PATTERN_FACES.map((face) => [`pattern.${face}`, `the holes of the ${face}`])),
  state: { decisions: [patternDecision, studsDecision, brakesDecision] },
});

import { stage } from '../../stage';
import { cuts, tools, tubeWork } from './checks';
import { cutDecision, cutDecisions, marksDecision, shaftsDecision } from './decisions';
import { school } from './figures/schools';
import { node } from './node';
import { strip } from './strip';
import { cut } from './words';

/** The stage with all that it computes. */
export const cutStage = stage(cut, {
  checks: [tools, cuts, tubeWork],
  decisions: cutDecisions,
  strip,
  asked: node('asked', (r) => r.of(school) !== undefined),
  state: {
    after: [cutDecision, marksDecision, shaftsDecision],
    decisions: cutDecisions,
  },
});

import { stage } from '../../stage';
import { cuts, tools, tubeWork } from './checks';
import { cutDecision, engagementDecision, marksDecision, shaftsDecision } from './decisions';
import { school } from './figures/schools';
import { node } from './node';
import { strip } from './strip';
import { cut } from './words';
import { cutSheet } from './sheets/cut-sheet';
import { wallSheet } from './sheets/wall-sheet';

/** The stage with all that it computes. */
export const cutStage = stage(cut, {
  checks: [tools, cuts, tubeWork],
  decisions: [cutDecision, marksDecision, shaftsDecision, engagementDecision],
  strip,
  asked: node('asked', (r) => r.of(school) !== undefined),
  sheets: [cutSheet, wallSheet],
  state: {
    after: [cutDecision, marksDecision, shaftsDecision],
    decisions: [cutDecision, marksDecision, shaftsDecision, engagementDecision],
  },
});

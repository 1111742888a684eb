import { stage } from '../../stage';
import { cutDecision, marksDecision, shaftsDecision } from '../cut/decisions';
import { school } from '../cut/figures/schools';
import { bears, fit, halfSaid } from './checks';
import { strengthDecision } from './decisions';
import { inUse } from './figures/in-use';
import { node } from './node';
import { strip } from './strip';
import { shafts } from './words';

/** The stage with all that it computes. */
export const shaftsStage = stage(shafts, {
  checks: [fit, bears, halfSaid],
  decisions: [strengthDecision],
  strip,
  asked: node('asked', (r) => r.of(school) !== undefined),
  instead: inUse,
  state: { after: [cutDecision, marksDecision, shaftsDecision], decisions: [strengthDecision] },
});

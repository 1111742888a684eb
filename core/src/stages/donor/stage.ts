import { stage } from '../../stage';
import { cutDecision, engagementDecision, marksDecision, shaftsDecision } from '../cut/decisions';
import { bears, closes, condition, fits, ratioHolds, slips } from './checks/donor';
import { evidence } from './checks/evidence';
import { ratioDecision } from './decisions';
import { budgetCheck, dateCheck, pricedTwice } from './figures/route-cost';
import { node } from './node';
import { strip } from './strip';
import { donor } from './words';

/** The stage with all that it computes. */
export const donorStage = stage(donor, {
  checks: [budgetCheck, dateCheck, pricedTwice, closes, ratioHolds, slips, condition, bears, fits, evidence],
  decisions: [ratioDecision],
  strip,
  walked: 'Donor, at the seller’s',
  state: {
    decisions: [ratioDecision],
    lacks: node('unjudged', (r) => !r.verdict('donor')),
    readsFor: [cutDecision, marksDecision, shaftsDecision, engagementDecision],
  },
});

import { stage } from '../../stage';
import { aimed, bends, bendsOver, possible, settles, shakes } from './checks/angles';
import { clears, runs, slips } from './checks/shaft';
import { welds } from './checks/welded';
import { bench, turns } from './figures/bench';
import { overTravel } from './figures/band';
import { asRead, datums } from './figures/datums';
import { lengthDecision, perchDecision, slopeDecision } from './decisions';
import { node } from './node';
import { strip } from './strip';
import { driveline } from './words';

/** The stage with all that it computes. */
export const drivelineStage = stage(driveline, {
  checks: [possible, shakes, bends, bendsOver, aimed, settles, welds, runs, slips, clears],
  decisions: [slopeDecision, lengthDecision, perchDecision],
  strip,
  figures: [datums, asRead, bench, turns, overTravel],
  begun: node('begun', (r) => r.choice('aim') !== 'undecided' || r.choice('suspension') !== 'unsaid'),
  state: { decisions: [slopeDecision, lengthDecision, perchDecision] },
});

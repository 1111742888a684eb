import { stage } from '../../stage';
import { clears } from './checks';
import { stanceDecision } from './decisions';
import { node } from './node';
import { strip } from './strip';
import { stance } from './words';

/** The stage with all that it computes. */
export const stanceStage = stage(stance, {
  checks: [clears],
  decisions: [stanceDecision],
  strip,
  begun: node('begun', (r) => r.choice('tyre') !== '' || r.choice('spacer') !== 'none'),
  state: { decisions: [stanceDecision], lacks: node('lacks', (r) => r.choice('tyre') === '') },
});

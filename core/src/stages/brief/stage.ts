import { stage } from '../../stage';
import { openings, weights } from './checks';
import { torqueDecision } from './decisions';
import { node } from './node';
import { strip } from './strip';
import { brief } from './words';

/** The stage with all that it computes. */
export const briefStage = stage(brief, {
  checks: [weights, openings],
  decisions: [torqueDecision],
  strip,
  openings: node('openings', (r) => r.part('open')),
  begun: node(
    'begun',
    (r) => !!(r.field('brief', 'vehicle') || r.field('brief', 'donor') || r.field('brief', 'notes')),
  ),
  state: { lacks: node('lacks', (r) => !r.field('brief', 'vehicle') || !r.wasRead('brief.targetWidth')) },
});

import type { DecisionDef } from '../../stage';
import { node } from './node';

export const ratioDecision: DecisionDef = {
  id: 'ratio',
  label: 'The donor’s ratio',
  needs: node('ratioNeeds', (r) =>
    r.figure('ratio.pinionTurns') ? ['ratio.wheelTurns', 'fact.ratio.how'] : ['ratio.ring', 'ratio.pinion'],
  ),
};

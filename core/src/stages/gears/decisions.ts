import { type DecisionDef, unless } from '../../stage';
import { circumference } from './figures/road';
import { chosenSet } from './figures/ratios';
import { node } from './node';

export const ratioDecision: DecisionDef = {
  id: 'axleRatio',
  label: 'The axle ratio',
  needs: node('ratioNeeds', (r) => [
    ...unless(r.of(circumference), 'brief.tyreDiameter'),
    ...unless(r.of(chosenSet), 'gear.set'),
  ]),
  rests: node('ratioRests', (r) => [r.of(chosenSet)?.ratio, r.of(chosenSet)?.launch]),
};

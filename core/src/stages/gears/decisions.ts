import type { DecisionDef } from '../../stage';
import { circumference } from './figures/road';
import { chosenSet } from './figures/ratios';
import { node } from './node';

export const ratioDecision: DecisionDef = {
  id: 'axleRatio',
  label: 'The axle ratio',
  needs: node('ratioNeeds', (r) => [
    ...(r.of(circumference) ? [] : ['brief.tyreDiameter']),
    ...(r.of(chosenSet) ? [] : ['gear.set']),
  ]),
  rests: node('ratioRests', (r) => [r.of(chosenSet)?.ratio, r.of(chosenSet)?.launch]),
};

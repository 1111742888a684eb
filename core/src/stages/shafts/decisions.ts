import { SIDES } from '../../geometry';
import type { DecisionDef } from '../../stage';
import { node } from './node';

const sides = (id: string): string[] => SIDES.map((side) => `${id}.${side}`);

export const strengthDecision: DecisionDef = {
  id: 'strength',
  label: 'What the shafts bear',
  needs: node('strengthNeeds', (r) => [
    ...(r.choice('school') === 'stockShafts' ? [] : sides('donor.shaft')),
    ...(r.wasRead('shaft.body') ? [] : sides('donor.shaftBody')),
    'donor.splineTeeth',
    'donor.splinePitch',
    ...(r.wasRead('shaft.yield') ? [] : ['fact.donor.material']),
  ]),
};

import { SIDES } from '../../geometry';
import { type DecisionDef, unless, type PlaceId } from '../../stage';
import { node } from './node';

export const strengthDecision: DecisionDef = {
  id: 'strength',
  label: 'What the shafts bear',
  needs: node('strengthNeeds', (r): readonly PlaceId[] => [
    ...(r.choice('school') === 'stockShafts' ? [] : SIDES.map((side) => `donor.shaft.${side}` as const)),
    ...(r.wasRead('shaft.body') ? [] : SIDES.map((side) => `donor.shaftBody.${side}` as const)),
    'donor.splineTeeth',
    'donor.splinePitch',
    ...unless(r.wasRead('shaft.yield'), 'fact.donor.material'),
  ]),
};

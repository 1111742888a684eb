import { type DecisionDef, type PlaceId, unless } from '../../stage';
import { demand } from './figures/torque';
import { node } from './node';

/** Readings the torque demand rests on. Gearbox ratios are no reading; the brief asks for them itself. */
const torqueNeeds = node('torqueNeeds', (r): readonly PlaceId[] => {
  const peak = unless(r.field('brief', 'torqueCurve').length > 0, 'brief.torque');
  return [
    'brief.targetWidth',
    'brief.front',
    'brief.rear',
    'brief.wheelbase',
    'brief.tyreDiameter',
    ...peak,
    'brief.axleRatio',
  ];
});

export const torqueDecision: DecisionDef = {
  id: 'torque',
  label: 'The torque each shaft must carry',
  needs: torqueNeeds,
  rests: node('torqueRests', (r) => [r.of(demand)]),
  gives: { id: 'brief.demand', figure: demand },
};

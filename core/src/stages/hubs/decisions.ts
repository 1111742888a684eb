import { SIDES } from '../../geometry';
import { type DecisionDef, unless, type PlaceId } from '../../stage';
import { ends } from '../cut/figures/ends';
import { node } from './node';

export const patternDecision: DecisionDef = {
  id: 'pattern',
  label: 'Whether flange and wheel agree',
  needs: node('patternNeeds', () => [
    'donor.flangeHoles',
    'donor.flangePcd',
    'donor.flangeHole',
    'car.wheelHoles',
    'car.wheelPcd',
  ]),
};

export const studsDecision: DecisionDef = {
  id: 'studs',
  label: 'Whether studs and nuts hold',
  needs: node('studsNeeds', (r): readonly PlaceId[] => {
    const spacer = r.choice('spacer');
    return [
      'stud.length',
      'stud.hat',
      'stud.pad',
      'stud.nut',
      'stud.torque',
      'fact.new.studClass',
      ...unless(spacer === 'none', 'spacer.thick'),
      ...unless(spacer !== 'adapter', 'adapter.floor', 'adapter.nut', 'adapter.stud'),
    ];
  }),
};

export const brakesDecision: DecisionDef = {
  id: 'brakes',
  label: 'Where rotor and caliper stand',
  needs: node('brakesNeeds', (r): readonly PlaceId[] => [
    ...SIDES.map((side) => `donor.brakeSpace.${side}` as const),
    // Sizes of other ends that are not known.
    ...SIDES.flatMap((side) => r.of(ends).lacks[side].ends),
    'rotor.offset',
    'caliper.middle',
  ]),
};

import type { DecisionDef, PlaceId } from '../../stage';
import { arms } from './figures/arms';
import { holding } from './figures/held';
import { node } from './node';

/** The links’ lengths and places: all that holds the axle has to be placed, and its travel known. */
export const linksDecision: DecisionDef = {
  id: 'suspension',
  label: 'The suspension’s links',
  needs: node('linksNeeds', (r): readonly PlaceId[] =>
    // A casting that the car holds has a motion of its own.
    r.choice('suspension') === 'independent'
      ? []
      : [...r.of(holding).lacks, ...(['spring.bump', 'spring.droop'] as const).filter((id) => !r.figure(id))],
  ),
  rests: node('linksRests', (r) => r.of(arms).map(({ length }) => length)),
};

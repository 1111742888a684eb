import { UNDER } from './headings';
import { words, type PlaceOf } from '../../stage';
import { GEARS_SECTION } from './choices';
import { GEARS_LIMITS } from './limits';
import { GEARS_QUANTITIES } from './quantities';

export const gears = words({
  id: 'gears',
  title: 'Gears',
  headings: UNDER.headings,
  quantities: GEARS_QUANTITIES,
  facts: [],
  limits: GEARS_LIMITS,
  section: GEARS_SECTION,
  places: {
    'gear.set': 'which gear set is fitted',
    'gear.trials': 'the trials of the gear set',
  },
});

declare module '../../stage/place' {
  interface PlacesOfStages {
    readonly gears: PlaceOf<typeof gears>;
  }
}

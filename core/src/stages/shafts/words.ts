import { UNDER } from './headings';
import { words, type PlaceOf } from '../../stage';
import { SHAFT_SECTION } from './choices';
import { SHAFT_LIMITS } from './limits';
import { SHAFT_QUANTITIES } from './quantities';

export const shafts = words({
  id: 'shafts',
  title: 'Shafts',
  headings: UNDER.headings,
  quantities: SHAFT_QUANTITIES,
  facts: [],
  limits: SHAFT_LIMITS,
  section: SHAFT_SECTION,
  places: { 'shaft.pair': 'a pair of shafts from stock' },
});

declare module '../../stage/place' {
  interface PlacesOfStages {
    readonly shafts: PlaceOf<typeof shafts>;
  }
}

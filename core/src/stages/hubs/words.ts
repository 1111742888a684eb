import { UNDER } from './headings';
import { words, type PlaceOf } from '../../stage';
import { HUB_SECTION } from './choices';
import { HUB_FACTS } from './facts';
import { HUB_LIMITS } from './limits';
import { HUB_QUANTITIES } from './quantities';

export const hubs = words({
  id: 'hubs',
  title: 'Hub ends',
  headings: UNDER.headings,
  quantities: HUB_QUANTITIES,
  facts: HUB_FACTS,
  limits: HUB_LIMITS,
  section: HUB_SECTION,
  places: {
    'pattern.flange': 'the holes of the flange',
    'pattern.wheel': 'the holes of the wheel',
    'pattern.rotor': 'the holes of the rotor',
    'line.list': 'the brake lines',
  },
});

declare module '../../stage/place' {
  interface PlacesOfStages {
    readonly hubs: PlaceOf<typeof hubs>;
  }
}

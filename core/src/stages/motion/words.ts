import { UNDER } from './headings';
import { words, type PlaceOf } from '../../stage';
import { MOTION_SECTION } from './choices';
import { MOTION_LIMITS } from './limits';
import { MOTION_QUANTITIES } from './quantities';

export const motion = words({
  id: 'motion',
  title: 'Motion',
  headings: UNDER.headings,
  quantities: MOTION_QUANTITIES,
  facts: [],
  limits: MOTION_LIMITS,
  section: MOTION_SECTION,
  places: {
    'arm.list': 'the list of links, springs and dampers',
    'obstacle.list': 'the list of what is in the way',
    'motion.way': 'what holds the axle against turning',
  },
});

declare module '../../stage/place' {
  interface PlacesOfStages {
    readonly motion: PlaceOf<typeof motion>;
  }
}

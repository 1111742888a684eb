import { UNDER } from './headings';
import { words, type PlaceOf } from '../../stage';
import { DRIVELINE_SECTION } from './choices';
import { DRIVELINE_LIMITS } from './limits';
import { DRIVELINE_QUANTITIES } from './quantities';

export const driveline = words({
  id: 'driveline',
  title: 'Driveline',
  headings: UNDER.headings,
  quantities: DRIVELINE_QUANTITIES,
  facts: [],
  limits: DRIVELINE_LIMITS,
  section: DRIVELINE_SECTION,
  places: { 'drive.aim': 'how the pinion is aimed' },
});

declare module '../../stage/place' {
  interface PlacesOfStages {
    readonly driveline: PlaceOf<typeof driveline>;
  }
}

import { UNDER } from './headings';
import { words, type PlaceOf } from '../../stage';
import { STANCE_SECTION } from './choices';
import { STANCE_FACTS } from './facts';
import { STANCE_LIMITS } from './limits';
import { STANCE_QUANTITIES } from './quantities';

export const stance = words({
  id: 'stance',
  title: 'Stance',
  headings: UNDER.headings,
  quantities: STANCE_QUANTITIES,
  facts: STANCE_FACTS,
  limits: STANCE_LIMITS,
  section: STANCE_SECTION,
});

declare module '../../stage/place' {
  interface PlacesOfStages {
    readonly stance: PlaceOf<typeof stance>;
  }
}

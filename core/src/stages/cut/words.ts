import { UNDER } from './headings';
import { words, type PlaceOf } from '../../stage';
import { CUT_SECTION } from './choices';
import { CUT_LIMITS } from './limits';
import { CUT_QUANTITIES } from './quantities';

export const cut = words({
  id: 'cut',
  title: 'Cut',
  headings: UNDER.headings,
  quantities: CUT_QUANTITIES,
  facts: [],
  limits: CUT_LIMITS,
  section: CUT_SECTION,
});

declare module '../../stage/place' {
  interface PlacesOfStages {
    readonly cut: PlaceOf<typeof cut>;
  }
}

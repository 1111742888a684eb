import { UNDER } from './headings';
import { words, type PlaceOf } from '../../stage';
import { BRACKETS_SECTION } from './choices';
import { BRACKET_LIMITS } from './limits';
import { BRACKET_QUANTITIES } from './quantities';

export const brackets = words({
  id: 'brackets',
  title: 'Brackets',
  headings: UNDER.headings,
  quantities: BRACKET_QUANTITIES,
  facts: [],
  limits: BRACKET_LIMITS,
  section: BRACKETS_SECTION,
  places: {
    'bracket.list': 'the list of brackets',
    'link.list': 'the list of links',
    'joint.list': 'the list of bolts and holes',
  },
});

declare module '../../stage/place' {
  interface PlacesOfStages {
    readonly brackets: PlaceOf<typeof brackets>;
  }
}

import { UNDER } from './headings';
import { words, type PlaceOf } from '../../stage';
import { BRIEF_SECTION } from './choices';
import { BRIEF_LIMITS } from './limits';
import { BRIEF_QUANTITIES } from './quantities';

export const brief = words({
  id: 'brief',
  title: 'Brief',
  headings: UNDER.headings,
  quantities: BRIEF_QUANTITIES,
  facts: [],
  limits: BRIEF_LIMITS,
  section: BRIEF_SECTION,
  places: {
    'brief.demand': 'the torque each shaft must carry',
    'brief.torqueCurve': 'the torque curve',
    'brief.gears': 'the gearbox ratios',
    'brief.tools': 'the tools at hand',
    'brief.skills': 'the skills at hand',
    'brief.open': 'what may still change',
  },
});

declare module '../../stage/place' {
  interface PlacesOfStages {
    readonly brief: PlaceOf<typeof brief>;
  }
}

import { UNDER } from './headings';
import { words, type PlaceOf } from '../../stage';
import { SURVEY_FACTS } from './facts';
import { SURVEY_LIMITS } from './limits';
import { SURVEY_QUANTITIES } from './quantities';

export const survey = words({
  id: 'survey',
  title: 'Survey',
  headings: UNDER.headings,
  quantities: SURVEY_QUANTITIES,
  facts: SURVEY_FACTS,
  limits: SURVEY_LIMITS,
  section: {},
});

declare module '../../stage/place' {
  interface PlacesOfStages {
    readonly survey: PlaceOf<typeof survey>;
  }
}

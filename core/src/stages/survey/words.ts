import { words } from '../../stage';
import { SURVEY_FACTS } from './facts';
import { SURVEY_LIMITS } from './limits';
import { SURVEY_QUANTITIES } from './quantities';

export const survey = words({
  id: 'survey',
  title: 'Survey',
  quantities: SURVEY_QUANTITIES,
  facts: SURVEY_FACTS,
  limits: SURVEY_LIMITS,
  section: {},
});

import { words } from '../../stage';
import { BRIEF_SECTION } from './choices';
import { BRIEF_LIMITS } from './limits';
import { BRIEF_QUANTITIES } from './quantities';

export const brief = words({
  id: 'brief',
  title: 'Brief',
  quantities: BRIEF_QUANTITIES,
  facts: [],
  limits: BRIEF_LIMITS,
  section: BRIEF_SECTION,
});

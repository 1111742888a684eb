import { words } from '../../stage';
import { BRACKETS_SECTION } from './choices';
import { BRACKET_LIMITS } from './limits';
import { BRACKET_QUANTITIES } from './quantities';

export const brackets = words({
  id: 'brackets',
  title: 'Brackets',
  quantities: BRACKET_QUANTITIES,
  facts: [],
  limits: BRACKET_LIMITS,
  section: BRACKETS_SECTION,
});

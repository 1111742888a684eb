import { words } from '../../stage';
import { GEARS_SECTION } from './choices';
import { GEARS_LIMITS } from './limits';
import { GEARS_QUANTITIES } from './quantities';

export const gears = words({
  id: 'gears',
  title: 'Gears',
  quantities: GEARS_QUANTITIES,
  facts: [],
  limits: GEARS_LIMITS,
  section: GEARS_SECTION,
});

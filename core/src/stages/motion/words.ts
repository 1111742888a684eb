import { words } from '../../stage';
import { MOTION_SECTION } from './choices';
import { MOTION_LIMITS } from './limits';
import { MOTION_QUANTITIES } from './quantities';

export const motion = words({
  id: 'motion',
  title: 'Motion',
  quantities: MOTION_QUANTITIES,
  facts: [],
  limits: MOTION_LIMITS,
  section: MOTION_SECTION,
});

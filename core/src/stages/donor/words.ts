import { words } from '../../stage';
import { DONOR_SECTION } from './choices';
import { DONOR_FACTS } from './facts';
import { DONOR_LIMITS } from './limits';
import { DONOR_QUANTITIES } from './quantities';

export const donor = words({
  id: 'donor',
  title: 'Donor',
  quantities: DONOR_QUANTITIES,
  facts: DONOR_FACTS,
  limits: DONOR_LIMITS,
  section: DONOR_SECTION,
});

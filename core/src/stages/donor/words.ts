import { UNDER } from './headings';
import { words, type PlaceOf } from '../../stage';
import { DONOR_SECTION } from './choices';
import { JOINT_PLACES } from './joints/choices';
import { DONOR_FACTS } from './facts';
import { DONOR_LIMITS } from './limits';
import { DONOR_QUANTITIES } from './quantities';

export const donor = words({
  id: 'donor',
  title: 'Donor',
  headings: UNDER.headings,
  quantities: DONOR_QUANTITIES,
  facts: DONOR_FACTS,
  limits: DONOR_LIMITS,
  section: DONOR_SECTION,
  places: { donor: 'the decision on the donor', 'donor.retention': 'what holds the shafts', ...JOINT_PLACES },
});

declare module '../../stage/place' {
  interface PlacesOfStages {
    readonly donor: PlaceOf<typeof donor>;
  }
}

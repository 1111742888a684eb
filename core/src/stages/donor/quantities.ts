import { DONOR_ANGLES } from './angle-quantities';
import { CENTRE, donorSide } from './axle-quantities';
import { DONOR_JUDGED } from './judged-quantities';
import { DONOR_MATING } from './mating-quantities';

/** What is read of the donor, in walking order along it. */
export const DONOR_QUANTITIES = [
  ...donorSide('left'),
  ...CENTRE,
  ...donorSide('right'),
  ...DONOR_JUDGED,
  ...DONOR_MATING,
  ...DONOR_ANGLES,
];

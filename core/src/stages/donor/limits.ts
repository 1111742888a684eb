import { lengthLimit } from '../../stage';

/** What its checks compare with. */
export const DONOR_LIMITS = [
  lengthLimit('donor.wall', 'Tube inside as read against outside less walls', 1, 20),
  lengthLimit('donor.closure', 'Donor readings that must add up', 2, 50),
  lengthLimit('donor.splineMajor', 'Spline major diameter against the standard', 0.3, 5),
  lengthLimit('cond.runout', 'Run-out of the wheel face', 0.15, 3),
  lengthLimit('cond.journal', 'Wear of a bearing journal', 0.03, 1),
  lengthLimit('cond.straight', 'Tubes out of straight', 1, 20),
];

import { SIDES, type Side } from '../../geometry';
import { quantities } from './headings';

/** Steepest slope that is taken for a reading, rad. */
const STEEP = 1.3;
const onDonor = quantities('angles', { unit: 'rad', instrument: 'angleGauge', datum: 'level', relative: true });
const slope = <const I extends string>(id: I, label: string, hint: string, side?: Side) =>
  onDonor(id, label, hint, [-STEEP, STEEP], side ? { side } : {});

/** Angles of the donor on the bench, by the flat of its casting. */
export const DONOR_ANGLES = [
  slope('donor.angle.flat', 'Flat of the donor casting', 'A machined flat, to zero the gauge on.'),
  slope('donor.angle.pinion', 'Donor pinion slope', 'Face of the pinion flange, turned to a slope.'),
  ...SIDES.map((side) =>
    slope(`donor.angle.perch.${side}`, 'Donor perch slope', 'On the perch as it came.', side),
  ),
];

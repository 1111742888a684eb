import { donorStage } from '../donor-stage';
import { node } from '../node';

/** The donor as it was read on the bench. */
export const axle = node('axle', (r) =>
  donorStage({
    halfLeft: r.figure('donor.half.left'),
    halfRight: r.figure('donor.half.right'),
    width: r.figure('donor.width'),
    castingLeft: r.figure('donor.casting.left'),
    castingRight: r.figure('donor.casting.right'),
    tubeLeft: r.figure('donor.tube.left'),
    tubeRight: r.figure('donor.tube.right'),
    brakeSpaceLeft: r.figure('donor.brakeSpace.left'),
    brakeSpaceRight: r.figure('donor.brakeSpace.right'),
    teeth: r.figure('donor.splineTeeth'),
    pitch: r.figure('donor.splinePitch'),
    splineMajor: r.figure('donor.splineMajor'),
  }),
);

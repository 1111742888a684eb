import { idsOf } from '../../../stage';
import { CAR_ANGLES } from '../angle-quantities';
import { DONOR_ANGLES } from '../../donor/angle-quantities';
import { anglesStage } from '../angles-stage';
import { levelStage } from '../level-stage';
import { node } from '../node';
import { roomStage } from '../room-stage';
import { surveyStage } from '../survey-stage';

const ANGLES = [...CAR_ANGLES, ...DONOR_ANGLES];
const ANGLE_IDS = idsOf(ANGLES);

/** How the car stands. */
export const level = node('level', (r) => levelStage(r.figure));

/** The axle that is in the car, its springs and mounts. */
export const oldAxle = node('oldAxle', (r) =>
  surveyStage({
    left: r.figure('survey.left'),
    right: r.figure('survey.right'),
    width: r.figure('survey.width'),
    mountLeft: r.figure('spring.mount.left'),
    mountRight: r.figure('spring.mount.right'),
    shockLeft: r.figure('shock.length.left'),
    shockRight: r.figure('shock.length.right'),
    bolt: r.figure('spring.bolt'),
    hole: r.figure('spring.hole'),
    tubeOd: r.figure('survey.tubeOd'),
    donorTubeOd: r.figure('donor.tubeOd'),
  }),
);

/** Every angle that was read, against what the gauge was zeroed on and against level. */
export const angles = node('angles', (r) =>
  anglesStage({
    angles: ANGLES,
    figures: r.figure,
    zeroedOn: Object.fromEntries(ANGLE_IDS.map((id) => [id, r.zeroedOn(id)])),
  }),
);

/** Least wheel room of each side and pose. */
export const room = node('room', (r) => roomStage(r.figure));

import { angleLimit, lengthLimit, limit, shareLimit } from '../../stage';

/** What its checks compare with. */
export const DRIVELINE_LIMITS = [
  limit('drive.torsional', 'Torsional acceleration of the pinion, good', 'rad/s2', 400, [20, 5000]),
  limit('drive.torsionalMost', 'Torsional acceleration of the pinion, most', 'rad/s2', 800, [20, 8000]),
  limit('drive.inertia', 'Inertia acceleration of a shaft', 'rad/s2', 1000, [50, 8000]),
  angleLimit('drive.leastJoint', 'Least angle of a joint', 0.5, 3),
  angleLimit('drive.fastJoint', 'Angle of a joint for a fast shaft', 3, 12),
  angleLimit('drive.mostJoint', 'Most angle of a joint, running steadily', 8, 30),
  angleLimit('drive.evenPinion', 'Pinion joint behind an even joint', 1, 8),
  angleLimit('drive.evenMost', 'Even joint, running steadily', 20, 45),
  shareLimit('drive.critical', 'Driveshaft’s speed over its critical speed', 0.75),
  angleLimit('drive.weldedOff', 'Pinion welded off what was wanted', 0.5, 5),
  lengthLimit('drive.bottomLeft', 'Slip joint left to bottom', 20, 100),
  lengthLimit('drive.engagedLeft', 'Spline engaged beyond the least', 25, 100),
  lengthLimit('drive.clear', 'Driveshaft clear of floor and tunnel', 12, 100),
];

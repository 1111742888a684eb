import { lengthLimit, limit } from '../../stage';

/** What its checks compare with. */
export const GEARS_LIMITS = [
  lengthLimit('gear.backlashLeast', 'Backlash, least', 0.15, 1),
  lengthLimit('gear.backlashMost', 'Backlash, most', 0.25, 1),
  lengthLimit('gear.backlashRange', 'Backlash from tooth to tooth', 0.08, 0.5),
  limit('gear.axles', 'Front against rear axle, turns', 'ratio', 0.01, [0.001, 0.1]),
  limit('gear.speedo', 'Speedometer off by', 'ratio', 0.04, [0.005, 0.5]),
];

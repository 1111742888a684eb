import { lengthLimit, limit, shareLimit } from '../../stage';

/** What its checks compare with. */
export const HUB_LIMITS = [
  lengthLimit('pattern.agree', 'Readings of one hole pattern against each other', 0.4, 5),
  lengthLimit('pattern.ligament', 'Metal left between holes', 6, 40),
  limit('pattern.ligamentShare', 'Metal left over the hole', 'ratio', 0.5, [0.1, 3]),
  limit('pattern.rim', 'Hole centre to an edge over the hole', 'ratio', 1.25, [0.6, 3]),
  limit('stud.engagement', 'Thread engaged over its diameter', 'count', 1, [0.5, 3]),
  limit('stud.friction', 'Friction of the wheel’s face over its torque', 'count', 1.5, [1, 5]),
  shareLimit('stud.proof', 'Stud’s stress over its proof, good', 0.75),
  shareLimit('stud.proofMost', 'Stud’s stress over its proof, most', 0.9),
  lengthLimit('brake.shim', 'Thickest shim under a caliper bracket', 3, 20),
  lengthLimit('brake.align', 'Caliper’s middle from the rotor’s', 0.75, 10),
];

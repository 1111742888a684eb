import { angleLimit, lengthLimit } from '../../stage';

/** What its checks compare with. */
export const SURVEY_LIMITS = [
  lengthLimit('level.lean', 'Lean of one axle’s sills', 6, 100),
  lengthLimit('level.twist', 'Twist of front against rear', 8, 100),
  angleLimit('level.thrust', 'Thrust angle', 0.15),
  lengthLimit('level.diagonal', 'Diagonals against each other', 6, 100),
  lengthLimit('survey.closure', 'Both halves of the old axle against its width', 3, 50),
  lengthLimit('survey.offset', 'Old axle off the car’s centreline', 5, 50),
  lengthLimit('survey.bolt', 'Mount hole over its bolt', 0.5, 10),
  lengthLimit('survey.tube', 'Donor’s tube against the old axle’s', 0.5, 50),
];

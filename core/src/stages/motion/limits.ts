import { angleLimit, lengthLimit, limit } from '../../stage';

/** What its checks compare with. */
export const MOTION_LIMITS = [
  lengthLimit('motion.bind', 'Length that links lack somewhere in the travel', 1, 20),
  angleLimit('motion.pinion', 'Pinion turned over the travel', 3, 15),
  lengthLimit('motion.sideways', 'Axle sideways over the travel', 6, 60),
  angleLimit('leaf.shackleLeast', 'Shackle against its spring, least', 40, 90),
  angleLimit('leaf.shackleMost', 'Shackle against its spring, most', 150, 180),
  limit('motion.rollSteer', 'Axle steer for a degree of roll', 'ratio', 0.1, [0, 1]),
  angleLimit('motion.rodEnd', 'Rod end out of square', 15, 40),
  lengthLimit('motion.clear', 'Room to what does not move', 12, 100),
  lengthLimit('damper.left', 'Damper left over at either end', 10, 100),
  lengthLimit('coil.left', 'Spring left over before it is solid', 8, 80),
  lengthLimit('coil.over', 'Inside of a spring over the damper’s body', 1, 10),
  lengthLimit('coil.wide', 'Inside of a spring over what it sits on', 6, 40),
  limit('coil.list', 'Rate as read off its list', 'ratio', 0.08, [0, 0.5]),
  lengthLimit('coil.listLong', 'Lengths as read off its list', 5, 50),
  limit('motion.rates', 'Springs by the scales off their own rate', 'ratio', 0.15, [0, 1]),
  limit('motion.weights', 'Scales off what the brief says', 'kg', 15, [0, 300]),
  lengthLimit('motion.mounts', 'Places of a damper off its length as read', 4, 40),
] as const;

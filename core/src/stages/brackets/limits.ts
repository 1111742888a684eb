import { angleLimit, lengthLimit, limit } from '../../stage';

/** What its checks compare with. */
export const BRACKET_LIMITS = [
  lengthLimit('bracket.margin', 'Room that a weld wants on every side', 6, 40),
  lengthLimit('bracket.fromEnds', 'Least distance from casting and housing end', 12),
  lengthLimit('bracket.seam', 'Least distance from a weld of the tube', 25),
  lengthLimit('bracket.place', 'Bracket off its place once tacked or welded', 1.5, 20),
  angleLimit('bracket.turn', 'Bracket off its angle once tacked or welded', 0.5, 5),
  angleLimit('bracket.perch', 'Perch off the angle that the pinion wants', 0.5, 5),
  lengthLimit('bracket.kit', 'Datums of a kit off each other', 1.5, 20),
  lengthLimit('perch.bumpLeft', 'Bump travel that is left', 50, 200),
  lengthLimit('perch.pinPlay', 'Play of the centre bolt in its perch', 0.5, 5),
  lengthLimit('perch.arch', 'Tyre to its arch, ahead and behind', 25, 100),
  lengthLimit('clamp.fit', 'Plate’s holes off the U-bolt’s legs', 1, 10),
  limit('joint.play', 'Play of a bolt in its hole', 'mm', 0.5, [0, 5]),
  lengthLimit('joint.wall', 'Least wall of a sleeve', 1.5, 10),
  limit('link.factor', 'Factor on launch and braking loads', 'count', 1.5, [1, 5]),
  limit('link.shear', 'Shear of a bolt', 'MPa', 250, [20, 900]),
  limit('link.bearing', 'Bearing of a bolt on its plates', 'MPa', 300, [20, 1200]),
  limit('link.weld', 'Stress in a weld’s throat', 'MPa', 110, [10, 400]),
  limit('link.buckling', 'Load over what makes a link buckle', 'ratio', 0.333, [0.05, 1]),
  limit('link.thread', 'Thread in a link, over its diameter', 'ratio', 1, [0.5, 3]),
  lengthLimit('link.pair', 'Links of a pair off each other', 0.5, 10),
] as const;

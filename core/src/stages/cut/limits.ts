import { angleLimit, lengthLimit, limit, shareLimit } from '../../stage';

/** What its checks compare with. */
export const CUT_LIMITS = [
  lengthLimit('cut.fromCasting', 'Least distance of a cut from the casting', 40),
  lengthLimit('cut.fromHousingEnd', 'Least distance of a cut from the housing end', 40),
  lengthLimit('cut.slug', 'Least width of the slug that falls out', 3, 50),
  lengthLimit('after.length', 'Tube after the work against what was wanted', 1, 20),
  lengthLimit('after.absurd', 'Tube after the work: no weld pulls this much', 8, 100),
  lengthLimit('cut.width', 'Result against the target width', 1, 50),
  lengthLimit('cut.fromBracket', 'Least distance of a cut from brackets and their welds', 40),
  lengthLimit('tube.least', 'Least interference of a pressed tube', 0.02, 1),
  lengthLimit('tube.most', 'Most interference of a pressed tube', 0.14, 1),
  lengthLimit('tube.oval', 'Tube or bore out of round', 0.08, 2),
  shareLimit('tube.stress', 'Stress of the press fit over yield', 0.6),
  limit('tube.force', 'Press at hand', 'N', 200_000, [1000, 3_000_000]),
  angleLimit('float.angle', 'Drive spline out of line', 0.5),
  angleLimit('square.toe', 'Toe from the cut, per side', 0.1),
  angleLimit('square.camber', 'Camber from the cut, per side', 0.15),
  angleLimit('square.stop', 'Toe or camber that must be mended', 0.25),
];

import type { CutMethod, MarkDatum, School } from './choices';
import type { SquarePhase } from './square-quantities';

export const SCHOOL_NAMES: Readonly<Record<School, string>> = {
  evenUp: 'Even up',
  keepOffset: 'Keep the pinion offset',
  driveline: 'Pinion where the driveline wants it',
  shortShaft: 'Short shaft on both sides',
  stockShafts: 'Stock shafts first',
};

export const SCHOOL_NOTES: Readonly<Record<School, string>> = {
  evenUp: 'Both shafts alike, pinion in the middle.',
  keepOffset: 'Both sides cut alike, pinion stays where the donor had it.',
  driveline: 'Pinion at a chosen place, in line with gearbox or tunnel.',
  shortShaft: 'Only the long side is cut; the width follows, the wheel offset makes up for it.',
  stockShafts: 'The best pair that can be bought; the housing is cut to suit it.',
};

export const METHOD_NAMES: Readonly<Record<CutMethod, string>> = {
  slug: 'Slug out, halves butted',
  endOff: 'End off and on again',
  newTubes: 'New tubes into the casting',
};

export const DATUM_NAMES: Readonly<Record<MarkDatum, string>> = {
  casting: 'casting face',
  housingEnd: 'housing-end face',
  pinion: 'pinion axis',
};

export const PHASE_NAMES: Readonly<Record<SquarePhase, string>> = {
  before: 'Before the cut',
  tacked: 'After tacking',
  welded: 'After welding',
};

import type { ShapeStyle } from '@intervex/core';

/** What a shape is where its view gives it no name of its own. */
const NAMES: Readonly<Record<ShapeStyle, string>> = {
  ghost: 'before the work',
  casting: 'casting',
  detail: '',
  tube: 'tube',
  slug: 'slug, comes out',
  kerf: 'saw kerf',
  flange: 'flange',
  shaft: 'shaft',
  axis: '',
  centreline: 'centreline',
  mark: 'scribe mark',
  tyre: 'tyre',
  rim: 'rim',
  hole: 'hole as it is',
  newHole: 'new hole',
  keep: 'to be kept clear of',
  pitch: 'pitch circle',
  clock: 'clocking',
  skin: 'tube, unrolled',
  slugFlat: 'slug, comes out',
  spline: 'spline',
  journal: 'journal',
  gear: 'side gear',
  room: 'what stands beside the wheel',
  rotor: 'rotor',
  bracket: 'bracket',
  clash: 'bracket that lies on another',
  weldRoom: 'room for a weld',
  caliper: 'caliper',
  window: 'free for the cut',
};

export const shapeName = (style: ShapeStyle): string => NAMES[style];

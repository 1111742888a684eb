import { quantitiesOf } from '../../stage';

/** Headings of this stage by their ids; whose its readings are. */
export const UNDER = {
  id: 'cut',
  belongs: 'axle',
  headings: {
    pinion: 'Pinion',
    leftTube: 'Left tube',
    rightTube: 'Right tube',
    saw: 'Saw and weld',
    tubes: 'New tubes',
    leftNew: 'New tube, left',
    rightNew: 'New tube, right',
    float: 'Full-float ends',
    leftFace: 'Squareness, left',
    rightFace: 'Squareness, right',
  },
} as const;

export const quantities = quantitiesOf(UNDER);

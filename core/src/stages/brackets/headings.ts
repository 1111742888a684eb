import { quantitiesOf } from '../../stage';

/** Headings of this stage by their ids; whose its readings are. */
export const UNDER = {
  id: 'brackets',
  belongs: 'car',
  headings: {
    old: 'Old axle',
    perch: 'Perches and springs',
    clamp: 'U-bolts and spring plate',
    links: 'Links and loads',
    brace: 'Brace tube',
  },
} as const;

export const quantities = quantitiesOf(UNDER);

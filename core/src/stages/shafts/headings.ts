import { quantitiesOf } from '../../stage';

/** Headings of this stage by their ids; whose its readings are. */
export const UNDER = {
  id: 'shafts',
  belongs: 'axle',
  headings: {
    strength: 'Strength',
    made: 'As made',
  },
} as const;

export const quantities = quantitiesOf(UNDER);

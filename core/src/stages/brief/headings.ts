import { quantitiesOf } from '../../stage';

/** Headings of this stage by their ids; whose its readings are. */
export const UNDER = {
  id: 'brief',
  belongs: 'car',
  headings: {
    car: 'The car',
    weights: 'Weights',
    engine: 'Engine and tyre',
  },
} as const;

export const quantities = quantitiesOf(UNDER);

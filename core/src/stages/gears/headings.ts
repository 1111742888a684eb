import { quantitiesOf } from '../../stage';

/** Headings of this stage by their ids; whose its readings are. */
export const UNDER = {
  id: 'gears',
  belongs: 'car',
  headings: {
    wanted: 'What the ratio is for',
    road: 'Rolling and slip',
    run: 'The run',
    set: 'The gear set',
    clutch: 'The clutch pack',
  },
} as const;

export const quantities = quantitiesOf(UNDER);

import { factsOf, quantitiesOf } from '../../stage';

/** Headings of this stage by their ids; whose its readings are. */
export const UNDER = {
  id: 'hubs',
  belongs: 'axle',
  headings: {
    drill: 'Re-drill and jig',
    cost: 'What each way costs',
    studs: 'Studs and nuts',
    retention: 'Retention',
    brakes: 'Brakes',
  },
} as const;

export const quantities = quantitiesOf(UNDER);
export const facts = factsOf(UNDER);

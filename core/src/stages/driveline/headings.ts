import { quantitiesOf } from '../../stage';

/** Headings of this stage by their ids; whose its readings are. */
export const UNDER = {
  id: 'driveline',
  belongs: 'car',
  headings: {
    place: 'Gearbox to axle',
    nose: 'Pinion on the axle',
    aim: 'Aim of the pinion',
    centre: 'Centre bearing',
    tube: 'Driveshaft tube',
    slip: 'Slip joint',
    ends: 'Ends for the order',
    bench: 'On the bench',
  },
} as const;

export const quantities = quantitiesOf(UNDER);

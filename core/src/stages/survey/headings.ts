import { factsOf, quantitiesOf } from '../../stage';

/** Headings of this stage by their ids; whose its readings are. */
export const UNDER = {
  id: 'survey',
  belongs: 'car',
  headings: {
    floor: 'Floor',
    level: 'Level',
    square: 'Square',
    axle: 'Axle in the car',
    line: 'Driveline',
    roomLeft: 'Wheel room, left',
    roomRight: 'Wheel room, right',
    room: 'Wheel room',
    springs: 'Springs and mounts',
    brakes: 'Brakes and studs',
    angles: 'Angles on the car',
  },
} as const;

export const quantities = quantitiesOf(UNDER);
export const facts = factsOf(UNDER);

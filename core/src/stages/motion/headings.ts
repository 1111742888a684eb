import { quantitiesOf } from '../../stage';

/** Headings of this stage by their ids; whose its readings are. */
export const UNDER = {
  id: 'motion',
  belongs: 'car',
  headings: {
    held: 'How it is held',
    leaf: 'Leaf springs',
    coil: 'Springs and dampers',
    moves: 'What moves with the axle',
    scales: 'On scales',
  },
} as const;

export const quantities = quantitiesOf(UNDER);

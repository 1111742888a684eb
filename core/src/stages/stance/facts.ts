import { facts } from './headings';

const moves = facts('moves');

export const STANCE_FACTS = [
  moves('bar.side', 'Lateral bar bolts to the chassis', 'The end that does not move with the axle.', {
    left: 'on the left',
    right: 'on the right',
  }),
];

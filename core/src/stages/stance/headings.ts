import { factsOf, quantitiesOf } from '../../stage';

/** Headings of this stage by their ids; whose its readings are. */
export const UNDER = {
  id: 'stance',
  belongs: 'car',
  headings: {
    wheel: 'Wheel and tyre',
    axle: 'Axle in the car',
    moves: 'How the axle moves',
    brake: 'Brake in the wheel',
    spacer: 'Spacer',
  },
} as const;

export const quantities = quantitiesOf(UNDER);
export const facts = factsOf(UNDER);

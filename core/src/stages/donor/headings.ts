import { factsOf, quantitiesOf } from '../../stage';

/** Headings of this stage by their ids; whose its readings are. */
export const UNDER = {
  id: 'donor',
  belongs: 'axle',
  headings: {
    leftSide: 'Left side',
    leftShaft: 'Left shaft',
    centre: 'Centre section',
    rightSide: 'Right side',
    rightShaft: 'Right shaft',
    ratio: 'Ratio',
    differential: 'Differential',
    condition: 'Condition',
    completeness: 'Completeness',
    strength: 'Strength',
    money: 'Money and time',
    hubs: 'Hubs',
    bearing: 'Bearing and seal',
    brakes: 'Brakes and pinion flange',
    angles: 'Angles on the donor',
  },
} as const;

export const quantities = quantitiesOf(UNDER);
export const facts = factsOf(UNDER);

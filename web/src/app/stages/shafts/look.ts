import type { StageLook } from '../../stage/look';
import { ChancesDesk } from './chances-desk';
import { OrdersDesk } from './orders-desk';
import { PairsDesk } from './pairs-desk';
import { StrengthTable } from './strength-table';

/** The shafts that will run: strength, stock pairs, tolerances, orders. */
export const look: StageLook = {
  tabsLabel: 'What of the shafts',
  tabs: [
    { id: 'strength', name: 'Strength', subtitle: 'what they bear', desk: [StrengthTable] },
    {
      id: 'stock',
      name: 'Stock pairs',
      subtitle: 'best pairs that can be bought',
      desk: [PairsDesk],
      withoutNeeds: true,
    },
    {
      id: 'chances',
      name: 'Chances',
      subtitle: 'how likely it all fits as made',
      desk: [ChancesDesk],
      withoutNeeds: true,
    },
    { id: 'orders', name: 'Orders', subtitle: 'with the shaft maker', desk: [OrdersDesk], withoutNeeds: true },
  ],
  panel: [
    { group: 'strength' },
    { facts: ['donor.material'] },
    { group: 'made' },
    { readings: ['shaft.spline', 'shaft.step'] },
    { title: 'Bearing and spline', readings: ['new.journal', 'new.teeth'] },
  ],
};

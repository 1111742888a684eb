import { SIDES, type HeadingId } from '@intervex/core';
import { shaftViews } from '@intervex/core/views/shafts';
import type { StageLook, StageTab } from '../../stage/look';
import { ChancesDesk } from './chances-desk';
import { OrdersDesk } from './orders-desk';
import { PairsDesk } from './pairs-desk';
import { StrengthTable } from './strength-table';

const NO_LENGTH =
  'Halves and shaft lengths of the donor, and the width wanted, say how long the shafts are; then they are drawn here.';
const inPlace: StageTab<HeadingId<'shafts'>>['view'] = ({ of }) => SIDES.map((side) => of(shaftViews)[side]);

/** The shafts that will run: strength, stock pairs, tolerances, orders. */
export const look: StageLook<HeadingId<'shafts'>> = {
  tabsLabel: 'Shaft views',
  tabs: [
    {
      id: 'strength',
      name: 'Strength',
      subtitle: 'what they bear',
      view: inPlace,
      stacked: true,
      tall: true,
      empty: NO_LENGTH,
      desk: [StrengthTable],
    },
    {
      id: 'stock',
      name: 'Stock pairs',
      subtitle: 'best pairs that can be bought',
      desk: [PairsDesk],
    },
    {
      id: 'chances',
      name: 'Chances',
      subtitle: 'how likely it all fits as made',
      desk: [ChancesDesk],
    },
    { id: 'orders', name: 'Orders', subtitle: 'with the shaft maker', desk: [OrdersDesk] },
  ],
  panel: [
    { group: 'strength' },
    { facts: ['donor.material'] },
    { group: 'made' },
    { readings: ['shaft.spline', 'shaft.step'] },
    { title: 'Bearing and spline', readings: ['new.journal', 'new.teeth'] },
  ],
};

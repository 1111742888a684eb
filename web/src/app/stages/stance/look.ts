import type { StageLook } from '../../stage/look';
import { BackspaceField } from './backspace-field';
import { Clearances } from './clearances';
import { SIDES, type HeadingId } from '@intervex/core';
import { cornerViews } from '@intervex/core/views/stance';
import { CornersSaid } from './corners-said';
import { MapDesk } from './map-desk';
import { SpacerField } from './spacer-field';
import { StockWheels } from './stock-wheels';
import { TyreField } from './tyre-field';

/** Wheel, tyre and width: both rear corners to scale, and every place that would clear. */
export const look: StageLook<HeadingId<'stance'>> = {
  tabsLabel: 'Drawing',
  tabs: [
    {
      id: 'corners',
      name: 'Corners',
      subtitle: 'both rear corners, from behind',
      view: ({ of }) => SIDES.map((side) => of(cornerViews)[side]),
      dragged: 'chosen',
      tall: true,
      desk: [CornersSaid],
    },
    { id: 'map', name: 'Fit map', subtitle: 'where a wheel clears, both sides and all poses', desk: [MapDesk] },
  ],
  below: [Clearances],
  panel: [
    { part: TyreField },
    { group: 'wheel' },
    { part: BackspaceField, under: true },
    { part: StockWheels },
    { group: 'axle' },
    { part: SpacerField, under: true },
    { group: 'moves' },
    { group: 'brake' },
  ],
};

import type { HeadingId } from '@intervex/core';
import { rearView } from '@intervex/core/views/cut';
import type { StageLook } from '../../stage/look';
import { AtHand } from './at-hand';
import { CarForm } from './car-form';
import { EngineForm } from './engine-form';
import { SettlePanel } from './settle-panel';
import { TorqueDemand } from './torque-demand';

/** Why the swap, for what, and to what width. */
export const look: StageLook<HeadingId<'brief'>> = {
  subtitle: () => 'why, for what, to what width',
  tabs: [{ id: 'brief', name: 'Brief', view: ({ of }) => of(rearView), desk: [TorqueDemand] }],
  panel: [
    { part: CarForm },
    { group: 'car', bare: true },
    { group: 'weights' },
    { group: 'engine' },
    { part: EngineForm, under: true },
    { part: SettlePanel },
    { part: AtHand },
  ],
};

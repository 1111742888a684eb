import { type HeadingId, headingsOf, JOINT_IDS } from '@intervex/core';
import { donorView, endSectionView } from '@intervex/core/views/donor';
import type { PanelPart, StageLook } from '../../stage/look';
import { placeOf } from './chosen-joint';
import { DonorReadings } from './donor-readings';
import { JointPanel } from './joint-panel';
import { JudgeDesk } from './judge-desk';
import { MatingTable } from './mating-table';
import { RetentionField } from './retention-field';

/** Headings by which a donor is judged, readings and facts alike, in the order they are looked at. */
const JUDGED: readonly HeadingId<'donor'>[] = [
  'ratio',
  'differential',
  'condition',
  'strength',
  'completeness',
  'money',
];
/** The others, in walking order. */
const READ = headingsOf('donor')
  .map((heading) => heading.id)
  .filter((id) => !JUDGED.includes(id));
/** Left and right in two columns where both are read. */
const READ_PARTS: readonly PanelPart<HeadingId<'donor'>>[] = READ.flatMap(
  (group): PanelPart<HeadingId<'donor'>>[] => {
    if (group === 'leftSide') return [{ group, with: 'rightSide', title: 'Tubes and halves' }];
    if (group === 'leftShaft') return [{ group, with: 'rightShaft', title: 'Shafts' }];
    return group === 'rightSide' || group === 'rightShaft' ? [] : [{ group }];
  },
);
const parts = (groups: readonly HeadingId<'donor'>[], more = {}): PanelPart<HeadingId<'donor'>>[] =>
  groups.map((group) => ({ group, ...more }));

/** The donor: its dimensions, whether it is worth buying, and how it joins the car. */
export const look: StageLook<HeadingId<'donor'>> = {
  subtitle: ({ brief }) => brief.donor || 'the axle that comes in',
  tabsLabel: 'Donor views',
  tabs: [
    {
      id: 'readings',
      name: 'Readings',
      view: ({ of }) => of(donorView),
      desk: [DonorReadings],
      panel: [...READ_PARTS, { part: RetentionField }],
      groups: READ,
      places: ['donor.retention'],
    },
    {
      id: 'judge',
      name: 'Judge',
      view: ({ of }) => of(donorView),
      desk: [JudgeDesk],
      panel: parts(JUDGED, { factsFirst: true }),
      groups: JUDGED,
      places: ['donor'],
    },
    {
      id: 'mating',
      name: 'Mating',
      view: ({ of }) => of(endSectionView),
      desk: [MatingTable],
      panel: [{ part: JointPanel }],
      places: JOINT_IDS.map(placeOf),
    },
  ],
  walk: { view: ({ of }) => of(donorView), byItself: true },
};

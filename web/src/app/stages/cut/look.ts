import { SIDES, type Plan, type HeadingId } from '@intervex/core';
import { rearView, tubeViews } from '@intervex/core/views/cut';
import type { StageLook } from '../../stage/look';
import { AfterWeld } from './after-weld';
import { CutChoices } from './cut-choices';
import { CutSides } from './cut-sides';
import { EndsDesk } from './ends-desk';
import { FacesDesk } from './faces-desk';
import { SchoolsTable } from './schools-table';
import { SquarePanel } from './square-panel';
import { TubeItems } from './tube-items';

const NO_TUBE = 'Read the tube from casting to housing end first (Donor), then its marks are drawn here.';
/** What is read once the tubes are tacked and welded. */
const AFTER = SIDES.flatMap((side) => [`after.tacked.${side}`, `after.welded.${side}`] as const);
const newTubes = ({ choices }: Plan): boolean => choices.method === 'newTubes';
const fullFloat = ({ choices }: Plan): boolean => choices.retentionTo === 'fullFloat';

/** Headings of what is read for the way it is cut. */
const walked = (plan: Plan): readonly HeadingId<'cut'>[] => [
  'leftTube',
  'rightTube',
  'saw',
  ...(newTubes(plan) ? (['tubes', 'leftNew', 'rightNew'] as const) : []),
  ...(fullFloat(plan) ? (['float'] as const) : []),
  'leftFace',
  'rightFace',
];

/** Ways to cut side by side, marks on the tube, saw and weld, squareness. */
export const look: StageLook<HeadingId<'cut'>> = {
  tabsLabel: 'Drawing',
  tabs: [
    {
      id: 'rear',
      name: 'Rear',
      subtitle: 'result over donor, from behind',
      view: ({ of }) => of(rearView),
    },
    {
      id: 'left',
      name: 'Left tube',
      subtitle: 'left tube with its marks, from behind',
      view: ({ of }) => of(tubeViews).left,
      tall: true,
      empty: NO_TUBE,
    },
    {
      id: 'right',
      name: 'Right tube',
      subtitle: 'right tube with its marks, from behind',
      view: ({ of }) => of(tubeViews).right,
      tall: true,
      empty: NO_TUBE,
    },
    {
      id: 'face',
      name: 'End faces',
      subtitle: 'end faces, seen from outside',
      desk: [FacesDesk],
      groups: ['leftFace', 'rightFace'],
    },
    {
      id: 'ends',
      name: 'Tubes and ends',
      subtitle: 'new tubes, full-float ends, after the work',
      desk: [EndsDesk],
      groups: ['tubes', 'leftNew', 'rightNew', 'float'],
      places: AFTER,
    },
  ],
  below: [SchoolsTable],
  panel: [
    { part: CutSides },
    { group: 'tubes', shown: newTubes },
    { group: 'float', shown: fullFloat },
    { part: CutChoices },
    { group: 'saw' },
    { part: TubeItems },
    { part: AfterWeld },
    { part: SquarePanel },
  ],
  walk: { view: ({ of }) => of(rearView), only: walked },
};

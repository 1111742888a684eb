import { SUSPENSION_NAMES, type HeadingId } from '@intervex/core';
import { LADDER_FRONT_NAMES, SHAFT_TURN_NAMES, SQUAT_AIM_NAMES } from '@intervex/core/desks/motion';
import { motionView } from '@intervex/core/views/motion';
import type { StageLook } from '../../stage/look';
import { ArmsDesk } from './arms-desk';
import { HolesDesk } from './holes-desk';
import { LoadsDesk } from './loads-desk';
import { moveArm } from './move';
import { PlotsDesk } from './plots-desk';
import { pose } from './pose';
import { PoseDesk } from './pose-desk';
import { RoomDesk } from './room-desk';
import { ScalesDesk } from './scales-desk';
import { SpringsDesk } from './springs-desk';

const NOT_HELD =
  'Say what holds the axle, and list its links with both their ends; then it is drawn here and can be moved.';
const HELD = {
  title: 'What holds the axle',
  choices: [{ of: 'suspension', label: 'Axle held by', names: SUSPENSION_NAMES }],
} as const;
const TRAVEL = {
  title: 'Travel, from survey and stance',
  readings: ['spring.bump', 'spring.droop', 'stance.lean'],
} as const;
const CAR = {
  title: 'The car',
  readings: ['drive.axleHeight', 'brief.wheelbase', 'brief.cgHeight'],
} as const;
const LEAF = {
  group: 'leaf',
  shown: ({ choices }: { readonly choices: { readonly suspension: string } }) => choices.suspension === 'leaf',
} as const;
const LADDER = {
  title: 'Front pivots of the ladder bars',
  choices: [{ of: 'ladderFront', label: 'Their fronts are', names: LADDER_FRONT_NAMES }],
  shown: ({ choices }: { readonly choices: { readonly suspension: string } }) =>
    choices.suspension === 'ladder',
} as const;
const RIDE = { z: 0, roll: 0 };

/** From the links’ places to what the car weighs: the axle moved before anything is tacked. */
export const look: StageLook<HeadingId<'motion'>> = {
  tabsLabel: 'Motion views',
  tabs: [
    {
      id: 'cycle',
      name: 'Cycle',
      subtitle: 'up, down and in roll',
      view: ({ of }) => [
        motionView(of, 'side', pose()),
        motionView(of, 'rear', pose()),
        motionView(of, 'top', pose()),
      ],
      move: moveArm,
      gathered: true,
      tall: true,
      empty: NOT_HELD,
      desk: [PoseDesk],
      groups: ['held'],
      panel: [HELD, LADDER, TRAVEL, CAR, LEAF, { group: 'held' }],
      places: ['motion.way'],
    },
    {
      id: 'links',
      name: 'Links',
      subtitle: 'every end, and the holes of its bracket',
      view: ({ of }) => motionView(of, 'side', RIDE),
      move: moveArm,
      empty: NOT_HELD,
      desk: [ArmsDesk],
      panel: [HELD, LADDER, CAR, LEAF],
      places: ['arm.list'],
    },
    {
      id: 'plots',
      name: 'Plots',
      subtitle: 'along the travel',
      desk: [PlotsDesk],
      panel: [TRAVEL, CAR],
    },
    {
      id: 'holes',
      name: 'Holes',
      subtitle: 'which to use',
      desk: [HolesDesk],
      panel: [
        {
          title: 'What is aimed at',
          choices: [{ of: 'squatAim', label: 'Side view aimed at', names: SQUAT_AIM_NAMES }],
          readings: ['motion.squatWanted', 'motion.wantedAlong', 'motion.wantedHeight'],
        },
        CAR,
      ],
    },
    {
      id: 'springs',
      name: 'Springs',
      subtitle: 'rates, lengths, dampers',
      desk: [SpringsDesk],
      groups: ['coil', 'leaf'],
      panel: [
        { group: 'coil' },
        LEAF,
        { title: 'From the brief', readings: ['brief.rear', 'motion.unsprung'] },
      ],
    },
    {
      id: 'loads',
      name: 'Loads',
      subtitle: 'launch and braking',
      desk: [LoadsDesk],
      panel: [
        {
          title: 'Launch and braking',
          choices: [
            { of: 'shaftTurns', label: 'Driveshaft, seen from the front, turns', names: SHAFT_TURN_NAMES },
          ],
          readings: [
            'brief.front',
            'brief.rear',
            'brief.friction',
            'brief.axleRatio',
            'motion.rearBrake',
            'motion.unsprung',
          ],
        },
      ],
    },
    {
      id: 'room',
      name: 'Room',
      subtitle: 'what does not move',
      view: ({ of }) => [motionView(of, 'side', pose()), motionView(of, 'rear', pose())],
      still: true,
      empty: NOT_HELD,
      desk: [RoomDesk],
      panel: [TRAVEL, { group: 'moves' }],
      groups: ['moves'],
      places: ['obstacle.list'],
    },
    {
      id: 'scales',
      name: 'Scales',
      subtitle: 'centre of gravity',
      desk: [ScalesDesk],
      groups: ['scales'],
      panel: [{ group: 'scales' }, { title: 'The car', readings: ['brief.wheelbase', 'drive.axleHeight'] }],
    },
  ],
};

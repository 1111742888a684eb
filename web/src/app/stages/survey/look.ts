import { headingsOf, level, type HeadingId } from '@intervex/core';
import { endView, roomView, surveyView, topView } from '@intervex/core/views/survey';
import type { PanelPart, StageLook } from '../../stage/look';
import { AnglesDesk } from './angles-desk';
import { AxleFacts } from './axle-facts';
import { LevelFacts } from './level-facts';
import { LevelWarning } from './level-warning';
import { RoomFacts } from './room-facts';

/** Every heading in walking order; what the room is of stands under its last. */
const PANEL = headingsOf('survey').flatMap(({ id }): PanelPart<HeadingId<'survey'>>[] =>
  id === 'roomRight'
    ? []
    : id === 'roomLeft'
      ? [
          { group: id, with: 'roomRight', title: 'Wheel room' },
          { group: 'room', bare: true },
        ]
      : [{ group: id }],
);

/** How the car stands, the axle in it, the room round its wheels, and its angles. */
export const look: StageLook<HeadingId<'survey'>> = {
  tabsLabel: 'Drawing',
  tabs: [
    {
      id: 'level',
      name: 'Level',
      subtitle: 'does the car stand level',
      view: ({ of }) => of(endView),
      desk: [LevelFacts],
      groups: ['floor', 'level'],
    },
    {
      id: 'square',
      name: 'Square',
      subtitle: 'does the axle stand square, from above',
      view: ({ of }) => of(topView),
      desk: [LevelFacts],
      groups: ['square'],
    },
    {
      id: 'axle',
      name: 'Axle',
      subtitle: 'the axle in the car, from behind',
      view: ({ of }) => of(surveyView),
      desk: [AxleFacts],
      groups: ['axle', 'line', 'springs', 'brakes'],
    },
    {
      id: 'room',
      name: 'Room',
      subtitle: 'what stands beside the wheels, from behind',
      view: ({ of }) => of(roomView),
      desk: [RoomFacts],
      groups: ['roomLeft', 'roomRight', 'room'],
    },
    {
      id: 'angles',
      name: 'Angles',
      subtitle: 'slopes, and what the gauge was zeroed on',
      desk: [AnglesDesk],
      groups: ['angles'],
    },
  ],
  above: LevelWarning,
  panel: PANEL,
  // A car that has not been levelled yet, or does not stand level, shows that first.
  first: ({ of, notLevel }) => (notLevel || !of(level).frontLean ? 'level' : 'axle'),
  walk: { view: ({ of }) => of(surveyView), byItself: true },
};

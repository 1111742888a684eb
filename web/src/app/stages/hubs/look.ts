import { PATTERN_FACES, type HeadingId } from '@intervex/core';
import { rearView } from '@intervex/core/views/cut';
import { flangeView, jigView } from '@intervex/core/views/hubs';
import type { StageLook } from '../../stage/look';
import { BrakesDesk } from './brakes-desk';
import { DrawingReader } from './drawing-reader';
import { KeepOuts } from './keep-outs';
import { LinesDesk } from './lines-desk';
import { PatternDesk } from './pattern-desk';
import { PatternFields } from './pattern-fields';
import { RetentionDesk } from './retention-desk';
import { StudsDesk } from './studs-desk';

const LINES =
  'Bend marks count from the cut end, flare included. Use line that is made for brakes, flare it as the fitting asks, and test every joint under pressure before the road.';

/** The wheel’s end of the axle: pattern, studs, retention, brakes and lines. */
export const look: StageLook<HeadingId<'hubs'>> = {
  tabsLabel: 'Hub end views',
  tabs: [
    {
      id: 'pattern',
      name: 'Pattern',
      subtitle: 'do flange and wheel agree',
      view: ({ of }) => [of(flangeView), of(jigView)],
      desk: [PatternDesk],
      groups: ['drill', 'cost'],
      places: PATTERN_FACES.map((face) => `pattern.${face}` as const),
      panel: [
        { part: PatternFields },
        {
          title: 'Flange and wheel',
          readings: [
            'donor.flangeHoles',
            'donor.flangePcd',
            'donor.flangeHole',
            'donor.flangeRim',
            'donor.pilot',
            'car.wheelHoles',
            'car.wheelPcd',
            'car.wheelBore',
          ],
        },
        { group: 'drill' },
        { part: KeepOuts },
        { group: 'cost' },
        { part: DrawingReader },
      ],
    },
    {
      id: 'studs',
      name: 'Studs',
      subtitle: 'studs and nuts',
      desk: [StudsDesk],
      groups: ['studs'],
      panel: [
        { group: 'studs', factsFirst: true },
        { title: 'In the car', facts: ['car.studThread', 'car.seat'] },
      ],
    },
    {
      id: 'retention',
      name: 'Retention',
      subtitle: 'what holds the shafts in',
      desk: [RetentionDesk],
      groups: ['retention'],
      panel: [
        { group: 'retention' },
        { readings: ['float.shift'] },
        {
          title: 'Bearing and seal',
          readings: [
            'donor.journal',
            'new.journal',
            'donor.bearingBore',
            'donor.bearingWidth',
            'donor.sealJournal',
            'donor.sealBore',
          ],
        },
      ],
    },
    {
      id: 'brakes',
      name: 'Brakes',
      subtitle: 'rotor, caliper, hose',
      desk: [BrakesDesk],
      groups: ['brakes'],
      panel: [
        { group: 'brakes' },
        {
          title: 'Round the brake',
          readings: ['donor.endWide', 'donor.endHigh', 'rim.inside', 'brake.radius', 'car.hoseReach'],
        },
      ],
    },
    {
      id: 'lines',
      name: 'Lines',
      subtitle: 'bend tables',
      desk: [LinesDesk],
      places: ['line.list'],
      panel: [{ title: 'Brake lines', said: LINES, readings: ['car.hoseReach', 'hose.droop'] }],
    },
  ],
  walk: {
    view: ({ of }) => of(flangeView) ?? of(rearView),
    only: () => ['drill', 'studs', 'retention', 'brakes'],
  },
};

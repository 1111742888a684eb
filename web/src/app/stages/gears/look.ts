import type { HeadingId } from '@intervex/core';
import type { PanelPart, StageLook } from '../../stage/look';
import { OwnOffers } from './own-offers';
import { PracticeDesk } from './practice-desk';
import { RatioDesk } from './ratio-desk';
import { RunDesk } from './run-desk';
import { SetUpDesk } from './set-up-desk';

/** What lies before the gearbox, and which wheels drive. */
const DRIVES: PanelPart<HeadingId<'gears'>> = {
  title: 'How it drives',
  choices: [
    { of: 'coupling', label: 'Engine to gearbox', names: { clutch: 'clutch', converter: 'converter' } },
    { of: 'driven', label: 'Driven wheels', names: { rear: 'rear wheels', all: 'all four' } },
  ],
};

/** Ratio, and what each does over a distance. */
export const look: StageLook<HeadingId<'gears'>> = {
  tabsLabel: 'Gear views',
  tabs: [
    {
      id: 'ratio',
      name: 'Ratio',
      subtitle: 'launch, finish line and cruise',
      desk: [RatioDesk],
      groups: ['wanted', 'road', 'set'],
      places: ['gear.set'],
      panel: [
        DRIVES,
        { group: 'wanted' },
        { group: 'road' },
        { group: 'set' },
        { part: OwnOffers },
        { title: 'From the brief', readings: ['brief.tyreDiameter', 'brief.axleRatio'] },
      ],
    },
    {
      id: 'run',
      name: 'Run',
      subtitle: 'each ratio over the distance',
      desk: [RunDesk],
      groups: ['run'],
      panel: [
        DRIVES,
        { group: 'run' },
        {
          title: 'The car',
          readings: [
            'brief.mass',
            'brief.front',
            'brief.rear',
            'brief.wheelbase',
            'brief.cgHeight',
            'brief.friction',
            'brief.efficiency',
            'brief.stall',
          ],
        },
      ],
    },
    {
      id: 'setUp',
      name: 'Set-up',
      subtitle: 'trial by trial',
      desk: [SetUpDesk],
      groups: ['clutch'],
      places: ['gear.trials'],
      panel: [{ readings: ['gear.ringDiameter'] }, { group: 'clutch' }],
    },
    {
      id: 'practice',
      name: 'Practice',
      subtitle: 'on a simulated gear set',
      desk: [PracticeDesk],
      panel: [{ readings: ['gear.ringDiameter'] }],
    },
  ],
};

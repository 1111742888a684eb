import { SUSPENSION_NAMES, type Plan, type HeadingId } from '@intervex/core';
import { orderView, planView, sideView } from '@intervex/core/views/driveline';
import { surveyView } from '@intervex/core/views/survey';
import type { StageLook } from '../../stage/look';
import { BenchDesk } from './bench-desk';
import { OverShaft } from './over-shaft';
import { ShaftDesk } from './shaft-desk';
import { SpeedDesk } from './speed-desk';
import { WaitsDesk } from './waits-desk';
import { WaysTable } from './ways-table';

const NO_LINE =
  'Gearbox joint, axle and pinion have to be read, and a way chosen; then the driveline is drawn here to scale.';
const two = ({ choices }: Plan): boolean => choices.pieces === 'two';

/** From the gearbox to the pinion: angles, speed, bench, driveshaft. */
export const look: StageLook<HeadingId<'driveline'>> = {
  tabsLabel: 'Driveline views',
  tabs: [
    {
      id: 'line',
      name: 'Line',
      subtitle: 'angles from gearbox to pinion',
      view: ({ of }) => [of(sideView), of(planView)],
      stacked: true,
      tall: true,
      dragged: 'chosen',
      empty: NO_LINE,
      desk: [WaysTable],
      groups: ['place', 'nose', 'aim', 'centre'],
      places: ['drive.aim'],
    },
    {
      id: 'speed',
      name: 'At speed',
      subtitle: 'what each joint does at a speed',
      desk: [SpeedDesk],
    },
    {
      id: 'bench',
      name: 'Bench',
      subtitle: 'what the gauge must show',
      desk: [BenchDesk],
      groups: ['bench'],
      panel: [
        { group: 'bench' },
        {
          title: 'Angles it rests on',
          readings: ['donor.angle.flat', 'donor.angle.pinion', 'angle.perch.left', 'angle.perch.right'],
        },
        { readings: ['drive.slope'] },
      ],
    },
    {
      id: 'shaft',
      name: 'Driveshaft',
      subtitle: 'length, slip, room and speed',
      view: ({ of }) => of(orderView),
      stacked: true,
      empty: NO_LINE,
      desk: [ShaftDesk],
      groups: ['tube', 'slip', 'ends'],
    },
    { id: 'waits', name: 'Waits', subtitle: 'what waits for what', desk: [WaitsDesk] },
  ],
  panel: [
    {
      title: 'Aim of the pinion',
      choices: [
        { of: 'suspension', label: 'Axle held by', names: SUSPENSION_NAMES },
        { of: 'pieces', label: 'Driveshaft', names: { one: 'one piece', two: 'two, with a centre bearing' } },
      ],
    },
    { group: 'aim', bare: true },
    { group: 'place' },
    { title: 'From the survey', readings: ['angle.gearbox', 'survey.gearbox', 'spring.bump', 'spring.droop'] },
    { group: 'nose' },
    { group: 'centre', shown: two },
    { group: 'tube' },
    { group: 'slip' },
    { group: 'ends' },
    { part: OverShaft },
  ],
  walk: {
    view: ({ of }) => of(sideView) ?? of(surveyView),
    only: (plan) => ['place', 'nose', ...(two(plan) ? (['centre'] as const) : []), 'tube', 'slip', 'ends'],
  },
};

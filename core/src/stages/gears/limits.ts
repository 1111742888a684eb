import { lengthLimit, limit } from '../../stage';

/** What its checks compare with. */
export const GEARS_LIMITS = [
  lengthLimit('gear.backlashLeast', 'Backlash, least', 0.15, 1),
  lengthLimit('gear.backlashMost', 'Backlash, most', 0.25, 1),
  lengthLimit('gear.backlashRange', 'Backlash from tooth to tooth', 0.08, 0.5),
  limit('gear.turnNewLeast', 'Turning torque of new pinion bearings, least', 'Nm', 1.7, [0.1, 20]),
  limit('gear.turnNewMost', 'Turning torque of new pinion bearings, most', 'Nm', 3.4, [0.1, 20]),
  limit('gear.turnUsedLeast', 'Turning torque of used pinion bearings, least', 'Nm', 0.9, [0.1, 20]),
  limit('gear.turnUsedMost', 'Turning torque of used pinion bearings, most', 'Nm', 1.7, [0.1, 20]),
  limit('gear.turnSeal', 'What the pinion’s seal adds to it', 'Nm', 0.35, [0, 5]),
  lengthLimit('clutch.stack', 'Clutch pack off its maker’s height', 0.15, 2),
  limit('clutch.soak', 'Clutch plates in oil, minutes at least', 'count', 30, [0, 2000]),
  limit('clutch.breakLeast', 'Break-away of a clutch pack, least', 'Nm', 55, [1, 600]),
  limit('clutch.breakMost', 'Break-away of a clutch pack, most', 'Nm', 200, [1, 600]),
  limit('gear.axles', 'Front against rear axle, turns', 'ratio', 0.01, [0.001, 0.1]),
  limit('gear.speedo', 'Speedometer off by', 'ratio', 0.04, [0.005, 0.5]),
];

import type {
  ArmKind,
  ArmSide,
  ArmTool,
  CrankHold,
  LadderFront,
  ObstacleKind,
  ShaftTurn,
  SquatAim,
} from './choices';

export const ARM_NAMES: Readonly<Record<ArmKind, string>> = {
  lower: 'lower link',
  upper: 'upper link',
  lateral: 'lateral bar',
  ladder: 'ladder bar',
  torqueArm: 'torque arm',
  coil: 'coil spring',
  damper: 'damper',
  coilOver: 'coil-over',
};
export const ARM_SIDE_NAMES: Readonly<Record<ArmSide, string>> = {
  pair: 'both sides alike',
  left: 'left',
  right: 'right',
  single: 'by itself',
};
export const ARM_TOOL_NAMES: Readonly<Record<ArmTool, string>> = {
  tape: 'tape',
  rule: 'steel rule',
  chosen: 'not read: as wanted',
};
export const CRANK_HOLD_NAMES: Readonly<Record<CrankHold, string>> = {
  axle: 'on the axle',
  car: 'on the car',
};
export const OBSTACLE_NAMES: Readonly<Record<ObstacleKind, string>> = {
  point: 'point',
  edge: 'edge',
  box: 'box',
};
export const SQUAT_AIM_NAMES: Readonly<Record<SquatAim, string>> = {
  neutral: 'the neutral line',
  percent: 'a share of anti-squat',
  place: 'a place of my own',
};
export const SHAFT_TURN_NAMES: Readonly<Record<ShaftTurn, string>> = {
  unsaid: 'not said: taken as clockwise',
  clockwise: 'clockwise',
  counter: 'counter-clockwise',
};
export const LADDER_FRONT_NAMES: Readonly<Record<LadderFront, string>> = {
  unsaid: 'not said: taken as free to slide',
  sliding: 'free to slide along their bolts',
  bushed: 'in bushings, held sideways too',
};

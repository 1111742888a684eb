import type { AimChoice, Suspension, AimWay } from './choices';

export const AIM_NAMES: Readonly<Record<AimChoice, string>> = {
  undecided: 'Not decided',
  parallel: 'Parallel',
  cv: 'Even joint at the gearbox',
  preset: 'Nose down, parallel under load',
};
export const AIM_NOTES: Readonly<Record<AimWay, string>> = {
  parallel: 'Both joints bend alike at rest: for links that hold the pinion.',
  cv: 'The pinion points along the shaft under load; the joint at the gearbox turns evenly.',
  preset: 'Set down at rest by what the pinion lifts by, so that both joints bend alike while it drives.',
};

export const SUSPENSION_NAMES: Readonly<Record<Suspension, string>> = {
  unsaid: 'not said',
  leaf: 'leaf springs',
  ladder: 'ladder bars',
  parallel: 'parallel four links',
  triangulated: 'triangulated four links',
  torqueArm: 'torque arm',
  threeLink: 'three links',
  own: 'places of my own',
  independent: 'independent, casting held by the car',
};

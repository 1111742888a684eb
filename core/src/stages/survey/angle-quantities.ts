import { SIDES, type Side } from '../../geometry';
import type { OpenChoice } from '../../stage';
import { quantities } from './headings';

/** Steepest slope that is taken for a reading, rad. */
const STEEP = 1.3;
const onCar = quantities('angles', { unit: 'rad', instrument: 'angleGauge', datum: 'level', relative: true });
const slope = <const I extends string>(
  id: I,
  label: string,
  hint: string,
  waitsOn: readonly OpenChoice[],
  side?: Side,
) => onCar(id, label, hint, [-STEEP, STEEP], { waitsOn, ...(side ? { side } : {}) });

/** Slopes of the car’s driveline and springs. */
export const CAR_ANGLES = [
  slope('angle.flat', 'Flat of the old casting', 'A machined flat of the axle in the car.', ['rideHeight']),
  slope('angle.pinion', 'Pinion slope', 'Face of the pinion flange, turned to a slope; front higher is plus.', [
    'rideHeight',
  ]),
  slope('angle.gearbox', 'Gearbox output slope', 'Output flange or pan rail; front higher is plus.', [
    'gearbox',
    'rideHeight',
  ]),
  slope('angle.shaft', 'Driveshaft slope', 'Along the driveshaft’s tube; front higher is plus.', [
    'gearbox',
    'rideHeight',
  ]),
  ...SIDES.map((side) =>
    slope(
      `angle.perch.${side}`,
      'Spring seat slope',
      'On the seat, spring off; front higher is plus.',
      ['springs', 'rideHeight'],
      side,
    ),
  ),
];

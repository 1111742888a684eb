import { SIDES, type Side } from '../../geometry';
import { quantities } from './headings';

/** Steepest slope that is taken for a reading, rad. */
const STEEP = 1.3;
const onCar = quantities('angles', { unit: 'rad', instrument: 'angleGauge', datum: 'level', relative: true });
const slope = <const I extends string>(id: I, label: string, hint: string, side?: Side) =>
  onCar(id, label, hint, [-STEEP, STEEP], side ? { side } : {});

/** Slopes of the car’s driveline and springs. */
export const CAR_ANGLES = [
  slope('angle.flat', 'Flat of the old casting', 'A machined flat of the axle in the car.'),
  slope('angle.pinion', 'Pinion slope', 'Face of the pinion flange, turned to a slope; front higher is plus.'),
  slope('angle.gearbox', 'Gearbox output slope', 'Output flange or pan rail; front higher is plus.'),
  slope('angle.shaft', 'Driveshaft slope', 'Along the driveshaft’s tube; front higher is plus.'),
  ...SIDES.map((side) =>
    slope(`angle.perch.${side}`, 'Spring seat slope', 'On the seat, spring off; front higher is plus.', side),
  ),
];

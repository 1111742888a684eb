import { SIDES } from '../../geometry';
import { facts } from './headings';
import { STUD_THREADS, HOSE_THREADS, PARKING, SENSORS, SEATS } from '../donor/fact-options';
import { ROOM_HEIGHTS } from './room-quantities';

const around = facts('room');
const car = facts('brakes');

const HEIGHT_WORDS = { low: 'at rim bottom', axle: 'at axle height', top: 'at tyre top' } as const;

export const SURVEY_FACTS = [
  ...SIDES.flatMap((side) =>
    ROOM_HEIGHTS.map((height) =>
      around(
        `room.kind.${height}.${side}`,
        `Nearest inboard ${HEIGHT_WORDS[height]}, ${side}`,
        'Springs and shocks move and need more room than a rail.',
        { rail: 'rail', spring: 'spring', arch: 'inner arch', shock: 'shock', exhaust: 'exhaust' },
        { beside: `room.in.ride.${height}.${side}` },
      ),
    ),
  ),
  car('car.spring', 'Rear springs', 'What carries the car now.', {
    leaf: 'leaf springs',
    coil: 'coils on links',
    coilover: 'coil over shock',
    torsion: 'torsion bars',
  }),
  car('car.studThread', 'Front stud thread', 'A rear with other studs leaves two sizes of nut.', STUD_THREADS),
  car('car.seat', 'Nut seat', 'The seat of the wheels to be used.', SEATS),
  car('car.hoseThread', 'Brake line thread', 'At the body end of the rear hose.', HOSE_THREADS),
  car('car.cable', 'Parking brake', 'What the car’s cable pulls.', PARKING),
  car('car.sensor', 'Speed sensor', 'What the car reads the axle’s speed with.', SENSORS),
];

import { facts } from './headings';
import { STUD_THREADS, PARKING, STUD_CLASSES, SEATS } from '../donor/fact-options';

const ends = facts('studs', { belongs: 'car' });
const stops = facts('brakes', { belongs: 'car' });

export const HUB_FACTS = [
  ends('new.studThread', 'New stud thread', 'Of the studs that will be in the rear.', STUD_THREADS),
  ends('new.seat', 'Seat of the nuts', 'Of the nuts that will be used.', SEATS),
  ends(
    'new.studClass',
    'Class of the studs',
    'As marked on the stud’s head or said by its maker.',
    STUD_CLASSES,
  ),
  stops('new.cable', 'New parking brake', 'What the new brakes want to be pulled by.', PARKING),
];

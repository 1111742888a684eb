/** What is seen to before, between and after the trials, in order. */
export const HOLD_POINTS: readonly string[] = [
  'Bearing caps marked left and right, top and bottom, before they come off.',
  'Shims of each side kept apart and written down.',
  'A set-up bearing, bored to slide on, spares the pinion’s own bearing the press.',
  'Pinion depth first, then the pinion’s preload by its turning torque, then backlash, then the contact.',
  'Backlash read at four teeth or more, round the ring.',
  'Clutch packs of a limited slip soak in their oil for half an hour before they are put together.',
  'Ring bolts new or with thread lock, tightened with a wrench, in turn.',
  'Run in: 20 minutes gently, let it cool, three times; no full load for 800 km; change the oil.',
];

/** What taking a set as it is may cost. */
export const SET_UP_RISK =
  'Taken as it is, a set that is off may whine, wear fast or break a tooth; doing it again costs one to three hours, and a press where the pinion moves.';

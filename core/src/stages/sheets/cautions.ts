/** Who decides what drives on the road. */
export const CODES =
  'Local codes, inspection and a licensed engineer or certifier decide what may drive on the road. Intervex plans and records; it does not approve.';

/** What every sheet for the saw and the welder says. */
export const CAUTIONS: readonly string[] = [
  'Support the car on stands rated for the load, never on a jack alone. Springs store energy.',
  'Wear eye, ear, hand and lung protection when grinding, cutting and welding.',
  'No chlorinated cleaner near heat or arc. Old friction dust may hold asbestos.',
  'Welds on an axle housing are structural: a qualified welder, and inspection. Ends last of all welds.',
  'Never heat, bend or weld heat-treated shafts; a welded shaft can break without warning.',
  CODES,
];

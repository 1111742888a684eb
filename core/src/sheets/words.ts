import type {
  CutMethod,
  Differential,
  Launch,
  MarkDatum,
  Reaction,
  Retention,
  School,
  ShaftRoute,
  Skill,
  SquarePhase,
  Tool,
  Use,
} from '../plan';

/** The words of the job, one list for page, paper and file. */
export const SCHOOL_NAMES: Readonly<Record<School, string>> = {
  evenUp: 'Even up',
  keepOffset: 'Keep the pinion offset',
  driveline: 'Pinion where the driveline wants it',
  shortShaft: 'Short shaft on both sides',
  stockShafts: 'Stock shafts first',
};

export const SCHOOL_NOTES: Readonly<Record<School, string>> = {
  evenUp: 'Both shafts alike, pinion in the middle.',
  keepOffset: 'Both sides cut alike, pinion stays where the donor had it.',
  driveline: 'Pinion at a chosen place, in line with gearbox or tunnel.',
  shortShaft: 'Only the long side is cut; the width follows, the wheel offset makes up for it.',
  stockShafts: 'The best pair that can be bought; the housing is cut to suit it.',
};

export const METHOD_NAMES: Readonly<Record<CutMethod, string>> = {
  slug: 'Slug out, halves butted',
  endOff: 'End off and on again',
  newTubes: 'New tubes into the casting',
};

export const REACTION_NAMES: Readonly<Record<Reaction, string>> = {
  tyres: 'the tyres: one loads, one lifts',
  springs: 'springs or links that even it out',
};
export const DATUM_NAMES: Readonly<Record<MarkDatum, string>> = {
  casting: 'casting face',
  housingEnd: 'housing-end face',
  pinion: 'pinion axis',
};

export const RETENTION_NAMES: Readonly<Record<Retention, string>> = {
  cClip: 'C-clip',
  boltIn: 'Bolt-in',
  fullFloat: 'Full-float',
};

export const ROUTE_NAMES: Readonly<Record<ShaftRoute, string>> = {
  buy: 'Bought to length',
  shorten: 'Own, shortened and splined again',
};

export const USE_NAMES: Readonly<Record<Use, string>> = {
  road: 'Road',
  hillClimb: 'Hill climb and road',
  strip: 'Strip',
  circuit: 'Circuit',
  trail: 'Trail',
};

export const LAUNCH_NAMES: Readonly<Record<Launch, string>> = {
  rolling: 'Rolling',
  normal: 'Standing, clutch slipped in',
  hard: 'Clutch dumped or transbrake',
};

export const DIFFERENTIAL_NAMES: Readonly<Record<Differential, string>> = {
  open: 'Open',
  limitedSlip: 'Limited-slip',
  locked: 'Locked or spool',
};

export const TOOL_NAMES: Readonly<Record<Tool, string>> = {
  tape: 'Tape and rule',
  caliper: 'Caliper',
  angleGauge: 'Angle gauge with zero',
  indicator: 'Dial indicator',
  grinder: 'Grinder',
  welder: 'Welder',
  press: 'Press',
  lathe: 'Lathe',
  alignmentBar: 'Alignment bar',
  lift: 'Lift or pit',
};

export const SKILL_NAMES: Readonly<Record<Skill, string>> = {
  fitting: 'Fitting',
  structuralWelding: 'Structural welding',
  machining: 'Machining',
  gearSetup: 'Setting gears up',
  wiring: 'Wiring and brakes',
};

export const PHASE_NAMES: Readonly<Record<SquarePhase, string>> = {
  before: 'Before the cut',
  tacked: 'After tacking',
  welded: 'After welding',
};

/** What every sheet for the saw and the welder says. */
export const CAUTIONS: readonly string[] = [
  'Support the car on stands rated for the load, never on a jack alone. Springs store energy.',
  'Wear eye, ear, hand and lung protection when grinding, cutting and welding.',
  'No chlorinated cleaner near heat or arc. Old friction dust may hold asbestos.',
  'Welds on an axle housing are structural: a qualified welder, and inspection. Ends last of all welds.',
  'Never heat, bend or weld heat-treated shafts; a welded shaft can break without warning.',
  'Local codes, inspection and a licensed engineer or certifier decide what may drive on the road. Intervex plans and records; it does not approve.',
];

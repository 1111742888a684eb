import type { Differential, Launch, Reaction, Skill, Tool, Use } from './choices';

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

export const REACTION_NAMES: Readonly<Record<Reaction, string>> = {
  tyres: 'the tyres: one loads, one lifts',
  springs: 'springs or links that even it out',
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

/** What the car is for. */
export type Use = 'road' | 'hillClimb' | 'strip' | 'circuit' | 'trail';
export const USES: readonly Use[] = ['road', 'hillClimb', 'strip', 'circuit', 'trail'];

/** How the car is set off: rolling, a normal standing start, or a dumped clutch or transbrake. */
export type Launch = 'rolling' | 'normal' | 'hard';
export const LAUNCHES: readonly Launch[] = ['rolling', 'normal', 'hard'];

/** What shares the torque between the two shafts. */
export type Differential = 'open' | 'limitedSlip' | 'locked';
export const DIFFERENTIALS: readonly Differential[] = ['open', 'limitedSlip', 'locked'];

/** Tools at hand. */
export type Tool =
  | 'tape'
  | 'caliper'
  | 'angleGauge'
  | 'indicator'
  | 'grinder'
  | 'welder'
  | 'press'
  | 'lathe'
  | 'alignmentBar'
  | 'lift';
export const TOOLS: readonly Tool[] = [
  'tape',
  'caliper',
  'angleGauge',
  'indicator',
  'grinder',
  'welder',
  'press',
  'lathe',
  'alignmentBar',
  'lift',
];

/** Skills at hand. */
export type Skill = 'fitting' | 'structuralWelding' | 'machining' | 'gearSetup' | 'wiring';
export const SKILLS: readonly Skill[] = ['fitting', 'structuralWelding', 'machining', 'gearSetup', 'wiring'];

/** A point of the engine's torque curve. */
export interface TorquePoint {
  readonly rpm: number;
  /** N·m. */
  readonly torque: number;
}

export interface Brief {
  readonly vehicle: string;
  readonly donor: string;
  readonly use: Use;
  /** ISO date, or empty. */
  readonly finishBy: string;
  readonly notes: string;
  readonly launch: Launch;
  readonly differential: Differential;
  /** Gearbox ratios from first on; empty while unknown. */
  readonly gears: readonly number[];
  /** By rising rpm; empty where only the peak is known. */
  readonly torqueCurve: readonly TorquePoint[];
  readonly tools: readonly Tool[];
  readonly skills: readonly Skill[];
}

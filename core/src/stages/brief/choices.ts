import {
  OPEN_CHOICES,
  OPEN_NAMES,
  OPENNESS,
  type OpenChoice,
  some,
  date,
  field,
  freeText,
  list,
  name,
  number,
  object,
  oneOf,
  type Broken,
} from '../../stage';

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

/**
 * What takes the driveshaft’s torque, which lifts one rear wheel and loads the other: the tyres of a live axle, or
 * springs and preload set for it.
 */
export const REACTIONS = ['tyres', 'springs'] as const;
export type Reaction = (typeof REACTIONS)[number];

/** A curve’s points must stand in order of their speed. */
const rising = (points: readonly TorquePoint[]): Broken | undefined =>
  points.every((p, i) => i === 0 || p.rpm > (points[i - 1]?.rpm ?? -1))
    ? undefined
    : { field: '', wrong: 'must rise in rpm from point to point', right: 'points in order of rising rpm' };

const BRIEF = object<Brief>({
  vehicle: name(80, 0),
  donor: name(80, 0),
  use: oneOf(USES),
  finishBy: date,
  notes: freeText(2000, 0),
  launch: oneOf(LAUNCHES),
  differential: oneOf(DIFFERENTIALS),
  gears: list(number(0.4, 8), { max: 10 }),
  torqueCurve: list(object<TorquePoint>({ rpm: number(0, 20_000), torque: number(0, 3000) }), {
    max: 40,
    rule: rising,
  }),
  tools: list(oneOf(TOOLS), { max: TOOLS.length, unique: true }),
  skills: list(oneOf(SKILLS), { max: SKILLS.length, unique: true }),
});

const EMPTY_BRIEF: Brief = {
  vehicle: '',
  donor: '',
  use: 'road',
  finishBy: '',
  notes: '',
  launch: 'normal',
  differential: 'open',
  gears: [],
  torqueCurve: [],
  tools: [],
  skills: [],
};

/** Its place in the plan. */
export const BRIEF_SECTION = {
  parts: {
    brief: field(BRIEF, EMPTY_BRIEF, {
      since: 1,
      called: (key) => `Brief ${key}`,
      sinceOf: { launch: 3, differential: 3, gears: 3, torqueCurve: 3, tools: 3, skills: 3 },
    }),
    /** What may still change; what is not here was never said. */
    open: field(
      some(OPEN_CHOICES, OPENNESS),
      {},
      { since: 7, called: (key) => `How firm ${OPEN_NAMES[key as OpenChoice]} is` },
    ),
  },
  donorName: ['brief', 'donor'] as const,
  choices: {
    reaction: field(oneOf(REACTIONS), 'tyres', {
      since: 6,
      called: () => 'What takes the driveshaft’s torque',
    }),
  },
};

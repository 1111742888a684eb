import {
  field,
  items,
  list,
  name,
  number,
  object,
  oneOf,
  some,
  verdictShape,
  whole,
  type Broken,
  type FieldShape,
} from '../../stage';
import { HELD_BY, type HeldBy } from '../donor/choices';

/** What makes flange and wheel agree where their patterns differ. */
export const PATTERN_ROUTES = ['undecided', 'redrill', 'adapter', 'shafts'] as const;
export type PatternRoute = (typeof PATTERN_ROUTES)[number];

/** The drilling jig: a full ring over the pilot, or a small one that steps round on the studs that are there. */
export const JIGS = ['ring', 'step'] as const;
export type Jig = (typeof JIGS)[number];

/** Brakes for their rotor, or for pads and calipers that any shop has. */
export const BRAKE_VERDICTS = ['bigger', 'serviceable'] as const;

/** Fewest and most holes of a pattern. */
export const HOLES = [3, 10] as const;

/** Faces whose hole patterns have to agree. */
export const PATTERN_FACES = ['flange', 'wheel', 'rotor'] as const;
export type PatternFace = (typeof PATTERN_FACES)[number];

/** One caliper reading between two holes or studs of a pattern. */
export interface ChordReading {
  /** How many holes further on the second one is: 1 for neighbours. */
  readonly steps: number;
  /** As read, mm. */
  readonly distance: number;
  /** Between what it was read. */
  readonly over: 'centres' | 'outside' | 'inside';
  /** Diameter of hole or stud, mm; needed where it was not read between centres. */
  readonly diameter?: number;
}
export const CHORD_OVER = ['centres', 'outside', 'inside'] as const;

/** A hole pattern as it was read. */
export interface PatternReadings {
  /** 3 to 10. */
  readonly holes: number;
  readonly chords: readonly ChordReading[];
}

/** A place of the flange that must stay whole, or is a hole already: rotor screw, access hole, balance hole. */
export interface KeepOut {
  readonly name: string;
  /** From the flange’s middle, mm. */
  readonly radius: number;
  /** From the first old stud hole on, anticlockwise seen from outside, rad. */
  readonly angle: number;
  readonly diameter: number;
}

/** A point in the car, mm: x forward, y left, z up. */
export type Point3 = readonly [x: number, y: number, z: number];

/** A brake line as its corners, before they are rounded. */
export interface BrakeLine {
  readonly name: string;
  readonly points: readonly Point3[];
  /** Of the bender’s die, to the line’s middle, mm. */
  readonly radius: number;
  /** What one flare takes, mm. */
  readonly flare: number;
}

/** Over edges the hole’s or stud’s own diameter has to come off, or on. */
const withDiameter = ({ over, diameter }: ChordReading): Broken | undefined =>
  over === 'centres' || diameter !== undefined
    ? undefined
    : { field: 'diameter', wrong: 'is required', right: 'give this field' };

const [FEWEST, MOST] = HOLES;
const CHORD = object<ChordReading>(
  { steps: whole(1, MOST - 1), distance: number(5, 400), over: oneOf(CHORD_OVER), diameter: number(2, 60) },
  ['diameter'],
  withDiameter,
);
const PATTERN = object<PatternReadings>({ holes: whole(FEWEST, MOST), chords: list(CHORD, { max: 20 }) });

const KEEP_OUT = object<KeepOut>({
  name: name(60),
  radius: number(0, 300),
  angle: number(-2 * Math.PI, 2 * Math.PI),
  diameter: number(1, 120),
});

const POINT = list(number(-6000, 6000), { min: 3, max: 3 }) as FieldShape<Point3>;
const LINE = object<BrakeLine>({
  name: name(60),
  points: list(POINT, { max: 40 }),
  radius: number(3, 200),
  flare: number(0, 30),
});

/** What is the wheel’s stays with the car. */
const wheelOnly = ({ wheel }: Patterns): Patterns => (wheel ? { wheel } : {});
type Patterns = Readonly<Partial<Record<PatternFace, PatternReadings>>>;

/** Its place in the plan. */
export const HUB_SECTION = {
  choices: {
    /** What holds the shafts in afterwards; what held them before goes on holding them. */
    retentionTo: field<HeldBy>(oneOf(HELD_BY), 'unsaid', {
      since: 5,
      belongs: 'axle',
      called: () => 'What holds the shafts afterwards',
      startFrom: ({ choices }) => (choices as { retention?: HeldBy } | undefined)?.retention,
    }),
    pattern: field<PatternRoute>(oneOf(PATTERN_ROUTES), 'undecided', {
      since: 5,
      belongs: 'axle',
      called: () => 'Way to the hole pattern',
    }),
    jig: field<Jig>(oneOf(JIGS), 'ring', { since: 5, called: () => 'Drilling jig' }),
  },
  parts: {
    patterns: field<Patterns>(
      some(PATTERN_FACES, PATTERN),
      {},
      {
        bench: true,
        since: 5,
        belongs: 'axle',
        forDonor: wheelOnly,
        called: (face) => `Hole pattern of the ${face}`,
      },
    ),
    keepOuts: field(
      items(KEEP_OUT, 40),
      {},
      {
        bench: true,
        since: 5,
        belongs: 'axle',
        called: (key) => `Not to be drilled: ${key}`,
      },
    ),
    lines: field(items(LINE, 20), {}, { since: 5, belongs: 'axle', called: (key) => `Brake line ${key}` }),
  },
  verdicts: { brakes: field(verdictShape(BRAKE_VERDICTS), undefined, { since: 4, belongs: 'axle' }) },
  searches: {
    stud: { belongs: 'axle', called: 'Studs from the counter' },
    brakeKit: { belongs: 'axle', called: 'Brake kit from the counter' },
  },
} as const;

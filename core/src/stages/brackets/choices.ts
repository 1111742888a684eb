import { BOLT_BENDS, type BoltBend } from '../../mechanics';
import { field, freeText, items, name, number, object, oneOf, type Broken } from '../../stage';

/** What may stand on an axle. */
export const BRACKET_KINDS = [
  'perch',
  'link',
  'shock',
  'coil',
  'lateral',
  'bumpStop',
  'truss',
  'brace',
  'breather',
  'drain',
  'filler',
  'hoseTab',
  'clip',
] as const;
export type BracketKind = (typeof BRACKET_KINDS)[number];

/** The tube it stands on; or all across the axle, as a truss does. */
export const BRACKET_SIDES = ['left', 'right', 'across'] as const;
export type BracketSide = (typeof BRACKET_SIDES)[number];

/** From where along the axle a place is measured. */
export const BRACKET_DATUMS = ['casting', 'end', 'centre', 'seat'] as const;
export type BracketDatum = (typeof BRACKET_DATUMS)[number];

/** Which part of it the place is of. */
export const BRACKET_EDGES = ['inner', 'middle', 'outer'] as const;
export type BracketEdge = (typeof BRACKET_EDGES)[number];

/** What the gauge was zeroed on when its angle was read. */
export const BRACKET_ZEROS = ['flat', 'level'] as const;
export type BracketZero = (typeof BRACKET_ZEROS)[number];

/** What its place was read with. */
export const BRACKET_TOOLS = ['tape', 'rule', 'caliper'] as const;
export type BracketTool = (typeof BRACKET_TOOLS)[number];

/** How it is held. */
export const BRACKET_HOLDS = ['welded', 'clamped', 'drilled'] as const;
export type BracketHold = (typeof BRACKET_HOLDS)[number];

/** As it stood on the old axle. mm, rad; clock 0 at the top, toward the front plus. */
export interface OldPlace {
  readonly datum: BracketDatum;
  readonly at: number;
  readonly tool: BracketTool;
  readonly clock?: number;
  readonly zero: BracketZero;
}

/** Where it is wanted on the new axle; the clock against the casting’s flat. */
export interface NewPlace {
  readonly datum: BracketDatum;
  /** Left out where only the clock is wanted: its distance then follows from kit, old axle or car. */
  readonly at?: number;
  readonly clock?: number;
}

/** As it was read once it was tacked or welded: from the datum of the sheet, the casting face. */
export interface MadePlace {
  readonly by: 'tacked' | 'welded';
  readonly at: number;
  readonly clock?: number;
}

/** Something on the axle. Lengths mm, angles rad. */
export interface Bracket {
  readonly name: string;
  readonly kind: BracketKind;
  readonly side: BracketSide;
  /** What it takes along the axle, and round the tube on its skin. */
  readonly wide: number;
  readonly round: number;
  /** How far it stands off the skin. */
  readonly high?: number;
  readonly hold: BracketHold;
  readonly edge: BracketEdge;
  readonly old?: OldPlace;
  /** Distance between its pair of pickup points on the car: half of it from the centreline. */
  readonly apart?: number;
  /** Set on purpose; goes before what follows from old axle, car or kit. */
  readonly place?: NewPlace;
  /** Id of the kit it belongs to, and its place within that. */
  readonly kit?: string;
  readonly inKit?: number;
  readonly inKitClock?: number;
  readonly made?: MadePlace;
  /** Bolt through it, thickness of each of its two plates, leg of its welds. */
  readonly bolt?: number;
  readonly plate?: number;
  readonly leg?: number;
  readonly note?: string;
}

const STEEP = 2 * Math.PI;
const PLACE = number(-1600, 1600);
const CLOCK = number(-STEEP, STEEP);
const OLD = object<OldPlace>(
  {
    datum: oneOf<BracketDatum>(BRACKET_DATUMS),
    at: PLACE,
    tool: oneOf<BracketTool>(BRACKET_TOOLS),
    clock: CLOCK,
    zero: oneOf<BracketZero>(BRACKET_ZEROS),
  },
  ['clock'],
);
const NEW = object<NewPlace>({ datum: oneOf<BracketDatum>(BRACKET_DATUMS), at: PLACE, clock: CLOCK }, [
  'at',
  'clock',
]);
const MADE = object<MadePlace>({ by: oneOf<MadePlace['by']>(['tacked', 'welded']), at: PLACE, clock: CLOCK }, [
  'clock',
]);

/** A bolt goes through less than the bracket is wide, and what stands all across has no side’s own reading. */
export const bracketProblem = ({ bolt, wide }: Bracket): Broken | undefined =>
  bolt === undefined || bolt < wide
    ? undefined
    : { field: 'bolt', wrong: 'must be smaller than its bracket is wide', right: `less than ${wide} mm` };

const BRACKET = object<Bracket>(
  {
    name: name(60),
    kind: oneOf<BracketKind>(BRACKET_KINDS),
    side: oneOf<BracketSide>(BRACKET_SIDES),
    wide: number(1, 2600),
    round: number(1, 700),
    high: number(0, 400),
    hold: oneOf<BracketHold>(BRACKET_HOLDS),
    edge: oneOf<BracketEdge>(BRACKET_EDGES),
    old: OLD,
    apart: number(50, 2400),
    place: NEW,
    kit: name(60),
    inKit: PLACE,
    inKitClock: CLOCK,
    made: MADE,
    bolt: number(3, 60),
    plate: number(1, 40),
    leg: number(1, 25),
    note: freeText(200, 0),
  },
  ['high', 'old', 'apart', 'place', 'kit', 'inKit', 'inKitClock', 'made', 'bolt', 'plate', 'leg', 'note'],
  bracketProblem,
);

/** Several brackets with fixed places to each other, set as one. */
export interface BracketKit {
  readonly name: string;
  readonly side: BracketSide;
  readonly datum: BracketDatum;
  readonly at: number;
  /** The same datum of the kit, by another of the axle’s: they have to agree. */
  readonly datum2?: BracketDatum;
  readonly at2?: number;
}
const KIT = object<BracketKit>(
  {
    name: name(60),
    side: oneOf<BracketSide>(BRACKET_SIDES),
    datum: oneOf<BracketDatum>(BRACKET_DATUMS),
    at: PLACE,
    datum2: oneOf<BracketDatum>(BRACKET_DATUMS),
    at2: PLACE,
  },
  ['datum2', 'at2'],
  ({ datum2, at2 }) =>
    (datum2 === undefined) === (at2 === undefined)
      ? undefined
      : { field: 'at2', wrong: 'wants its datum and its place together', right: 'both, or neither' },
);

/** Which way up its springs lie. */
export const SPRING_SIDES = ['under', 'over'] as const;
export type SpringSide = (typeof SPRING_SIDES)[number];

/** A bolt and the hole it goes into, of an old link and a new one, or the other way round. mm. */
export interface BoltJoint {
  readonly name: string;
  readonly bolt: number;
  readonly hole: number;
  /** Whether the hole’s own part may be drilled, and sleeved. */
  readonly may: 'both' | 'drill' | 'sleeve' | 'neither';
}
export const JOINT_MAYS = ['both', 'drill', 'sleeve', 'neither'] as const;
const JOINT = object<BoltJoint>({
  name: name(60),
  bolt: number(3, 60),
  hole: number(3, 80),
  may: oneOf<BoltJoint['may']>(JOINT_MAYS),
});

/** Where a link holds. */
export const LINK_KINDS = ['lower', 'upper', 'lateral', 'ladder', 'torque'] as const;
export type LinkKind = (typeof LINK_KINDS)[number];
/** Whether a spanner gets at its lock nut with the car on the ground. */
export const REACHES = ['unsaid', 'yes', 'no'] as const;
export type Reach = (typeof REACHES)[number];

/** A link: a tube with a rod end in each end. mm. */
export interface Link {
  readonly name: string;
  readonly kind: LinkKind;
  readonly side: BracketSide;
  /** Eye to eye, as wanted. */
  readonly eyes: number;
  readonly outside: number;
  readonly wall: number;
  /** Thread of its rod ends; of each, its eye’s middle to the end of its thread. */
  readonly thread: number;
  readonly end: number;
  /** Eye’s middle to the tube’s end: as set, and with the lock nut run home. */
  readonly out: number;
  readonly least: number;
  readonly reach: Reach;
}
/** A tube has a bore, and its rod ends reach into it. */
export const linkProblem = ({ wall, outside, out, end, least }: Link): Broken | undefined => {
  if (wall > outside / 2)
    return { field: 'wall', wrong: 'must be at most half of the outside', right: `at most ${outside / 2} mm` };
  if (out > end)
    return { field: 'out', wrong: 'must not be more than the rod end is long', right: `at most ${end} mm` };
  return least > out
    ? { field: 'least', wrong: 'must not be more than as set', right: `at most ${out} mm` }
    : undefined;
};

const LINK = object<Link>(
  {
    name: name(60),
    kind: oneOf<LinkKind>(LINK_KINDS),
    side: oneOf<BracketSide>(BRACKET_SIDES),
    eyes: number(60, 2500),
    outside: number(8, 120),
    wall: number(0.8, 60),
    thread: number(4, 40),
    end: number(10, 250),
    out: number(0, 250),
    least: number(0, 250),
    reach: oneOf<Reach>(REACHES),
  },
  [],
  linkProblem,
);

/** Thread of a fitting that is moved. */
export const FITTING_THREADS = ['unsaid', 'g18', 'g14', 'n18', 'n14', 'm10', 'm12', 'm16'] as const;
export type FittingThread = (typeof FITTING_THREADS)[number];

const WHEN = ['first', 'last'] as const;
export type PerchTurn = (typeof WHEN)[number];

/** Its place in the plan. */
export const BRACKETS_SECTION = {
  choices: {
    springsNow: field<SpringSide>(oneOf(SPRING_SIDES), 'over', { since: 8, called: () => 'Springs by now' }),
    springsWanted: field<SpringSide>(oneOf(SPRING_SIDES), 'over', {
      since: 8,
      called: () => 'Springs as wanted',
    }),
    boltBend: field<BoltBend>(oneOf(BOLT_BENDS), 'round', { since: 8, called: () => 'Bend of the U-bolts' }),
    perchesWelded: field<PerchTurn>(oneOf(WHEN), 'last', { since: 8, called: () => 'When perches are welded' }),
    fittingThread: field<FittingThread>(oneOf(FITTING_THREADS), 'unsaid', {
      since: 8,
      called: () => 'Thread of the moved fitting',
    }),
  },
  parts: {
    brackets: field(items(BRACKET, 80), {}, { since: 8, called: (key) => `Bracket ${key}` }),
    bracketKits: field(items(KIT, 12), {}, { since: 8, called: (key) => `Kit ${key}` }),
    boltJoints: field(items(JOINT, 30), {}, { since: 8, called: (key) => `Bolt and hole ${key}` }),
    links: field(items(LINK, 24), {}, { since: 8, called: (key) => `Link ${key}` }),
    /** Steps of the weld order that are done, by their id: the day. */
    weldSteps: field(items(name(20), 120), {}, { since: 8, bench: true, called: (key) => `Weld step ${key}` }),
  },
} as const;

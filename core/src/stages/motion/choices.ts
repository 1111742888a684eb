import { field, items, name, number, object, oneOf, whole, type Broken } from '../../stage';

/** What joins axle and car. */
export const ARM_KINDS = [
  'lower',
  'upper',
  'lateral',
  'ladder',
  'torqueArm',
  'coil',
  'damper',
  'coilOver',
] as const;
export type ArmKind = (typeof ARM_KINDS)[number];

/** Where it is: one each side alike, or on one side, or by itself. */
export const ARM_SIDES = ['pair', 'left', 'right', 'single'] as const;
export type ArmSide = (typeof ARM_SIDES)[number];

/** What its places were read with; or they are only wanted so. */
export const ARM_TOOLS = ['tape', 'rule', 'chosen'] as const;
export type ArmTool = (typeof ARM_TOOLS)[number];

/**
 * A link, bar, arm, spring or damper between axle and car, at ride height. mm: x forward from the axle’s middle, y left
 * of the car’s centreline, z up from the floor. Of a pair, the left one.
 */
export interface Arm {
  readonly name: string;
  readonly kind: ArmKind;
  readonly side: ArmSide;
  readonly tool: ArmTool;
  /** Its end at the axle, unless a bracket says where that is; of a ladder bar or torque arm there is none. */
  readonly ax?: number;
  readonly ay?: number;
  readonly az?: number;
  /** Bracket on the axle that holds it; of a pair the left one. */
  readonly bracket?: string;
  /** Of a pair, the bracket that holds the right one. */
  readonly bracketRight?: string;
  /** Its end at the car. */
  readonly cx: number;
  readonly cy: number;
  readonly cz: number;
  /** Holes at either end, counted from the one lowest: how many, which the places are of, which is used, and the next one’s place. */
  readonly aHoles?: number;
  readonly aRead?: number;
  readonly aUse?: number;
  readonly aStepX?: number;
  readonly aStepZ?: number;
  readonly cHoles?: number;
  readonly cRead?: number;
  readonly cUse?: number;
  readonly cStepX?: number;
  readonly cStepZ?: number;
  /** Rate of both its bushings in line, N/mm; the project’s where left out. */
  readonly rate?: number;
  readonly outside?: number;
  readonly wall?: number;
  /** Bolt through either end, mm. */
  readonly bolt?: number;
}

const X = number(-1200, 3500);
const Y = number(-1200, 1200);
const Z = number(-100, 1500);
const HOLE = whole(1, 12);
const STEP = number(-120, 120);

/** Nearer than this, two places are one, mm. */
const SHORTEST = 20;
/** Holes that the places are of, and that are used, are among those there are. */
function holesProblem(arm: Arm, end: 'a' | 'c'): Broken | undefined {
  const [count, read, use] = [arm[`${end}Holes`] ?? 1, arm[`${end}Read`] ?? 1, arm[`${end}Use`]];
  const wrong = (field: string) => ({
    field,
    wrong: 'is not among the holes there are',
    right: `1 to ${count}`,
  });
  if (read > count) return wrong(`${end}Read`);
  return use !== undefined && use > count ? wrong(`${end}Use`) : undefined;
}

/** What does not go together in one arm. */
export function armProblem(arm: Arm): Broken | undefined {
  const { ax, ay, az, cx, cy, cz, side, outside, wall } = arm;
  const at = [ax, ay, az].filter((v) => v !== undefined).length;
  if (at % 3)
    return { field: 'az', wrong: 'wants all three of its place at the axle', right: 'forward, left and up' };
  if (ax !== undefined && ay !== undefined && az !== undefined) {
    const long = Math.hypot(ax - cx, ay - cy, az - cz);
    if (long < SHORTEST)
      return { field: 'cx', wrong: 'is where its other end is', right: `at least ${SHORTEST} mm away` };
  }
  if (side === 'pair' && (cy <= 0 || (ay ?? 1) <= 0))
    return {
      field: 'cy',
      wrong: 'must be left of the centreline: the right one is its mirror image',
      right: 'above 0',
    };
  if (wall !== undefined && outside !== undefined && wall > outside / 2)
    return { field: 'wall', wrong: 'must be at most half of the outside', right: `at most ${outside / 2} mm` };
  return holesProblem(arm, 'a') ?? holesProblem(arm, 'c');
}

const ARM = object<Arm>(
  {
    name: name(60),
    kind: oneOf<ArmKind>(ARM_KINDS),
    side: oneOf<ArmSide>(ARM_SIDES),
    tool: oneOf<ArmTool>(ARM_TOOLS),
    ax: X,
    ay: Y,
    az: Z,
    bracket: name(60),
    bracketRight: name(60),
    cx: X,
    cy: Y,
    cz: Z,
    aHoles: HOLE,
    aRead: HOLE,
    aUse: HOLE,
    aStepX: STEP,
    aStepZ: STEP,
    cHoles: HOLE,
    cRead: HOLE,
    cUse: HOLE,
    cStepX: STEP,
    cStepZ: STEP,
    rate: number(10, 1_000_000),
    outside: number(8, 120),
    wall: number(0.8, 60),
    bolt: number(3, 60),
  },
  [
    'ax',
    'ay',
    'az',
    'bracket',
    'bracketRight',
    'aHoles',
    'aRead',
    'aUse',
    'aStepX',
    'aStepZ',
    'cHoles',
    'cRead',
    'cUse',
    'cStepX',
    'cStepZ',
    'rate',
    'outside',
    'wall',
    'bolt',
  ],
  armProblem,
);

export const CRANK_HOLDS = ['axle', 'car'] as const;
export type CrankHold = (typeof CRANK_HOLDS)[number];

/** A crank with two bars that keeps the axle’s middle: its pivot, both eyes of it, and the bars’ other ends. mm. */
export interface Crank {
  readonly name: string;
  readonly on: CrankHold;
  readonly px: number;
  readonly py: number;
  readonly pz: number;
  readonly topY: number;
  readonly topZ: number;
  readonly lowY: number;
  readonly lowZ: number;
  readonly topEndY: number;
  readonly topEndZ: number;
  readonly lowEndY: number;
  readonly lowEndZ: number;
  /** Of one bar’s bushings in line, N/mm. */
  readonly rate?: number;
  /** Of either bar, and the bolt through either end of it, mm. */
  readonly outside?: number;
  readonly wall?: number;
  readonly bolt?: number;
  /** Brackets on the axle that hold the bars’ ends, or the crank’s pivot. */
  readonly topBracket?: string;
  readonly lowBracket?: string;
}
/** Bars have a length, and the crank an arm at either side. */
export function crankProblem(c: Crank): Broken | undefined {
  for (const [eye, label] of [
    ['top', 'top'],
    ['low', 'lower'],
  ] as const) {
    const [y, z] = [c[`${eye}Y`], c[`${eye}Z`]];
    if (Math.hypot(y - c.py, z - c.pz) < 5)
      return {
        field: `${eye}Z`,
        wrong: `is where the pivot is: the ${label} arm has no length`,
        right: 'at least 5 mm away',
      };
    if (Math.hypot(y - c[`${eye}EndY`], z - c[`${eye}EndZ`]) < SHORTEST)
      return { field: `${eye}EndY`, wrong: 'is where the bar’s eye is', right: `at least ${SHORTEST} mm away` };
  }
  if (c.wall !== undefined && c.outside !== undefined && c.wall > c.outside / 2)
    return {
      field: 'wall',
      wrong: 'must be at most half of the outside',
      right: `at most ${c.outside / 2} mm`,
    };
  return undefined;
}
const CRANK = object<Crank>(
  {
    name: name(60),
    on: oneOf<CrankHold>(CRANK_HOLDS),
    px: X,
    py: Y,
    pz: Z,
    topY: Y,
    topZ: Z,
    lowY: Y,
    lowZ: Z,
    topEndY: Y,
    topEndZ: Z,
    lowEndY: Y,
    lowEndZ: Z,
    rate: number(10, 1_000_000),
    outside: number(8, 120),
    wall: number(0.8, 60),
    bolt: number(3, 60),
    topBracket: name(60),
    lowBracket: name(60),
  },
  ['rate', 'outside', 'wall', 'bolt', 'topBracket', 'lowBracket'],
  crankProblem,
);

export const OBSTACLE_KINDS = ['point', 'edge', 'box'] as const;
export type ObstacleKind = (typeof OBSTACLE_KINDS)[number];

/** Something of the car that does not move: a point, an edge between two places, or a box between two corners. mm. */
export interface Obstacle {
  readonly name: string;
  readonly kind: ObstacleKind;
  readonly x: number;
  readonly y: number;
  readonly z: number;
  readonly x2?: number;
  readonly y2?: number;
  readonly z2?: number;
  /** Room to keep to it; the project’s limit where left out. */
  readonly clear?: number;
}
/** Edge and box have a second place. */
export const obstacleProblem = ({ kind, x2, y2, z2 }: Obstacle): Broken | undefined =>
  kind === 'point' || [x2, y2, z2].every((v) => v !== undefined)
    ? undefined
    : { field: 'x2', wrong: 'is missing: an edge or a box goes from one place to another', right: 'all three' };
const OBSTACLE = object<Obstacle>(
  {
    name: name(60),
    kind: oneOf<ObstacleKind>(OBSTACLE_KINDS),
    x: X,
    y: Y,
    z: number(-100, 2000),
    x2: X,
    y2: Y,
    z2: number(-100, 2000),
    clear: number(0, 200),
  },
  ['x2', 'y2', 'z2', 'clear'],
  obstacleProblem,
);

/** At which line the instant centre is aimed: the neutral line, a share of anti-squat, or a place of one’s own. */
export const SQUAT_AIMS = ['neutral', 'percent', 'place'] as const;
export type SquatAim = (typeof SQUAT_AIMS)[number];

/** Which way the driveshaft turns while it drives forward, seen from the front of the car. */
export const SHAFT_TURNS = ['unsaid', 'clockwise', 'counter'] as const;
export type ShaftTurn = (typeof SHAFT_TURNS)[number];

/** How the front pivots of ladder bars hold: free to slide along their bolts, or in bushings that hold sideways too. */
export const LADDER_FRONTS = ['unsaid', 'sliding', 'bushed'] as const;
export type LadderFront = (typeof LADDER_FRONTS)[number];

/** Its place in the plan. */
export const MOTION_SECTION = {
  choices: {
    squatAim: field<SquatAim>(oneOf(SQUAT_AIMS), 'neutral', {
      since: 9,
      called: () => 'What the instant centre is aimed at',
    }),
    shaftTurns: field<ShaftTurn>(oneOf(SHAFT_TURNS), 'unsaid', {
      since: 9,
      called: () => 'Which way the driveshaft turns',
    }),
    /** Came while version 9 stood: a file of that version may have it, or not. */
    ladderFront: field<LadderFront>(oneOf(LADDER_FRONTS), 'unsaid', {
      since: 10,
      called: () => 'How the front pivots of ladder bars hold',
    }),
  },
  parts: {
    arms: field(items(ARM, 24), {}, { since: 9, called: (key) => `Suspension ${key}` }),
    cranks: field(items(CRANK, 1), {}, { since: 9, called: (key) => `Crank ${key}` }),
    obstacles: field(items(OBSTACLE, 200), {}, { since: 9, called: (key) => `Obstacle ${key}` }),
  },
  searches: { spring: { belongs: 'car', called: 'Springs from the counter' } },
} as const;

import { between, pick, some } from './draws';
import { CARRIERS, CONDITIONS, COUPLINGS, DRIVEN } from '../stages/gears/choices';
import { bracketParts } from './random-brackets';
import { motionParts } from './random-motion';
import { BOLT_BENDS } from '../mechanics';
import { FITTING_THREADS, SPRING_SIDES } from '../stages/brackets/choices';
import { LADDER_FRONTS, SHAFT_TURNS, SQUAT_AIMS } from '../stages/motion/choices';
import { AIMS, PIECES, SUSPENSIONS } from '../stages/driveline/choices';
import { OPEN_CHOICES, OPEN_STATES } from '../stage';
import {
  type LimitChange,
  FACT_EVIDENCE,
  type PartOffer,
  type PartSearch,
  type Fact,
  type Quantity,
} from '../stage';
import { instrumentsFor, type Reading } from '../measure';
import { seededRandom, type Random } from '../numerics';
import { EMPTY_PLAN, FACTS, QUANTITIES, type Plan, LIMIT_IDS, LIMITS } from '../plan';
import { CHORD_OVER, JIGS, PATTERN_FACES, PATTERN_ROUTES, type ChordReading } from '../stages/hubs/choices';
import { CUT_METHODS, MARK_DATUMS, SCHOOLS } from '../stages/cut/choices';
import { DIFFERENTIALS, LAUNCHES, REACTIONS, USES } from '../stages/brief/choices';
import { JOINT_IDS, VERDICTS } from '../stages/donor/joints/choices';
import { RETENTIONS } from '../stages/donor/choices';
import { SHAFT_ROUTES } from '../stages/shafts/choices';
import { SPACERS } from '../stages/stance/choices';

/** A value that may be typed: near the usual one, anywhere in the range, or at its very end. */
function valueOf(random: Random, q: Quantity, usual: number | undefined): number {
  const how = random();
  const value =
    usual !== undefined && how < 0.55
      ? usual * (1 + 0.02 * (random() - 0.5))
      : how < 0.85
        ? between(random, q.min, q.max)
        : pick(random, [q.min, q.max]);
  const held = Math.min(q.max, Math.max(q.min, value));
  return q.whole ? Math.round(held) : held;
}

function readingOf(random: Random, q: Quantity, usual: number | undefined): Reading {
  const value = valueOf(random, q, usual);
  const again = random() < 0.15 ? [{ value: valueOf(random, q, value) }] : [];
  return { repeats: [{ value }, ...again], instrument: pick(random, instrumentsFor(q.unit)) };
}

const MOST_PARTS = 3;

function offers(random: Random): readonly PartOffer[] {
  return Array.from({ length: 1 + Math.floor(random() * MOST_PARTS) }, (_, i) => {
    const size: Record<string, number> = {};
    for (const [key, low, high] of SIZES)
      if (random() < 0.8) size[key] = Math.round(between(random, low, high) * 2) / 2;
    return {
      number: `WF-${i}`,
      name: `Shaft ${i}`,
      kind: 'shaft' as const,
      seller: 'Withy Shaftworks',
      price: Math.round(random() * 400),
      stock: Math.floor(random() * 3),
      leadDays: Math.floor(random() * 30),
      size,
    };
  });
}
const SIZES: readonly (readonly [string, number, number])[] = [
  ['length', 0, 1200],
  ['teeth', 0, 60],
  ['pitch', 0, 48],
  ['journal', 0, 60],
  ['holes', 0, 10],
  ['pcd', 0, 200],
  ['hole', 0, 20],
  ['spline', 0, 90],
  ['seal', 20, 60],
  ['body', 0, 60],
  ['bore', 10, 60],
  ['outside', 30, 100],
  ['width', 5, 30],
  ['rate', 0, 80],
  ['free', 0, 400],
  ['solid', 0, 260],
  ['inside', 0, 120],
];

function searchOf(random: Random): PartSearch {
  const found = offers(random);
  return {
    asked: { inside: between(random, 20, 60), outside: between(random, 40, 100) },
    of: 40,
    found,
    ...(random() < 0.7 ? { chosen: pick(random, found).number } : {}),
    from: pick(random, ['counter', 'list'] as const),
    at: '2027-02-03T09:00:00.000Z',
    who: 'Ansa',
  };
}

function chord(random: Random, holes: number): ChordReading {
  return {
    steps: 1 + Math.floor(random() * (random() < 0.1 ? 9 : holes - 1)),
    distance: between(random, 5, 400),
    over: pick(random, CHORD_OVER),
    diameter: between(random, 2, 60),
  };
}

/**
 * A plan that every field of the file format allows, and nothing more: readings left out at random, usual, absurd or at
 * the end of their range, any choice beside any other. The same seed gives the same plan.
 *
 * @param usual a plan whose readings serve as usual values
 */
export function randomPlan(seed: number, usual: Plan): Plan {
  const random = seededRandom(seed);
  const share = pick(random, [0.2, 0.5, 0.8, 0.95, 1]);
  const readings: Record<string, Reading> = {};
  for (const q of QUANTITIES)
    if (random() < share * (usual.readings[q.id] ? 1 : 0.5))
      readings[q.id] = readingOf(random, q, usual.readings[q.id]?.repeats[0]?.value);
  const holes = 3 + Math.floor(random() * 8);
  return {
    ...EMPTY_PLAN,
    brief: {
      ...EMPTY_PLAN.brief,
      vehicle: 'Hollin Tern',
      use: pick(random, USES),
      launch: pick(random, LAUNCHES),
      differential: pick(random, DIFFERENTIALS),
      finishBy: pick(random, ['', '2027-03-20']),
      gears: random() < 0.5 ? [between(random, 0.4, 8), 1] : [],
      torqueCurve:
        random() < 0.3
          ? [
              { rpm: 0, torque: 0 },
              { rpm: 4000, torque: between(random, 0, 3000) },
            ]
          : [],
    },
    choices: {
      school: pick(random, SCHOOLS),
      method: pick(random, CUT_METHODS),
      datum: pick(random, MARK_DATUMS),
      retention: pick(random, RETENTIONS),
      retentionTo: pick(random, RETENTIONS),
      shaftRoute: pick(random, SHAFT_ROUTES),
      tyre: pick(random, ['', '165R13', '195/60R15', '26x8.5-15', 'no size']),
      spacer: pick(random, SPACERS),
      pattern: pick(random, PATTERN_ROUTES),
      jig: pick(random, JIGS),
      reaction: pick(random, REACTIONS),
      aim: pick(random, AIMS),
      suspension: pick(random, SUSPENSIONS),
      pieces: pick(random, PIECES),
      coupling: pick(random, COUPLINGS),
      driven: pick(random, DRIVEN),
      gearSet: pick(random, ['', 'here', 'own', 'gone']),
      springsNow: pick(random, SPRING_SIDES),
      springsWanted: pick(random, SPRING_SIDES),
      boltBend: pick(random, BOLT_BENDS),
      perchesWelded: pick(random, ['first', 'last'] as const),
      fittingThread: pick(random, FITTING_THREADS),
      squatAim: pick(random, SQUAT_AIMS),
      shaftTurns: pick(random, SHAFT_TURNS),
      ladderFront: pick(random, LADDER_FRONTS),
    },
    readings,
    limits: some(random, LIMIT_IDS, 0.1, (id): LimitChange => {
      const limit = LIMITS[id as keyof typeof LIMITS];
      return { value: between(random, limit.min, limit.max), reason: 'As the shop does it' };
    }),
    facts: some(
      random,
      FACTS.map((f) => f.id),
      0.6,
      (id): Fact => ({
        value: pick(random, FACTS.find((f) => f.id === id)?.options ?? []).value,
        evidence: pick(random, FACT_EVIDENCE),
      }),
    ),
    joints: some(random, JOINT_IDS, 0.3, () => ({
      cost: random() * 200,
      hours: random() * 9,
      ...(random() < 0.4 ? { verdict: pick(random, VERDICTS), reason: 'Tried on the bench' } : {}),
    })),
    searches: some(random, ['bearing', 'seal', 'shaftLeft', 'shaftRight', 'spring'], 0.6, () =>
      searchOf(random),
    ),
    tubeItems: some(random, ['perch', 'breather'], 0.5, (name) => {
      const from = between(random, 0, 700);
      return { side: pick(random, ['left', 'right'] as const), name, from, to: from + random() * 100 };
    }),
    patterns: some(random, PATTERN_FACES, 0.4, () => ({
      holes,
      chords: Array.from({ length: 1 + Math.floor(random() * 4) }, () => chord(random, holes)),
    })),
    keepOuts: some(random, ['screw'], 0.4, (name) => ({
      name,
      radius: between(random, 0, 300),
      angle: between(random, -6, 6),
      diameter: between(random, 1, 120),
    })),
    lines: some(random, ['tee'], 0.4, (name) => ({
      name,
      radius: between(random, 3, 200),
      flare: random() * 30,
      points: Array.from(
        { length: 2 + Math.floor(random() * 5) },
        () => [between(random, -900, 900), between(random, -900, 900), between(random, 0, 400)] as const,
      ),
    })),
    open: some(random, OPEN_CHOICES, 0.5, () => ({
      state: pick(random, OPEN_STATES),
      reason: 'As the shop has it',
      who: 'Wim',
    })),
    gearOffers: some(random, ['own'], 0.5, () => ({
      name: 'Short set',
      ring: 41,
      pinion: 5 + Math.floor(random() * 12),
      carrier: pick(random, CARRIERS),
      condition: pick(random, CONDITIONS),
      price: between(random, 0, 900),
      leadDays: Math.floor(random() * 40),
    })),
    gearTrials: some(random, ['first', 'second'], 0.5, (name) => ({
      n: name === 'first' ? 1 : 2,
      pinionShim: between(random, 0, 8),
      ringSide: between(random, 0, 12),
      otherSide: between(random, 0, 12),
      backlash: Array.from({ length: 4 }, () => between(random, 0, 2)),
      drive: { along: between(random, -1, 1), across: between(random, -1, 1) },
      coast: { along: between(random, -1, 1), across: between(random, -1, 1) },
    })),
    shimKit: {
      pinion: random() < 0.5 ? [0.5, 0.3, 0.2, 0.05] : [],
      carrier: random() < 0.5 ? [1.5, 1.2, 0.5, 0.3, 0.1] : [],
    },
    overShaft: some(random, ['floor'], 0.4, (name) => ({
      name,
      along: between(random, -300, 4000),
      under: between(random, 50, 1500),
    })),
    ...bracketParts(random),
    ...motionParts(random),
  };
}

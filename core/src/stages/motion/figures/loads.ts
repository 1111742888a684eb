import { type PlaceId, unless } from '../../../stage';
import { derive, given, type Figure, type Maybe } from '../../../measure';
import { axleLoads } from '../../../mechanics/axle-loads';
import type { Point3 } from '../../../mechanics/solid-axle';
import { centreHeight, torque } from '../../brief/figures/torque';
import { pairLoads } from '../../brackets/figures/links';
import { track } from '../../stance/figures/stance';
import { node, type Reads } from '../node';
import type { Stand } from '../study';
import { memberId } from './arms';
import { pointOf, type Member } from './held';
import { besideOf, solvedFrom, standing, type Beside, type Standing } from './study';

/** When an axle is loaded. */
const CASES = ['launch', 'braking', 'cornering'] as const;
type LoadCase = (typeof CASES)[number];

/** What the road and the driveshaft do to the axle, as figures. */
interface Pushes {
  /** Forward push of both tyres, N; minus under braking. */
  readonly thrust: Figure;
  /** Load on both tyres, N. */
  readonly load: Figure;
  /** Push of the road to the left on both tyres, N. */
  readonly side: Figure;
  /** Driveshaft’s torque on the housing about the way forward, N·m. */
  readonly turn: Figure;
  readonly track: Figure;
  readonly weight: Figure;
}

/** What is missing for the loads, by quantity. */
interface LoadInputs {
  readonly launch: Pushes | undefined;
  readonly braking: Pushes | undefined;
  readonly cornering: Pushes | undefined;
  readonly lacks: readonly PlaceId[];
}

const G = '9.80665';

function shaftTurn(r: Reads, thrust: Figure): Maybe {
  const [H, i] = [r.figure('drive.axleHeight'), r.figure('brief.axleRatio')];
  if (!H || !i) return undefined;
  const way = r.choice('shaftTurns');
  const d = given('motion.shaftWay', 'Which way the driveshaft turns', way === 'counter' ? 1 : -1, 0, 'count', {
    source: 'Seen from the front: −1 clockwise, 1 counter-clockwise',
    ...(way === 'unsaid' ? { assumed: 'clockwise seen from the front, as most engines turn' } : {}),
  });
  return derive({
    id: 'motion.shaftTurn',
    label: 'Driveshaft’s torque on the housing',
    unit: 'Nm',
    formula: '{d}·{X}·{H}/(1000·{i})',
    source: 'What the tyres’ push asks of the driveshaft through the axle’s ratio',
    inputs: { d, X: thrust, H, i },
  });
}

/** Rear load and push under braking, by the rear’s share of it and the tyres’ friction. */
function braking(r: Reads): Pick<Pushes, 'thrust' | 'load'> | undefined {
  const ids = ['brief.front', 'brief.rear', 'brief.wheelbase', 'brief.friction'] as const;
  const [F, R, L, μ] = ids.map((id) => r.figure(id));
  const h = r.of(centreHeight);
  const q = r.figure('motion.rearBrake');
  if (!F || !R || !L || !h || !μ || !q) return undefined;
  const load = derive({
    id: 'motion.brakeLoad',
    label: 'Load on the rear tyres under braking',
    unit: 'N',
    formula: `max(0, {R}·${G} − {μ}·({F} + {R})·${G}·{h}/{L})`,
    source: 'Static, less what hardest braking moves to the front',
    inputs: { R, μ, F, h, L },
  });
  return {
    load,
    thrust: derive({
      id: 'motion.brakePush',
      label: 'Push of the rear tyres under braking, forward plus',
      unit: 'N',
      formula: `−min({q}·{μ}·({F} + {R})·${G}, {μ}·{N})`,
      source: 'The rear’s share of hardest braking, at most what its tyres hold',
      inputs: { q, μ, F, R, N: load },
    }),
  };
}

/** Hardest cornering: the rear’s own load, pushed sideways as hard as its tyres hold. */
function cornering(r: Reads, rest: Pick<Pushes, 'turn' | 'track' | 'weight'>): Pushes | undefined {
  const [R, μ] = [r.figure('brief.rear'), r.figure('brief.friction')];
  if (!R || !μ) return undefined;
  const load = derive({
    id: 'motion.cornerLoad',
    label: 'Load on the rear tyres in a corner',
    unit: 'N',
    formula: `{R}·${G}`,
    source: 'As it stands: what one tyre gains the other loses',
    inputs: { R },
  });
  return {
    ...rest,
    load,
    thrust: given('motion.noThrust', 'Push forward', 0, 0, 'N', 'Neither driven nor braked'),
    side: derive({
      id: 'motion.cornerPush',
      label: 'Push of the rear tyres to the side',
      unit: 'N',
      formula: '{μ}·{N}',
      source: 'Tyres at their limit',
      inputs: { μ, N: load },
    }),
  };
}

/** What loads the axle at a launch and under braking. */
export const loadInputs = node('loadInputs', (r): LoadInputs => {
  const { thrust, lacks } = r.of(pairLoads);
  const load = r.of(torque).rearLoad;
  const [t, m] = [r.of(track), r.figure('motion.unsprung')];
  const weight =
    m &&
    derive({
      id: 'motion.axleWeight',
      label: 'Weight of the axle with its wheels',
      unit: 'N',
      formula: `{m}·${G}`,
      source: 'Its mass',
      inputs: { m },
    });
  const missing = [
    ...lacks.filter((id) => id.startsWith('brief.')),
    ...unless(t, 'brief.targetWidth', 'wheel.et'),
    ...unless(r.figure('brief.axleRatio'), 'brief.axleRatio'),
  ];
  if (!t || !weight) return { launch: undefined, braking: undefined, cornering: undefined, lacks: missing };
  const turn = thrust && shaftTurn(r, thrust);
  const brake = braking(r);
  const none = given('motion.noTurn', 'Driveshaft’s torque', 0, 0, 'Nm', 'Nothing is driven');
  const straight = given('motion.noSide', 'Push to the side', 0, 0, 'N', 'Straight ahead');
  return {
    launch: thrust && load && turn ? { thrust, load, side: straight, turn, track: t, weight } : undefined,
    braking: brake && { ...brake, side: straight, turn: none, track: t, weight },
    cornering: cornering(r, { turn: none, track: t, weight }),
    lacks: missing,
  };
});

/** The pushes of every case as lists that stay the same. */
const besides = node('besides', (r): Readonly<Partial<Record<LoadCase, Beside>>> => {
  const inputs = r.of(loadInputs);
  return Object.fromEntries(
    CASES.flatMap((which) => {
      const pushes = inputs[which];
      return pushes ? [[which, besideOf(orderOf(pushes))]] : [];
    }),
  );
});

/** Links hold along their length; a bar that is one with the axle is held at its pivot fore and aft, and up. */
interface Column {
  /** None for a crank’s bars: they hold the pivot sideways. */
  readonly member: Member | undefined;
  readonly axle: Point3;
  readonly chassis: Point3;
}

const AWAY = 100;
const PIVOTS = ['ladder', 'torqueArm'];

function columnsOf({ values, held, axle: { watt } }: Stand): readonly Column[] {
  const crank: Column[] = watt
    ? [{ member: undefined, axle: watt.pivot, chassis: [watt.pivot[0], watt.pivot[1] + AWAY, watt.pivot[2]] }]
    : [];
  const members = held.members.flatMap((member): Column[] => {
    const [a, c] = [member.axle, member.car].map((at) => pointOf(values, at, member.sign)) as [Point3, Point3];
    if (member.kind !== 'ladder' && member.kind !== 'torqueArm') return [{ member, axle: a, chassis: c }];
    const up: Column = { member, axle: c, chassis: [c[0], c[1], c[2] + AWAY] };
    return member.kind === 'torqueArm' ? [up] : [{ member, axle: c, chassis: [c[0] + AWAY, c[1], c[2]] }, up];
  });
  return [...members, ...crank];
}

const SPRINGY = ['coil', 'coilOver'];

/** Where the springs push on the axle. */
const springsOf = ({ values, held }: Stand): readonly (readonly [Member, Point3])[] =>
  held.sprung
    .filter(({ kind }) => SPRINGY.includes(kind))
    .map((m) => [m, pointOf(values, m.axle, m.sign)] as const);

const orderOf = ({ thrust, load, turn, track: t, weight, side }: Pushes): readonly Figure[] => [
  thrust,
  load,
  turn,
  t,
  weight,
  side,
];

interface Solved {
  /** Pull along a link, or what a pivot takes; push of a spring, N. */
  readonly forces: ReadonlyMap<Member, number>;
}

const solutions = new WeakMap<Stand, Map<readonly number[], Solved | undefined>>();

/** Forces of a case in a stand, worked out once for all links. */
function solve(stand: Stand, pushes: readonly number[]): Solved | undefined {
  const own = solutions.get(stand) ?? new Map<readonly number[], Solved | undefined>();
  solutions.set(stand, own);
  if (!own.has(pushes)) own.set(pushes, solveAfresh(stand, pushes));
  return own.get(pushes);
}

/** Forces of a case, N; nothing where links and springs cannot hold the axle. */
function solveAfresh(
  stand: Stand,
  [thrust = 0, load = 0, turn = 0, t = 0, weight = 0, side = 0]: readonly number[],
): Solved | undefined {
  const columns = columnsOf(stand);
  const springs = springsOf(stand);
  const centre = stand.axle.axleCentre;
  const found = axleLoads({
    links: columns,
    springs: springs.map(([, at]) => at),
    pushes: [
      { at: [0, t / 2, 0], force: [thrust / 2, side / 2, load / 2] },
      { at: [0, -t / 2, 0], force: [thrust / 2, side / 2, load / 2] },
      { at: centre, force: [0, 0, -weight] },
    ],
    moment: [turn * 1000, 0, 0],
  });
  // What cannot hold the axle leaves something over.
  if (!found || found.left > 1) return undefined;
  const forces = new Map(springs.map(([m], i) => [m, found.springs[i] ?? 0]));
  columns.forEach(({ member }, i) => {
    const force = found.links[i] ?? 0;
    // What holds at a pivot, fore and aft and up, is one force without sign.
    if (member)
      forces.set(member, PIVOTS.includes(member.kind) ? Math.hypot(forces.get(member) ?? 0, force) : force);
  });
  return { forces };
}

/** Loads of one link, N; pulls plus. */
interface ArmLoads {
  readonly member: Member;
  readonly launch: Maybe;
  readonly braking: Maybe;
  readonly cornering: Maybe;
}

const WORDS: Readonly<Record<LoadCase, string>> = {
  launch: 'at launch',
  braking: 'under braking',
  cornering: 'in a corner',
};

function caseOf(r: Reads, which: LoadCase, stands: Standing, member: Member, id: string, label: string): Maybe {
  const pushes = r.of(loadInputs)[which];
  if (!pushes) return undefined;
  return solvedFrom(
    stands,
    {
      id: `${id}.${which}`,
      label: `${label} ${WORDS[which]}`,
      unit: 'N',
      source: 'Axle, wheels and shafts as one free body held by links and springs; pulls plus, pushes minus',
    },
    (stand, given_) => {
      return solve(stand, given_)?.forces.get(member) ?? Number.NaN;
    },
    [],
    r.of(besides)[which],
  );
}

/** Loads of every link. */
export const armLoads = node('armLoads', (r): readonly ArmLoads[] => {
  const stands = r.of(standing);
  if (!stands) return [];
  return stands.stand.held.members.map((member) => {
    const of = (which: LoadCase) =>
      caseOf(r, which, stands, member, `${memberId(member)}.load`, `${member.name}, force`);
    return { member, launch: of('launch'), braking: of('braking'), cornering: of('cornering') };
  });
});

/** What the springs push at launch, N, for even tyres; and what the left one pushes more. */
export const springLoads = node('springLoads', (r) => {
  const stands = r.of(standing);
  const own = stands ? stands.stand.held.sprung.filter(({ kind }) => SPRINGY.includes(kind)) : [];
  const loads = own.map((member) => ({
    member,
    launch: stands && caseOf(r, 'launch', stands, member, `${memberId(member)}.push`, `${member.name}, push`),
  }));
  const of = (side: Member['side']) => loads.find(({ member }) => member.side === side)?.launch;
  const [l, right] = [of('left'), of('right')];
  const preload =
    l &&
    right &&
    derive({
      id: 'motion.preload',
      label: 'Left spring pushes more than the right one, for even tyres at launch',
      unit: 'N',
      formula: '{l} − {r}',
      source: 'What the driveshaft’s torque asks for; minus on the right',
      inputs: { l, r: right },
    });
  const k = r.figure('coil.rate');
  return {
    loads,
    preload,
    preloadTurns:
      preload &&
      k &&
      derive({
        id: 'motion.preloadLength',
        label: 'Preload of the left spring against the right one',
        unit: 'mm',
        formula: '{P}/{k}',
        source: 'By the rate of one spring; minus on the right',
        inputs: { P: preload, k },
      }),
  };
});

/** The hardest of all cases with the factor of this project, N, without sign. */
export function hardest(r: Reads, { member, launch, braking: brake, cornering: corner }: ArmLoads): Maybe {
  const k = given(
    'link.factor',
    'Factor on launch and braking loads',
    r.limit('link.factor').value,
    0,
    'count',
    'Limit of this project',
  );
  if (!launch || !brake || !corner) return undefined;
  return derive({
    id: `${memberId(member)}.hardest`,
    label: `${member.name}, hardest load with its factor`,
    unit: 'N',
    formula: 'max(|{l}|, |{b}|, |{c}|)·{k}',
    source: 'Launch, braking or cornering, and the factor of this project',
    inputs: { l: launch, b: brake, c: corner, k },
  });
}

import { type PlaceId, unless } from '../../../stage';
import { derive, given, type Figure, type Maybe } from '../../../measure';
import { axleLoadBounds, axleLoads } from '../../../mechanics/axle-loads';
import type { Point3 } from '../../../mechanics/solid-axle';
import { centreHeight, torque, wheelbaseNow } from '../../brief/figures/torque';
import { pairLoads } from '../../brackets/figures/links';
import { track } from '../../stance/figures/stance';
import { node, type Reads } from '../node';
import type { Stand } from '../study';
import { linksOf, memberId } from './arms';
import { pointOf, type Member } from './held';
import { besideOf, solvedFrom, standing, type Beside, type Standing } from './study';

/** When an axle is loaded. */
const CASES = ['launch', 'braking', 'leftBend', 'rightBend'] as const;
/** Cases of a corner, by the way the road pushes its tyres: + to the left. */
const BENDS = { leftBend: 1, rightBend: -1 } as const;
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
  /** What the right tyre bears more than half, and the left one less, N. */
  readonly moved: Figure;
}

/** What is missing for the loads, by quantity. */
interface LoadInputs {
  readonly launch: Pushes | undefined;
  readonly braking: Pushes | undefined;
  readonly leftBend: Pushes | undefined;
  readonly rightBend: Pushes | undefined;
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
  const ids = ['brief.front', 'brief.rear', 'brief.friction'] as const;
  const [F, R, μ] = ids.map((id) => r.figure(id));
  const L = r.of(wheelbaseNow);
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

/** Hardest cornering either way: the rear’s own load, pushed sideways as hard as its tyres hold, the outer one pressed. */
function bend(
  r: Reads,
  way: keyof typeof BENDS,
  rest: Pick<Pushes, 'turn' | 'track' | 'weight'>,
): Pushes | undefined {
  const [R, μ, h] = [r.figure('brief.rear'), r.figure('brief.friction'), r.of(centreHeight)];
  if (!R || !μ || !h) return undefined;
  const load = derive({
    id: 'motion.cornerLoad',
    label: 'Load on the rear tyres in a corner',
    unit: 'N',
    formula: `{R}·${G}`,
    source: 'As it stands: what one tyre gains the other loses',
    inputs: { R },
  });
  const s = given(`motion.${way}`, 'Way of the bend', BENDS[way], 0, 'count', '1 to the left, −1 to the right');
  const words = way === 'leftBend' ? 'left' : 'right';
  return {
    ...rest,
    load,
    thrust: given('motion.noThrust', 'Push forward', 0, 0, 'N', 'Neither driven nor braked'),
    side: derive({
      id: `motion.${way}.push`,
      label: `Push of the road on the rear tyres in a ${words} bend, to the left plus`,
      unit: 'N',
      formula: '{s}·{μ}·{N}',
      source: 'Tyres at their limit',
      inputs: { s, μ, N: load },
    }),
    moved: derive({
      id: `motion.${way}.moved`,
      label: `Load that moves to the right tyre in a ${words} bend`,
      unit: 'N',
      formula: '{s}·min({N}/2, {μ}·{N}·{h}/{t})',
      source: 'As if the rear axle takes its own share of the roll; at most until the inner tyre lifts',
      inputs: { s, μ, N: load, h, t: rest.track },
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
    ...unless(r.of(centreHeight), 'brief.cgHeight'),
    ...unless(t, 'brief.targetWidth', 'wheel.et'),
    ...unless(r.figure('brief.axleRatio'), 'brief.axleRatio'),
  ];
  if (!t || !weight)
    return { launch: undefined, braking: undefined, leftBend: undefined, rightBend: undefined, lacks: missing };
  const turn = thrust && shaftTurn(r, thrust);
  const brake = braking(r);
  const none = given('motion.noTurn', 'Driveshaft’s torque', 0, 0, 'Nm', 'Nothing is driven');
  const side = given('motion.noSide', 'Push to the side', 0, 0, 'N', 'Straight ahead');
  const moved = given('motion.evenTyres', 'Load that moves to one tyre', 0, 0, 'N', 'Both tyres bear alike');
  const ahead = { side, moved, track: t, weight };
  const inBend = { turn: none, track: t, weight };
  return {
    launch: thrust && load && turn ? { ...ahead, thrust, load, turn } : undefined,
    braking: brake && { ...ahead, ...brake, turn: none },
    leftBend: bend(r, 'leftBend', inBend),
    rightBend: bend(r, 'rightBend', inBend),
    lacks: missing,
  };
});

/** The pushes of every case as lists that stay the same. */
const besides = node('besides', (r): Readonly<Partial<Record<LoadCase, Beside>>> => {
  const [inputs, stands] = [r.of(loadInputs), r.of(standing)];
  const rate = stands && springRate(r, stands.stand);
  return Object.fromEntries(
    CASES.flatMap((which) => {
      const pushes = inputs[which];
      return pushes ? [[which, besideOf([...orderOf(pushes), ...(rate ? [rate] : [])])]] : [];
    }),
  );
});

/** Links hold along their length; a bar that is one with the axle is held at its pivot fore and aft, and up. */
interface Column {
  readonly member: Member;
  readonly axle: Point3;
  readonly chassis: Point3;
  readonly rate: number;
  /** A crank’s second bar, and how many times as hard as the first it pulls. */
  readonly along?: {
    readonly member: Member;
    readonly axle: Point3;
    readonly chassis: Point3;
    readonly times: number;
  };
}

const AWAY = 100;
const PIVOTS = ['ladder', 'torqueArm'];

/** How much a bar turns a crank for a newton, mm, about a pivot that lies along the car. */
const turning = ([, py, pz]: Point3, [, ey, ez]: Point3, [, dy, dz]: Point3): number =>
  (ey - py) * dz - (ez - pz) * dy;
const between = (from: Point3, to: Point3): Point3 => {
  const d = [to[0] - from[0], to[1] - from[1], to[2] - from[2]] as const;
  const long = Math.hypot(...d) || 1;
  return [d[0] / long, d[1] / long, d[2] / long];
};

/** Both bars of a crank pull so that they do not turn it. */
function crankColumn({ values, held: { bars }, axle: { watt } }: Stand): readonly Column[] {
  const [top, low] = bars;
  if (!watt || !top || !low) return [];
  const ends = (bar: Member) => [pointOf(values, bar.axle, 1), pointOf(values, bar.car, 1)] as const;
  const onAxle = watt.on === 'axle';
  const turn = (bar: Member): number => {
    const [axle, car] = ends(bar);
    return turning(watt.pivot, onAxle ? axle : car, onAxle ? between(axle, car) : between(car, axle));
  };
  const [first, second] = [turn(top), turn(low)];
  const of = (bar: Member) => ({ axle: ends(bar)[0], chassis: ends(bar)[1] });
  // The one with the shorter lever pulls harder: the other is told by it.
  const [lead, led, times] =
    Math.abs(first) < Math.abs(second) ? [top, low, -first / second] : [low, top, -second / first];
  return [{ member: lead, ...of(lead), rate: watt.rate ?? 1, along: { member: led, ...of(led), times } }];
}

function columnsOf(stand: Stand): readonly Column[] {
  const { values, held } = stand;
  const bush = values[held.at('motion.bush')] ?? 1;
  const members = held.members.flatMap((member): Column[] => {
    const [a, c] = [member.axle, member.car].map((at) => pointOf(values, at, member.sign)) as [Point3, Point3];
    // Two bushings in a row; a pivot has one.
    if (member.kind !== 'ladder' && member.kind !== 'torqueArm')
      return [{ member, axle: a, chassis: c, rate: member.arm.rate ?? bush / 2 }];
    const rate = member.arm.rate ?? bush;
    const up: Column = { member, axle: c, chassis: [c[0], c[1], c[2] + AWAY], rate };
    return member.kind === 'torqueArm'
      ? [up]
      : [{ member, axle: c, chassis: [c[0] + AWAY, c[1], c[2]], rate }, up];
  });
  return [...members, ...crankColumn(stand)];
}

const SPRINGY = ['coil', 'coilOver'];

/** Where the springs push on the axle. */
const springsOf = ({ values, held }: Stand): readonly (readonly [Member, Point3])[] =>
  held.sprung
    .filter(({ kind }) => SPRINGY.includes(kind))
    .map((m) => [m, pointOf(values, m.axle, m.sign)] as const);

const orderOf = ({ thrust, load, turn, track: t, weight, side, moved }: Pushes): readonly Figure[] => [
  thrust,
  load,
  turn,
  t,
  weight,
  side,
  moved,
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

/** What holds an axle still, and what the road and its shaft do to it, by the pushes of `orderOf` and a spring’s rate. */
function loadCase(
  stand: Stand,
  columns: readonly Column[],
  [thrust = 0, load = 0, turn = 0, t = 0, weight = 0, side = 0, moved = 0, springRate = 1]: readonly number[],
): Parameters<typeof axleLoads>[0] {
  return {
    links: columns,
    springs: springsOf(stand).map(([, at]) => at),
    springRate,
    pushes: [
      { at: [0, t / 2, 0], force: [thrust / 2, side / 2, load / 2 - moved] },
      { at: [0, -t / 2, 0], force: [thrust / 2, side / 2, load / 2 + moved] },
      { at: stand.axle.axleCentre, force: [0, 0, -weight] },
    ],
    moment: [turn * 1000, 0, 0],
  };
}

/** Every member’s force, from those of the columns: what holds at a pivot, fore and aft and up, is one force without sign. */
function forcesOf(columns: readonly Column[], links: readonly number[]): Map<Member, number> {
  const forces = new Map<Member, number>();
  columns.forEach(({ member, along }, i) => {
    const force = links[i] ?? 0;
    forces.set(member, PIVOTS.includes(member.kind) ? Math.hypot(forces.get(member) ?? 0, force) : force);
    if (along) forces.set(along.member, along.times * force);
  });
  return forces;
}

/** Forces of a case, N; nothing where links and springs cannot hold the axle. */
function solveAfresh(stand: Stand, pushes: readonly number[]): Solved | undefined {
  const columns = columnsOf(stand);
  const found = axleLoads(loadCase(stand, columns, pushes));
  // What cannot hold the axle leaves something over.
  if (!found || found.left > 1) return undefined;
  const forces = forcesOf(columns, found.links);
  springsOf(stand).forEach(([m], i) => forces.set(m, found.springs[i] ?? 0));
  return { forces };
}

/** Whether more hold the axle than must: what each takes is then shared by bushings and springs. */
const isShared = (stand: Stand): boolean => columnsOf(stand).length + springsOf(stand).length > 6;

/** Rate of a spring that was not said, N/mm. */
const USUAL_RATE = 30;

/** By what bushings and springs share; nothing where statics alone tells. */
function springRate(r: Reads, stand: Stand): Figure | undefined {
  if (!isShared(stand)) return undefined;
  return (
    r.figure('coil.rate') ??
    given('motion.springRate', 'Rate of one spring', USUAL_RATE, 10, 'N/mm', {
      source: 'A usual spring',
      assumed: 'a usual spring, for what it shares with the bushings',
    })
  );
}

/** Loads of one link, N; pulls plus. */
interface ArmLoads {
  readonly member: Member;
  readonly launch: Maybe;
  readonly braking: Maybe;
  readonly leftBend: Maybe;
  readonly rightBend: Maybe;
  /** However bushings and springs share, the hardest of all cases without its factor, N; none where statics alone tells. */
  readonly atMost: number | undefined;
}

const WORDS: Readonly<Record<LoadCase, string>> = {
  launch: 'at launch',
  braking: 'under braking',
  leftBend: 'in a left bend',
  rightBend: 'in a right bend',
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
    (stand, given_) => solve(stand, given_)?.forces.get(member) ?? Number.NaN,
    isShared(stands.stand) ? ['motion.bush'] : [],
    r.of(besides)[which],
  );
}

/** Loads of every link. */
export const armLoads = node('armLoads', (r): readonly ArmLoads[] => {
  const stands = r.of(standing);
  if (!stands) return [];
  const most = hardestShared(r, stands.stand);
  return linksOf(stands).map((member) => {
    const of = (which: LoadCase) =>
      caseOf(r, which, stands, member, `${memberId(member)}.load`, `${member.name}, force`);
    return {
      member,
      launch: of('launch'),
      braking: of('braking'),
      leftBend: of('leftBend'),
      rightBend: of('rightBend'),
      atMost: most?.get(member),
    };
  });
});

/** The hardest each member is loaded in any case, however what holds the axle shares it. */
function hardestShared(r: Reads, stand: Stand): ReadonlyMap<Member, number> | undefined {
  const columns = columnsOf(stand);
  const all = r.of(besides);
  const most = new Map<Member, number>();
  for (const which of CASES) {
    const pushes = all[which];
    const bounds = pushes && axleLoadBounds(loadCase(stand, columns, pushes.base));
    if (!bounds) return undefined;
    const sizes = bounds.map(({ least, most: up }) => Math.max(Math.abs(least), Math.abs(up)));
    for (const [member, force] of forcesOf(columns, sizes))
      most.set(member, Math.max(most.get(member) ?? 0, Math.abs(force)));
  }
  return most;
}

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
export function hardest(r: Reads, { member, launch, braking: brake, leftBend, rightBend }: ArmLoads): Maybe {
  const k = given(
    'link.factor',
    'Factor on launch and braking loads',
    r.limit('link.factor').value,
    0,
    'count',
    'Limit of this project',
  );
  if (!launch || !brake || !leftBend || !rightBend) return undefined;
  return derive({
    id: `${memberId(member)}.hardest`,
    label: `${member.name}, hardest load with its factor`,
    unit: 'N',
    formula: 'max(|{l}|, |{b}|, |{c}|, |{d}|)·{k}',
    source: 'Launch, braking, a left or a right bend, and the factor of this project',
    inputs: { l: launch, b: brake, c: leftBend, d: rightBend, k },
  });
}

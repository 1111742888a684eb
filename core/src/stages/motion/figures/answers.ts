import { bySide, type Side, type Sided } from '../../../geometry';
import { greater, type Maybe } from '../../../measure';
import { dampersAtRide, type DamperAtRide } from '../../brackets/figures/order';
import { pulls, type PullOf, type Pulls } from '../../brackets/figures/pulls';
import { weighedHeight } from '../../brief/figures/torque';
import { width } from '../../cut/figures/stand';
import { axleTravel } from '../../driveline/figures/axle-travel';
import { outward, type Outward } from '../../stance/figures/outward';
import { POSE_SHAPES, STANCE_POSES, type StancePoseId } from '../../stance/poses';
import { answer, type PlaceId, unless } from '../../../stage';
import { node, type Reads } from '../node';
import { posedAt, reached, type Posed, type Stand } from '../study';
import { sprung } from './arms';
import { pointOf, type Member } from './held';
import { armLoads, hardest } from './loads';
import { height } from './scales';
import { travel } from './pinion-travel';
import { besideOf, solvedFrom, standing } from './study';

/** So many poses of a stand are kept: those of both sides. A wheel that is dragged asks for ever other ones. */
const KEPT = 4 * STANCE_POSES.length;
const poses = new WeakMap<Stand, Posed[]>();
/** A pose of a stand, worked out once: both sides ask for it. */
function onceAt(stand: Stand, z: number, roll: number): Posed {
  const own = poses.get(stand) ?? [];
  poses.set(stand, own);
  const found = own.find(({ asked }) => asked.z === z && asked.roll === roll);
  if (found) return found;
  const made = posedAt(stand.axle, { z, roll });
  if (own.length >= KEPT) own.length = 0;
  own.push(made);
  return made;
}

/** Where an axle goes sideways with one of its wheels in a pose, outward of that side, mm. */
function outwardAt(stand: Stand, pose: StancePoseId, side: Side, half: number): number {
  const { reach } = stand;
  const { travel: share, leans } = POSE_SHAPES[pose];
  const sign = side === 'left' ? 1 : -1;
  const wheel = share > 0 ? share * reach.bump : share * reach.droop;
  // The outer wheel is the higher one: its side of the axle goes up against the car.
  const up = share < 0 ? -1 : 1;
  const roll = leans ? sign * up * reach.roll : 0;
  const z = share === 0 ? 0 : wheel - up * half * Math.sin(leans ? reach.roll : 0);
  if (Number.isNaN(z) || Number.isNaN(roll)) return Number.NaN;
  const posed = onceAt(stand, z, roll);
  return reached(posed.pose) ? sign * posed.pose.y : Number.NaN;
}

const needed = (pose: StancePoseId): readonly PlaceId[] => {
  const { travel: share, leans } = POSE_SHAPES[pose];
  return [
    ...unless(share <= 0, 'spring.bump'),
    ...unless(share >= 0, 'spring.droop'),
    ...unless(!leans, 'stance.lean'),
  ];
};

/** Whether Stance has a lateral bar that is not listed among what holds the axle. */
export const barLeftOut = (r: Reads): boolean =>
  (r.figure('bar.length') !== undefined || r.figure('bar.rise') !== undefined) &&
  Object.keys(r.part('cranks')).length === 0 &&
  !Object.values(r.part('arms')).some(({ kind }) => kind === 'lateral');

/** How far the links take the axle outward in every pose that clearances are held against. */
const sideways = node('sideways', (r): Outward | undefined => {
  const stands = r.of(standing);
  const w = r.of(width);
  // A bar that was read and is not among the links would be left out of them in silence.
  if (!stands || !w || barLeftOut(r)) return undefined;
  const beside = besideOf([w]);
  return Object.fromEntries(
    STANCE_POSES.map((pose) => [
      pose,
      bySide((side): Maybe =>
        solvedFrom(
          stands,
          {
            id: `motion.outward.${pose}.${side}`,
            label: `Axle outward by its links, ${POSE_SHAPES[pose].words}, ${side}`,
            unit: 'mm',
            source: 'Solved: where links and bars take it; instead of the lateral bar’s estimate',
          },
          (stand, [wide = 0]) => outwardAt(stand, pose, side, wide / 2),
          needed(pose),
          beside,
        ),
      ),
    ]),
  ) as Record<StancePoseId, Sided<Maybe>>;
});

/** The harder of what is kept under a key and another; nothing where one of them is not known. */
const hardestOf = (kept: Readonly<Record<string, Maybe>>, key: string, load: Maybe): Maybe => {
  if (!(key in kept)) return load;
  const before = kept[key];
  return before && load && greater(before, load);
};

/** From a link’s end at the axle to that at the car, at ride height; nothing for a bar that is one with the axle. */
function alongOf({ values }: Stand, { axle, car, sign }: Member): PullOf['way'] {
  const [a, c] = [pointOf(values, axle, sign), pointOf(values, car, sign)];
  const long = Math.hypot(c[0] - a[0], c[1] - a[1], c[2] - a[2]);
  return long > 0 ? [(c[0] - a[0]) / long, (c[1] - a[1]) / long, (c[2] - a[2]) / long] : undefined;
}

/** What each link pulls at, by the bracket that holds it, and by its kind and side. */
const loads = node('pulls', (r): Pulls | undefined => {
  const all = r.of(armLoads);
  if (all.length === 0) return undefined;
  const byBracket: Record<string, Maybe> = {};
  const byKind: Record<string, Maybe> = {};
  const ways: Record<string, PullOf[]> = {};
  const turned: string[] = [];
  const stand = r.of(standing)?.stand;
  for (const load of all) {
    const { bracket, kind, side } = load.member;
    const most = hardest(r, load);
    if (bracket && (kind === 'ladder' || kind === 'torqueArm')) turned.push(bracket);
    if (bracket) (ways[bracket] ??= []).push({ load: most, way: stand && alongOf(stand, load.member) });
    // Several may pull at one bracket, and of a pair either: it has to bear the hardest. While one is not known, neither is that.
    if (bracket) byBracket[bracket] = hardestOf(byBracket, bracket, most);
    byKind[`${kind}.${side}`] = hardestOf(byKind, `${kind}.${side}`, most);
  }
  return { byBracket, byKind, ways, turned };
});

/** A height that no car has is no answer: the readings are wrong. */
const CARS = { least: 150, most: 1500 };
const weighed = node('weighedHeight', (r): Maybe => {
  const found = r.of(height);
  return found && found.value >= CARS.least && found.value <= CARS.most ? found : undefined;
});

/** What dampers and coil-overs are at ride height. */
const atRide = node('dampersAtRide', (r): readonly DamperAtRide[] | undefined => {
  const all = r
    .of(sprung)
    .flatMap(({ member, ride }) =>
      ride && (member.kind === 'damper' || member.kind === 'coilOver')
        ? [{ name: member.name, length: ride }]
        : [],
    );
  return all.length ? all : undefined;
});

/** Questions of earlier stages that the motion answers. */
export const ANSWERS = [
  answer(axleTravel, travel),
  answer(outward, sideways),
  answer(pulls, loads),
  answer(weighedHeight, weighed),
  answer(dampersAtRide, atRide),
];

import type { Maybe } from '../../../measure';
import { carried, turnedBy, type Point3 } from '../../../mechanics/solid-axle';
import { node } from '../node';
import { lengthOf, memberAt, posedAt, STANDS, type Posed, type Stand } from '../study';
import { pointOf, type Member } from './held';
import { solvedFrom, standing, type Standing } from './study';

/** Ids of a member’s figures begin so. */
export const memberId = ({ key, side }: Member): string => `arm.${key}.${side}`;

const minus = (a: Point3, b: Point3): Point3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
const dot = (a: Point3, b: Point3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

/** A level direction square to a link at ride height: how the bolts through its eyes lie. */
function boltOf(along: Point3): Point3 {
  const flat = Math.hypot(along[0], along[1]);
  return flat < 1e-9 ? [0, 1, 0] : [-along[1] / flat, along[0] / flat, 0];
}

/** How far out of square to its bolts a link is pulled in a pose, rad: the worse of both ends. */
function skew(stand: Stand, member: Member, { asked, pose }: Posed): number {
  const { values, axle } = stand;
  const at = (where: Member['axle']) => pointOf(values, where, member.sign);
  const ride = minus(at(member.car), at(member.axle));
  const bolt = boltOf(ride);
  const now = minus(at(member.car), carried(axle, asked, pose, at(member.axle)));
  const size = Math.sqrt(dot(now, now)) || 1;
  const out = (b: Point3) => Math.asin(Math.min(1, Math.abs(dot(now, b)) / size));
  return Math.max(out(bolt), out(turnedBy({ roll: asked.roll, ...pose }, bolt)));
}

/** A link with what its eyes and bolts go through. */
interface ArmFigures {
  readonly member: Member;
  /** Eye to eye at ride height; none for what is one with the axle. */
  readonly length: Maybe;
  /** Farthest out of square to its bolts in the travel. */
  readonly skew: Maybe;
}

const TRAVEL = ['spring.bump', 'spring.droop', 'stance.lean'];
const PIVOTED = ['ladder', 'torqueArm'];

/** The worst of all poses; none while one of them is not known. */
const over = (stand: Stand, of: (posed: Posed) => number): number =>
  Math.max(...STANDS.map((at) => (stand.poses[at] ? of(stand.poses[at]) : Number.NaN)));

function armOf(stands: Standing, member: Member): ArmFigures {
  const id = memberId(member);
  if (PIVOTED.includes(member.kind)) return { member, length: undefined, skew: undefined };
  return {
    member,
    length: solvedFrom(
      stands,
      {
        id: `${id}.length`,
        label: `${member.name}, eye to eye`,
        unit: 'mm',
        source: 'From its place on the axle to that on the car, at ride height',
      },
      ({ values }) =>
        lengthOf([pointOf(values, member.axle, member.sign), pointOf(values, member.car, member.sign)]),
      [],
      undefined,
      [...member.axle, ...member.car],
    ),
    skew: solvedFrom(
      stands,
      {
        id: `${id}.skew`,
        label: `${member.name}, rod ends out of square`,
        unit: 'rad',
        source:
          'Against bolts that lie level and square to it at ride height; the worst of bump, droop and roll',
      },
      (stand) => over(stand, (posed) => skew(stand, member, posed)),
      TRAVEL,
    ),
  };
}

/** Every link, bar and arm. */
export const arms = node('arms', (r): readonly ArmFigures[] => {
  const stands = r.of(standing);
  return stands ? linksOf(stands).map((member) => armOf(stands, member)) : [];
});

/** Everything that pulls or pushes between axle and car, a crank’s bars among it. */
export const linksOf = ({ stand: { held } }: Standing): readonly Member[] => [...held.members, ...held.bars];

/** A spring or damper through the travel. */
export interface SprungFigures {
  readonly member: Member;
  readonly ride: Maybe;
  readonly bump: Maybe;
  readonly droop: Maybe;
  /** Over the whole travel with roll either way: shortest and longest. */
  readonly rollIn: Maybe;
  readonly rollOut: Maybe;
  /** Shortened by so much for a mm of rise, at ride height. */
  readonly ratio: Maybe;
  /** Lever it stands on against roll, mm: how much its length changes for a rad, at ride height. */
  readonly lever: Maybe;
}

/** Rise over which a motion ratio is told, mm, and roll over which a lever is, rad. */
const RISE = 0.5;
const TURN = 0.002;

/** How much longer a member becomes for one more of a coordinate, by a step of it either way from ride height. */
function lengthening(stand: Stand, member: Member, of: 'z' | 'roll', step: number): number {
  const [more, less] = [step, -step].map((by) =>
    lengthOf(memberAt(stand, posedAt(stand.axle, { z: 0, roll: 0, [of]: by }), member)),
  ) as [number, number];
  return (more - less) / (2 * step);
}

function sprungOf(stands: Standing, member: Member): SprungFigures {
  const id = memberId(member);
  const at = (what: 'ride' | 'bump' | 'droop', words: string, on: readonly string[]) =>
    solvedFrom(
      stands,
      {
        id: `${id}.${what}`,
        label: `${member.name}, eye to eye ${words}`,
        unit: 'mm',
        source: 'Solved: where the axle carries its end',
      },
      (stand) => {
        const posed = stand.poses[what];
        return posed ? lengthOf(memberAt(stand, posed, member)) : Number.NaN;
      },
      on,
    );
  const rolled = (what: 'rollIn' | 'rollOut', words: string, of: (...lengths: number[]) => number) =>
    solvedFrom(
      stands,
      {
        id: `${id}.${what}`,
        label: `${member.name}, eye to eye in the travel with roll, ${words}`,
        unit: 'mm',
        source: 'Solved: where the axle carries its end, at each end of the travel and rolled either way',
      },
      (stand) =>
        of(
          ...STANDS.map((way) => {
            const posed = stand.poses[way];
            return posed ? lengthOf(memberAt(stand, posed, member)) : Number.NaN;
          }),
        ),
      TRAVEL,
    );
  return {
    member,
    rollIn: rolled('rollIn', 'shortest', Math.min),
    rollOut: rolled('rollOut', 'longest', Math.max),
    ride: at('ride', 'at ride height', []),
    bump: at('bump', 'at full bump', ['spring.bump']),
    droop: at('droop', 'at full droop', ['spring.droop']),
    ratio: solvedFrom(
      stands,
      {
        id: `${id}.ratio`,
        label: `${member.name}, motion ratio`,
        unit: 'ratio',
        source: 'How much shorter it becomes for a mm of rise, both wheels alike, at ride height',
      },
      (stand) => -lengthening(stand, member, 'z', RISE),
      [],
    ),
    lever: solvedFrom(
      stands,
      {
        id: `${id}.lever`,
        label: `${member.name}, lever against roll`,
        unit: 'mm',
        source: 'How much its length changes for a radian of roll, at ride height',
      },
      (stand) => Math.abs(lengthening(stand, member, 'roll', TURN)),
      [],
    ),
  };
}

/** Springs and dampers, in the order they were listed. */
export const sprung = node('sprung', (r): readonly SprungFigures[] => {
  const stands = r.of(standing);
  return stands ? stands.stand.held.sprung.map((member) => sprungOf(stands, member)) : [];
});

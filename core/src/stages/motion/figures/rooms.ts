import { unless, type PlaceId } from '../../../stage';
import { given, INSTRUMENTS, solved, type Figure, type Maybe } from '../../../measure';
import { roomOfBar, roomOfWheel, type Capsule, type Disc, type Still } from '../../../mechanics/nearest';
import { carried, turnedBy, type AxleAsked, type Point3 } from '../../../mechanics/solid-axle';
import { newFrame, outside } from '../../brackets/figures/frame';
import { stance } from '../../stance/figures/stance';
import type { Obstacle } from '../choices';
import { node, type Reads } from '../node';
import { memberAt, posedAt, reached, type Posed, type Stand } from '../study';
import { pointOf, type Member } from './held';
import { certain, standing, type Standing } from './study';

/** Outside of a link whose tube nobody listed, mm. */
const USUAL_LINK = 32;
/** Half of a damper’s or spring’s usual outside, mm. */
const USUAL_SPRUNG = 32;

/** Something that moves with the axle, as it stands at ride height. */
interface Body {
  readonly name: string;
  readonly kind: 'tube' | 'wheel' | 'member';
  /** Of a tube: its two ends and radius. */
  readonly tube?: Capsule;
  readonly wheel?: Disc;
  readonly member?: Member;
  readonly radius?: number;
}

/** The room to one thing of the car, where it is least. */
export interface Room {
  readonly id: string;
  readonly obstacle: Obstacle;
  readonly room: Maybe;
  /** What comes nearest to it, and where in the travel. */
  readonly body: string;
  readonly asked: AxleAsked | undefined;
}

/** What can be met, and what is not known of it. */
export interface Bodies {
  readonly all: readonly Body[];
  /** Named where it is not known: what is not looked at is not clear. */
  readonly missing: readonly PlaceId[];
}

/** What a wheel’s place and size follow from. */
const WHEEL = ['wheel.rim', 'wheel.et', 'tyre.section', 'brief.tyreDiameter'] as const;

/** What moves with the axle: tubes, wheels, links, springs and dampers. */
export const bodies = node('bodies', (r): Bodies => {
  const stands = r.of(standing);
  if (!stands) return { all: [], missing: [] };
  const { held, axle } = stands.stand;
  const H = axle.axleCentre[2];
  const { left, right } = r.of(newFrame).end;
  const od = r.of(outside).left ?? r.of(outside).right;
  const tube: Body[] =
    left && right && od
      ? [
          {
            name: 'axle tube',
            kind: 'tube',
            tube: { from: [0, left.value, H], to: [0, right.value, H], radius: od.value / 2 },
          },
        ]
      : [];
  const { edges, diameter } = r.of(stance);
  const wheels: Body[] =
    edges && diameter
      ? (['left', 'right'] as const).map((side): Body => {
          const { tyreIn: inner, tyreOut: outer } = edges[side];
          const sign = side === 'left' ? 1 : -1;
          const [a, b] = [inner * sign, outer * sign];
          return {
            name: `${side} wheel`,
            kind: 'wheel',
            wheel: {
              centre: [0, (a + b) / 2, H],
              axis: [0, 1, 0],
              half: Math.abs(a - b) / 2,
              radius: diameter.value / 2,
            },
          };
        })
      : [];
  const members = [...held.members, ...held.sprung].map((member): Body => ({
    name: member.name,
    kind: 'member',
    member,
    radius: (member.arm.outside ?? 2 * (held.sprung.includes(member) ? USUAL_SPRUNG : USUAL_LINK / 2)) / 2,
  }));
  return {
    all: [...tube, ...wheels, ...members],
    missing: [
      ...unless(tube.length, 'brief.targetWidth'),
      ...(wheels.length ? [] : WHEEL.filter((id) => !r.figure(id))),
    ],
  };
});

const stillOf = (o: Obstacle, [x, y, z, x2, y2, z2]: readonly number[]): Still => {
  const a: Point3 = [x as number, y as number, z as number];
  if (o.kind === 'point') return { box: { low: a, high: a } };
  const b: Point3 = [x2 as number, y2 as number, z2 as number];
  if (o.kind === 'edge') return { edge: [a, b] };
  return {
    box: {
      low: [Math.min(a[0], b[0]), Math.min(a[1], b[1]), Math.min(a[2], b[2])],
      high: [Math.max(a[0], b[0]), Math.max(a[1], b[1]), Math.max(a[2], b[2])],
    },
  };
};

function roomAt(stand: Stand, body: Body, posed: Posed, still: Still): number {
  const { axle } = stand;
  const { asked, pose } = posed;
  const at = (p: Point3): Point3 => carried(axle, asked, pose, p);
  if (body.tube)
    return roomOfBar({ from: at(body.tube.from), to: at(body.tube.to), radius: body.tube.radius }, still);
  if (body.wheel)
    return roomOfWheel(
      {
        ...body.wheel,
        centre: at(body.wheel.centre),
        axis: turnedBy({ roll: asked.roll, ...pose }, body.wheel.axis),
      },
      still,
    );
  const member = body.member as Member;
  const [a, c] = memberAt(stand, posed, member);
  const pivoted = member.kind === 'ladder' || member.kind === 'torqueArm';
  const from = pivoted ? at([0, pointOf(stand.values, member.car, member.sign)[1], axle.axleCentre[2]]) : a;
  return roomOfBar({ from, to: c, radius: body.radius ?? 0 }, still);
}

/** Heaves and rolls that clearances are looked at in: what both wheels can do. */
function sweptPoses({ reach, axle }: Stand): readonly Posed[] {
  const { bump, droop, roll } = reach;
  if (Number.isNaN(bump) || Number.isNaN(droop)) return [];
  const heaves = [-droop, -0.66 * droop, -0.33 * droop, 0, 0.33 * bump, 0.66 * bump, bump];
  const rolls = Number.isNaN(roll) || roll < 1e-4 ? [0] : [0, roll, -roll];
  const all = heaves.flatMap((z) =>
    rolls.flatMap((angle) =>
      // A rolled axle at the end of its travel would push one wheel past it.
      angle !== 0 && (z === bump || z === -droop) ? [] : [posedAt(axle, { z, roll: angle })],
    ),
  );
  // Where the links do not reach one of them, nothing is known of the whole travel: that is not clear.
  return all.every(({ pose }) => reached(pose)) ? all : [];
}

const KEYS = ['x', 'y', 'z', 'x2', 'y2', 'z2'] as const;

/** Corners of a thing of the car, read by tape. */
function cornersOf(id: string, o: Obstacle): readonly Figure[] {
  return KEYS.flatMap((key) => {
    const value = o[key];
    if (value === undefined || (o.kind === 'point' && key.endsWith('2'))) return [];
    const words = { x: 'forward', y: 'left', z: 'up' }[key[0] as 'x'];
    return [
      given(
        `obstacle.${id}.${key}`,
        `${o.name}, ${words}${key.endsWith('2') ? ', other end' : ''}`,
        value,
        INSTRUMENTS.tape.halfResolution / Math.sqrt(3),
        'mm',
        { source: 'Read by tape', evidence: 'measured', byTape: true },
      ),
    ];
  });
}

interface Nearest {
  readonly room: number;
  readonly body: Body;
  readonly posed: Posed;
}

function nearestOf(
  stand: Stand,
  all: readonly Body[],
  poses: readonly Posed[],
  still: Still,
): Nearest | undefined {
  let best: Nearest | undefined;
  for (const posed of poses)
    for (const body of all) {
      const room = roomAt(stand, body, posed, still);
      if (!best || room < best.room) best = { room, body, posed };
    }
  return best;
}

function roomOf(
  stands: Standing,
  all: readonly Body[],
  poses: readonly Posed[],
  id: string,
  obstacle: Obstacle,
): Room {
  const corners = cornersOf(id, obstacle);
  const values = corners.map((f) => f.value);
  const { stand } = stands;
  const best = nearestOf(stand, all, poses, stillOf(obstacle, values));
  if (!best) return { id, obstacle, room: undefined, body: '', asked: undefined };
  const { asked } = best.posed;
  const h = 0.05;
  const of = (at: Stand, corner: readonly number[]): number =>
    roomAt(at, best.body, at === stand ? best.posed : posedAt(at.axle, asked), stillOf(obstacle, corner));
  return {
    id,
    obstacle,
    body: best.body.name,
    asked,
    room: solved({
      id: `obstacle.${id}.room`,
      label: `Room to ${obstacle.name}`,
      unit: 'mm',
      value: best.room,
      source: `Least in the travel, between it and the ${best.body.name}`,
      inputs: [...stand.held.inputs, ...corners],
      slopes: () => [
        ...stand.held.inputs.map((_, i) => {
          if (certain(stand.held.inputs[i] as Figure)) return 0;
          const [more, step] = stands.near(i);
          const by = (of(more, values) - best.room) / step;
          return Number.isFinite(by) ? by : 0;
        }),
        ...values.map((_, i) => {
          const moved = (by: number) => values.map((v, k) => (k === i ? v + by : v));
          return (of(stand, moved(h)) - of(stand, moved(-h))) / (2 * h);
        }),
      ],
    }),
  };
}

/** Room to everything of the car that was listed, where it is least in the travel. */
export const rooms = node('rooms', (r: Reads): readonly Room[] => {
  const stands = r.of(standing);
  const listed = Object.entries(r.part('obstacles'));
  if (!stands || listed.length === 0)
    return listed.map(([id, obstacle]) => ({ id, obstacle, room: undefined, body: '', asked: undefined }));
  const { all } = r.of(bodies);
  const poses = sweptPoses(stands.stand);
  return listed.map(([id, obstacle]) => roomOf(stands, all, poses, id, obstacle));
});

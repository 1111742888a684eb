import type { Caption, MarkHandle, Point, Shape, ShapeStyle, View } from '../../../drawing';
import { carried, turnedBy, type AxleAsked, type Point3 } from '../../../mechanics/solid-axle';
import type { Bodies, Room } from '../figures/rooms';
import { pointOf, type Member } from '../figures/held';
import type { Standing } from '../figures/study';
import { memberAt, posedAt, type Posed, type Stand } from '../study';

/** Which two ways a picture shows: from the car’s left, from behind, from above. */
export type Look = 'side' | 'rear' | 'top';

/** All that a picture of the motion is made of. */
export interface MotionScene {
  readonly stand: Stand;
  readonly posed: Posed;
  readonly ride: Posed;
  readonly bodies: Bodies;
  readonly rooms: readonly Room[];
  /** Poses whose points are drawn as traces. */
  readonly trace: readonly Posed[];
  /** Pinion’s slope at ride height, rad, and its nose, mm; none while not known. */
  readonly pinion: { readonly slope: number; readonly nose: number } | undefined;
  readonly still: boolean;
}

/** A place of the car on a picture: forward to the left, the car’s left to the left, forward up from above. */
export const onPicture: Readonly<Record<Look, (p: Point3) => Point>> = {
  side: ([x, , z]) => [-x, z],
  rear: ([, y, z]) => [-y, z],
  top: ([x, y]) => [-y, x],
};

/** The scene of a pose. */
export function sceneAt(
  { stand }: Standing,
  parts: Pick<MotionScene, 'bodies' | 'rooms' | 'pinion'>,
  asked: AxleAsked,
): MotionScene {
  const { bump, droop } = stand.reach;
  const steps = Number.isNaN(bump) || Number.isNaN(droop) ? [] : Array.from({ length: 9 }, (_, i) => i / 8);
  return {
    ...parts,
    stand,
    posed: posedAt(stand.axle, asked),
    ride: posedAt(stand.axle, { z: 0, roll: 0 }),
    trace: steps.map((t) => posedAt(stand.axle, { z: -droop + t * (bump + droop), roll: asked.roll })),
    still: asked.z !== 0 || asked.roll !== 0,
  };
}

/** Where a point of the axle, as it stands at ride height, is in a pose. */
export const atPose = ({ stand }: Pick<MotionScene, 'stand'>, { asked, pose }: Posed, p: Point3): Point3 =>
  carried(stand.axle, asked, pose, p);

/** A bar of a width between two places of the picture. */
function barBetween(a: Point, b: Point, width: number): readonly Point[] {
  const l = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
  const [x, y] = [((b[1] - a[1]) / l) * (width / 2), ((a[0] - b[0]) / l) * (width / 2)];
  return [
    [a[0] + x, a[1] + y],
    [b[0] + x, b[1] + y],
    [b[0] - x, b[1] - y],
    [a[0] - x, a[1] - y],
  ];
}

const placeOfArm = (key: string): string => `arm.${key}`;
const PIVOTED = ['ladder', 'torqueArm'];
const THIN = 22;

/** Both ends of a member in a pose; a bar that is one with the axle begins at its tube. */
export function endsAt(scene: MotionScene, posed: Posed, member: Member): readonly [Point3, Point3] {
  const { stand } = scene;
  if (!PIVOTED.includes(member.kind)) return memberAt(stand, posed, member);
  const car = pointOf(stand.values, member.car, member.sign);
  const root: Point3 = [0, car[1], stand.axle.axleCentre[2]];
  return [atPose(scene, posed, root), car];
}

const styleOf = ({ kind }: Member): ShapeStyle =>
  kind === 'coil' || kind === 'coilOver' || kind === 'damper'
    ? 'gear'
    : kind === 'lateral'
      ? 'shaft'
      : 'bracket';

/** Every link, spring and damper: as it is, and pale as at ride height. */
export function memberShapes(scene: MotionScene, look: Look): readonly Shape[] {
  const to = onPicture[look];
  const { held } = scene.stand;
  const all = [...held.members, ...held.sprung];
  return [
    ...(scene.still
      ? all.map((m): Shape => {
          const [a, c] = endsAt(scene, scene.ride, m);
          return { kind: 'line', style: 'ghost', points: [to(a), to(c)] };
        })
      : []),
    ...all.flatMap((m): Shape[] => {
      const [a, c] = endsAt(scene, scene.posed, m).map(to) as [Point, Point];
      return [
        {
          kind: 'outline',
          style: styleOf(m),
          name: m.name,
          at: placeOfArm(m.key),
          points: barBetween(a, c, m.arm.outside ?? THIN),
        },
        { kind: 'circle', style: 'journal', centre: a, radius: 9 },
        { kind: 'circle', style: 'journal', centre: c, radius: 9 },
      ];
    }),
    ...crankShapes(scene, look),
    ...leafShapes(scene, look),
  ];
}

/** The crank and its bars, turned as it then is. */
function crankShapes(scene: MotionScene, look: Look): readonly Shape[] {
  const { watt } = scene.stand.axle;
  if (!watt) return [];
  const to = onPicture[look];
  const { posed } = scene;
  const angle = posed.pose.crank ?? 0;
  const [s, c] = [Math.sin(angle), Math.cos(angle)];
  const eye = (p: Point3): Point3 => {
    const [dy, dz] = [p[1] - watt.pivot[1], p[2] - watt.pivot[2]];
    return [p[0], watt.pivot[1] + c * dy - s * dz, watt.pivot[2] + s * dy + c * dz];
  };
  const onAxle = (p: Point3): Point3 => atPose(scene, posed, p);
  const eyes = watt.arm.map((p) => to(watt.on === 'car' ? eye(p) : onAxle(eye(p))));
  const ends = watt.chassis.map((p) => to(watt.on === 'car' ? onAxle(p) : p));
  const pivot = to(watt.on === 'car' ? watt.pivot : onAxle(watt.pivot));
  return [
    {
      kind: 'outline',
      style: 'detail',
      name: 'crank',
      points: barBetween(eyes[0] as Point, eyes[1] as Point, 30),
    },
    ...eyes.map((e, i): Shape => ({
      kind: 'outline',
      style: 'shaft',
      name: i === 0 ? 'top bar of the crank' : 'lower bar of the crank',
      points: barBetween(e, ends[i] as Point, THIN),
    })),
    { kind: 'circle', style: 'journal', centre: pivot, radius: 9 },
  ];
}

const LEAF = ['leaf.front', 'leaf.rear', 'leaf.eye', 'spring.spacing'] as const;

/** Ends of a leaf spring on the car, and its seat where the pose carries it: both sides. */
export function leafPoints(
  scene: MotionScene,
): readonly (readonly [front: Point3, seat: Point3, rear: Point3])[] {
  const { held, values, axle } = scene.stand;
  const [a, b, e, s] = LEAF.map((id) => values[held.at(id)] ?? Number.NaN) as [number, number, number, number];
  if (!axle.pitch) return [];
  const H = axle.axleCentre[2];
  const reach = (long: number) => Math.sqrt(Math.max(0, long * long - e * e));
  return ([1, -1] as const).map((side) => {
    const y = (side * s) / 2;
    return [[reach(a), y, H + e], atPose(scene, scene.posed, [0, y, H]), [-reach(b), y, H + e]];
  });
}

/** Leaf springs from eye to seat to eye. */
function leafShapes(scene: MotionScene, look: Look): readonly Shape[] {
  const to = onPicture[look];
  return leafPoints(scene).flatMap(([front, seat, rear]): Shape[] => [
    { kind: 'outline', style: 'bracket', name: 'leaf spring', points: barBetween(to(front), to(seat), 14) },
    { kind: 'outline', style: 'bracket', name: 'leaf spring', points: barBetween(to(seat), to(rear), 14) },
    { kind: 'circle', style: 'journal', centre: to(front), radius: 12 },
    { kind: 'circle', style: 'journal', centre: to(rear), radius: 12 },
  ]);
}

/** Paths of the links’ ends on the axle through the travel. */
export function traceShapes(scene: MotionScene, look: Look): readonly Shape[] {
  const to = onPicture[look];
  return scene.stand.held.members
    .filter(({ kind }) => !PIVOTED.includes(kind))
    .map((m): Shape => ({
      kind: 'line',
      style: 'pitch',
      points: scene.trace.map((posed) => to(endsAt(scene, posed, m)[0])),
    }));
}

/** Tube and wheels as they stand in the pose. */
export function bodyShapes(scene: MotionScene, look: Look): readonly Shape[] {
  return scene.bodies.all.flatMap((body): readonly Shape[] => {
    if (body.bars)
      return body.bars.flatMap(({ from, to, radius }) => barShapes(scene, look, body.name, [from, to], radius));
    return body.wheel ? wheelShapes(scene, look, body.name, body.wheel) : [];
  });
}

function barShapes(
  scene: MotionScene,
  look: Look,
  name: string,
  ends: readonly Point3[],
  radius: number,
): readonly Shape[] {
  const to = onPicture[look];
  const [a, b] = ends.map((p) => to(atPose(scene, scene.posed, p))) as [Point, Point];
  return Math.hypot(a[0] - b[0], a[1] - b[1]) < 1
    ? [{ kind: 'circle', style: 'tube', centre: a, radius, name }]
    : [{ kind: 'outline', style: 'tube', name, points: barBetween(a, b, 2 * radius) }];
}

type Wheel = NonNullable<Bodies['all'][number]['wheel']>;

function wheelShapes(scene: MotionScene, look: Look, name: string, wheel: Wheel): readonly Shape[] {
  const to = onPicture[look];
  const centre = atPose(scene, scene.posed, wheel.centre);
  if (look === 'side')
    return name.startsWith('left')
      ? [{ kind: 'circle', style: 'ghost', centre: to(centre), radius: wheel.radius, name: 'wheel' }]
      : [];
  const axis = turnedBy({ roll: scene.posed.asked.roll, ...scene.posed.pose }, wheel.axis);
  const across = ([1, -1] as const).map((s): Point3 => [
    centre[0] + s * wheel.half * axis[0],
    centre[1] + s * wheel.half * axis[1],
    centre[2] + s * wheel.half * axis[2],
  ]);
  const [p, q] = across.map(to) as [Point, Point];
  return [{ kind: 'outline', style: 'tyre', name, points: barBetween(p, q, 2 * wheel.radius) }];
}

const DOT = 10;

/** What is in the way. */
export function obstacleShapes(scene: MotionScene, look: Look): readonly Shape[] {
  const to = onPicture[look];
  return scene.rooms.map(({ id, obstacle: o, room }): Shape => {
    const style: ShapeStyle = room && room.value <= 0 ? 'clash' : 'room';
    const meaning = { style, name: o.name, at: `obstacle.${id}` };
    const a = to([o.x, o.y, o.z]);
    if (o.kind === 'point') return { kind: 'circle', ...meaning, centre: a, radius: DOT };
    const b = to([o.x2 ?? o.x, o.y2 ?? o.y, o.z2 ?? o.z]);
    return o.kind === 'edge'
      ? { kind: 'outline', ...meaning, points: barBetween(a, b, 6) }
      : { kind: 'outline', ...meaning, points: [a, [b[0], a[1]], b, [a[0], b[1]]] };
  });
}

const REACH = { x: [-1200, 3500], z: [1, 1500] } as const;

/** Ends that can be drawn along: those of the car, and those of the axle that no bracket places. */
export function handlesOf(scene: MotionScene): readonly MarkHandle[] {
  if (scene.still) return [];
  const { held, values } = scene.stand;
  return [...held.members, ...held.sprung]
    .filter(({ sign }) => sign === 1)
    .flatMap((m): MarkHandle[] => {
      const one = (end: 'a' | 'c', words: string): MarkHandle => {
        const [x, , z] = pointOf(values, end === 'a' ? m.axle : m.car, 1);
        return {
          id: `arm.${m.key}.${end}`,
          quantityId: `arm.${m.key}.${end}`,
          label: `${m.arm.name}, ${words} end`,
          at: [-x, z],
          value: x,
          min: REACH.x[0],
          max: REACH.x[1],
          direction: -1,
          place: placeOfArm(m.key),
          other: {
            quantityId: `arm.${m.key}.${end}.z`,
            value: z,
            min: REACH.z[0],
            max: REACH.z[1],
            direction: 1,
          },
        };
      };
      return [...(m.arm.bracket || PIVOTED.includes(m.kind) ? [] : [one('a', 'axle')]), one('c', 'car')];
    });
}

/** Names of links of one side, at their middle. */
export function memberWords(scene: MotionScene, look: Look): readonly Caption[] {
  const to = onPicture[look];
  const { held } = scene.stand;
  return [...held.members, ...held.sprung]
    .filter(({ sign }) => sign === 1)
    .map((m): Caption => {
      const [a, c] = endsAt(scene, scene.posed, m).map(to) as [Point, Point];
      return { text: m.arm.name, at: [(a[0] + c[0]) / 2, (a[1] + c[1]) / 2 + 16], anchor: 'middle' };
    });
}

/** Round all that is drawn, and no farther than somebody can see. */
export function boundsOf(shapes: readonly Shape[], pad = 40): View['bounds'] {
  const all = shapes.flatMap((s): readonly Point[] =>
    s.kind === 'circle'
      ? [
          [s.centre[0] - s.radius, s.centre[1] - s.radius],
          [s.centre[0] + s.radius, s.centre[1] + s.radius],
        ]
      : s.points,
  );
  const [u, v] = [all.map(([x]) => x), all.map(([, y]) => y)];
  return {
    left: Math.min(...u) - pad,
    right: Math.max(...u) + pad,
    top: Math.max(...v) + pad,
    bottom: Math.min(...v) - pad,
  };
}

import { carried, turnedBy, type Point3 } from '../../../mechanics/solid-axle';
import { outside } from '../../brackets/figures/frame';
import { places } from '../../brackets/figures/places';
import type { AskedOf } from './pictures';
import { endsAt, leafPoints, type MotionScene } from './scene';

/** What a solid is, so that it can be coloured. */
export type SolidStyle = 'tube' | 'bracket' | 'link' | 'bar' | 'spring' | 'wheel' | 'obstacle' | 'met';

interface Called {
  readonly name: string;
  readonly style: SolidStyle;
}

/** Something with room, mm, in the car: x forward of the axle’s middle at ride height, y left, z up from the ground. */
export type Solid3 = Called &
  (
    | { readonly kind: 'bar'; readonly from: Point3; readonly to: Point3; readonly radius: number }
    | { readonly kind: 'coil'; readonly from: Point3; readonly to: Point3; readonly radius: number }
    | { readonly kind: 'box'; readonly low: Point3; readonly high: Point3 }
  );

const SPRUNG = ['coil', 'coilOver'];
const THIN = 11;
const DOT = 12;

function memberSolids(scene: MotionScene): readonly Solid3[] {
  const { held } = scene.stand;
  return [...held.members, ...held.sprung].map((m): Solid3 => {
    const [from, to] = endsAt(scene, scene.posed, m);
    const radius = (m.arm.outside ?? 2 * THIN) / 2;
    return SPRUNG.includes(m.kind)
      ? { kind: 'coil', name: m.name, style: 'spring', from, to, radius: m.arm.outside ? radius : 32 }
      : {
          kind: 'bar',
          name: m.name,
          style: m.kind === 'lateral' ? 'bar' : m.kind === 'damper' ? 'spring' : 'link',
          from,
          to,
          radius,
        };
  });
}

function bodySolids(scene: MotionScene): readonly Solid3[] {
  const { posed, stand } = scene;
  const at = (p: Point3): Point3 => carried(stand.axle, posed.asked, posed.pose, p);
  return scene.bodies.all.flatMap((body): readonly Solid3[] => {
    if (body.bars)
      return body.bars.map(({ from, to, radius }) => ({
        kind: 'bar',
        name: body.name,
        style: 'tube',
        from: at(from),
        to: at(to),
        radius,
      }));
    if (!body.wheel) return [];
    const { half, radius, axis } = body.wheel;
    const centre = at(body.wheel.centre);
    const way = turnedBy({ roll: posed.asked.roll, ...posed.pose }, axis);
    const end = (s: 1 | -1): Point3 => [
      centre[0] + s * half * way[0],
      centre[1] + s * half * way[1],
      centre[2] + s * half * way[2],
    ];
    return [{ kind: 'bar', name: body.name, style: 'wheel', from: end(-1), to: end(1), radius }];
  });
}

/** What stands on the axle, as a stub from its skin outward. */
function bracketSolids(of: AskedOf, scene: MotionScene): readonly Solid3[] {
  const { posed, stand } = scene;
  const od = of(outside).left ?? of(outside).right;
  if (!od) return [];
  const at = (p: Point3): Point3 => carried(stand.axle, posed.asked, posed.pose, p);
  const H = stand.axle.axleCentre[2];
  return of(places).flatMap((p): readonly Solid3[] => {
    const { high, round, kind } = p.item;
    if (!p.middle || !p.clock || high === undefined || kind === 'breather') return [];
    const y = p.middle.value;
    const [s, c] = [Math.sin(p.clock.value), Math.cos(p.clock.value)];
    const on = (r: number): Point3 => at([r * s, y, H + r * c]);
    return [
      {
        kind: 'bar',
        name: p.item.name,
        style: 'bracket',
        from: on(od.value / 2),
        to: on(od.value / 2 + high),
        radius: Math.min(round, 60) / 2,
      },
    ];
  });
}

function obstacleSolids(scene: MotionScene): readonly Solid3[] {
  return scene.rooms.map(({ obstacle: o, room }): Solid3 => {
    const called: Called = { name: o.name, style: room && room.value <= 0 ? 'met' : 'obstacle' };
    const a: Point3 = [o.x, o.y, o.z];
    const b: Point3 = [o.x2 ?? o.x, o.y2 ?? o.y, o.z2 ?? o.z];
    if (o.kind === 'edge') return { kind: 'bar', ...called, from: a, to: b, radius: 6 };
    const pad = o.kind === 'point' ? DOT : 0;
    const corner = (pick: (p: number, q: number) => number, by: number): Point3 => [
      pick(a[0], b[0]) + by,
      pick(a[1], b[1]) + by,
      pick(a[2], b[2]) + by,
    ];
    return { kind: 'box', ...called, low: corner(Math.min, -pad), high: corner(Math.max, pad) };
  });
}

/** Leaf springs, as two bars each. */
const leafSolids = (scene: MotionScene): readonly Solid3[] =>
  leafPoints(scene).flatMap(([front, seat, rear]): Solid3[] =>
    (
      [
        [front, seat],
        [seat, rear],
      ] as const
    ).map(([from, to]): Solid3 => ({
      kind: 'bar',
      name: 'leaf spring',
      style: 'spring',
      from,
      to,
      radius: 14,
    })),
  );

/** Everything of a scene that has room. */
export const solidsOf = (of: AskedOf, scene: MotionScene): readonly Solid3[] => [
  ...bodySolids(scene),
  ...bracketSolids(of, scene),
  ...memberSolids(scene),
  ...leafSolids(scene),
  ...obstacleSolids(scene),
];

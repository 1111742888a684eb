import type { PlaceId } from '../../../stage';
import { bySide, type Side, type Sided } from '../../../geometry';
import { solved, type Figure, type Maybe } from '../../../measure';
import { far, roomOfWheel, type Capsule, type Disc } from '../../../mechanics/nearest';
import type { Point3 } from '../../../mechanics/solid-axle';
import { stance } from '../../stance/figures/stance';
import { node } from '../node';
import { posedNear, type Stand } from '../study';
import { bodies, PosedAxle, roomSlope, type SweptBody, sweptBodies, WHEEL } from './rooms';
import { certain, standing, type Standing } from './study';

/** What comes nearest to a tyre, and how near, mm. */
interface TyreRoom {
  readonly room: Maybe;
  readonly body: string;
  readonly lacks: readonly PlaceId[];
}

/** A wheel and the hollow of its rim. */
interface Wheel extends Disc {
  /** Left +1, right −1. */
  readonly out: 1 | -1;
  /** Radius within which a part stands inside the rim, mm; nothing where it was not read. */
  readonly hollow: number;
}

/** How far a place is inboard of the tyre’s inner side, mm. */
function inboardOf({ centre, axis, half, out }: Wheel, [x, y, z]: Point3): number {
  const along = (x - centre[0]) * axis[0] + (y - centre[1]) * axis[1] + (z - centre[2]) * axis[2];
  return -half - out * along;
}

/** How far a place is off the axle’s line, mm. */
function offOf({ centre, axis }: Wheel, [x, y, z]: Point3): number {
  const [dx, dy, dz] = [x - centre[0], y - centre[1], z - centre[2]];
  const along = dx * axis[0] + dy * axis[1] + dz * axis[2];
  return Math.sqrt(Math.max(0, dx * dx + dy * dy + dz * dz - along * along));
}

/** Room between a bar and a wheel, mm; what stands within the rim’s hollow is beside the brake, not beside the tyre. */
function roomOfCapsule(wheel: Wheel, { from, to, radius }: Capsule, flat: boolean, atMost: number): number {
  const [a, b] = [offOf(wheel, from), offOf(wheel, to)];
  if (Math.max(a, b) + radius < wheel.hollow) return Infinity;
  const [p, q] = [inboardOf(wheel, from), inboardOf(wheel, to)];
  // What lies along the axle ends square, beside the tyre’s side.
  const lower = wheel.radius + radius;
  if (flat && ((p > 0 && a < lower) || (q > 0 && b < lower))) return Math.min(p, q);
  // No nearer than its outermost end lies inboard of the tyre’s side.
  const least = Math.min(p, q) - radius;
  return least >= atMost ? least : roomOfWheel(wheel, { edge: [from, to] }, atMost + radius) - radius;
}

function roomBeside(wheel: Wheel, { body, bars }: Beside, atMost = Infinity): number {
  let least = atMost;
  for (const capsule of bars)
    least = Math.min(least, roomOfCapsule(wheel, capsule, body.bars !== undefined, least));
  return least;
}
/** A body’s bars in a pose. */
interface Beside {
  readonly body: SweptBody['body'];
  readonly bars: readonly Capsule[];
}

interface Nearest {
  readonly room: number;
  readonly body: SweptBody['body'];
  readonly axle: PosedAxle;
}

/** How far the outermost of some bars stands inboard of the tyre’s side, and how far their ends are from its middle, mm. */
function outermost(wheel: Wheel, bars: readonly Capsule[]): { readonly inboard: number; readonly off: number } {
  let inboard = Infinity;
  let off = 0;
  for (const { from, to, radius } of bars) {
    inboard = Math.min(inboard, inboardOf(wheel, from) - radius, inboardOf(wheel, to) - radius);
    off = Math.max(off, far(wheel.centre, from), far(wheel.centre, to));
  }
  return { inboard, off };
}

/** How far a wheel goes over some poses, mm, and how far its axis turns, rad. */
const driftOf = ([first, ...rest]: readonly Wheel[]): { readonly goes: number; readonly turns: number } => ({
  goes: Math.max(0, ...rest.map(({ centre }) => far((first as Wheel).centre, centre))),
  turns: Math.max(0, ...rest.map(({ axis }) => far((first as Wheel).axis, axis))),
});

/**
 * What goes with the axle stands to its wheels as at rest; the rest is looked at in every pose, but for what cannot come
 * nearer in any of them than another does.
 */
function nearestOf(wheel: Wheel, all: readonly SweptBody[]): Nearest | undefined {
  const poses = all[0]?.poses ?? [];
  const there = poses.map((axle) => axle.disc(wheel));
  const { goes, turns } = driftOf(there);
  // What may come nearest is looked at first: the rest is then seldom searched.
  const order = all
    .map((one) => {
      const { inboard, off } = outermost(there[0] as Wheel, one.bars(0));
      if (one.body.bars) return { one, atLeast: inboard };
      const apart = goes + one.roam();
      return { one, atLeast: inboard - apart - turns * (off + apart) };
    })
    .sort((a, b) => a.atLeast - b.atLeast);
  let best: Nearest | undefined;
  for (const { one, atLeast } of order) {
    const { body } = one;
    if (best && atLeast >= best.room) break;
    for (let i = 0; i < (body.bars ? 1 : poses.length); i += 1) {
      const room = roomBeside(there[i] as Wheel, { body, bars: one.bars(i) }, best?.room);
      if (room < (best?.room ?? Infinity)) best = { room, body, axle: poses[i] as PosedAxle };
    }
  }
  return best;
}

/** Step of the sizes of the wheel, mm. */
const STEP = 0.05;

function roomOf(
  { stand, near }: Standing,
  wheel: Wheel,
  all: readonly SweptBody[],
  side: Side,
  sizes: Readonly<Record<'half' | 'et' | 'section' | 'diameter', Figure>>,
): Omit<TyreRoom, 'lacks'> {
  const best = nearestOf(wheel, all);
  if (!best) return { room: undefined, body: '' };
  const { body, axle, room } = best;
  const { inputs } = stand.held;
  const of = (at: Stand, as: Wheel): number => {
    const then = at === stand ? axle : new PosedAxle(at, posedNear(at.axle, axle.posed));
    return roomBeside(then.disc(as), { body, bars: then.bars(body) });
  };
  const wider = (by: number): Wheel => ({ ...wheel, half: wheel.half + by });
  const taller = (by: number): Wheel => ({ ...wheel, radius: wheel.radius + by });
  // Its inner side by what it stands further in, and its tread by what it stands further out.
  const slope = (as: (by: number) => Wheel) => (of(stand, as(STEP)) - of(stand, as(-STEP))) / (2 * STEP);
  return {
    body: body.name,
    room: solved({
      id: `motion.tyre.${side}.room`,
      label: `Room beside the ${side} tyre`,
      unit: 'mm',
      value: room,
      source: `Least in the travel, between it and the ${body.name}`,
      inputs: () => [
        ...inputs,
        ...body.follows.map(({ figure }) => figure),
        sizes.half,
        sizes.et,
        sizes.section,
        sizes.diameter,
      ],
      slopes: () => {
        const [inner, tread] = [slope(wider), slope(taller)];
        return [
          ...inputs.map((input, i) => {
            if (certain(input)) return 0;
            const [more, step] = near(i);
            return roomSlope(of(more, wheel) - room, step);
          }),
          ...body.follows.map(({ most }) => -most),
          -inner,
          inner,
          inner / 2,
          tread / 2,
        ];
      },
    }),
  };
}

/** What is missing of what may stand beside a tyre; casting, nose and driveshaft stand in the car’s middle. */
const BESIDE = ['bracket', 'leaf', 'spring'];
/** The axle’s own tube carries the wheel. */
const TUBE = 'axle tube';

/** Room beside each tyre to all that stands on the axle or moves with it: brackets, links, bars, springs, dampers. */
export const tyreRooms = node('tyreRooms', (r): Sided<TyreRoom> => {
  const stands = r.of(standing);
  const { missing } = r.of(bodies);
  const { edges, half, et, section, diameter } = r.of(stance);
  const own = r
    .of(sweptBodies)
    .filter(({ body }) => (body.bars ?? body.shaft ?? body.member) && body.name !== TUBE);
  return bySide((side): TyreRoom => {
    if (!stands || !edges || !half || !et || !section || !diameter)
      return { room: undefined, body: '', lacks: WHEEL.filter((id) => !r.figure(id)) };
    const out = side === 'left' ? 1 : -1;
    const [a, b] = [edges[side].tyreIn * out, edges[side].tyreOut * out];
    const wheel: Wheel = {
      centre: [0, (a + b) / 2, stands.stand.axle.axleCentre[2]],
      axis: [0, 1, 0],
      half: Math.abs(a - b) / 2,
      radius: diameter.value / 2,
      out,
      hollow: (r.figure('rim.inside')?.value ?? 0) / 2,
    };
    const lacks = missing.filter((id) => BESIDE.includes(id.split('.')[0] ?? ''));
    return { ...roomOf(stands, wheel, own, side, { half, et, section, diameter }), lacks };
  });
});

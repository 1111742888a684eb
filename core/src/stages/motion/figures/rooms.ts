import { unless, type PlaceId, type ThingKind } from '../../../stage';
import { given, INSTRUMENTS, solved, type Figure, type Maybe } from '../../../measure';
import {
  far,
  farFrom,
  roomOfBar,
  roomOfWheel,
  type Capsule,
  type Disc,
  type Still,
} from '../../../mechanics/nearest';
import { carrier, turnedBy, type AxleAsked, type Point3 } from '../../../mechanics/solid-axle';
import { FITTINGS } from '../../brackets/names';
import { newFrame, outside } from '../../brackets/figures/frame';
import { donorThings } from '../../brackets/figures/donor-things';
import { places } from '../../brackets/figures/places';
import { line } from '../../driveline/figures/line';
import { atRest } from '../../driveline/figures/motion';
import { stance } from '../../stance/figures/stance';
import type { Obstacle } from '../choices';
import { axleMoved } from '../../driveline/figures/line';
import { node, type Reads } from '../node';
import { posedAt, posedNear, reached, type Posed, type Stand } from '../study';
import { pointOf, type Member } from './held';
import { certain, standing, type Standing } from './study';

/** Outside of a link whose tube nobody listed, mm. */
const USUAL_LINK = 32;
/** Half of a damper’s or spring’s usual outside, mm. */
const USUAL_SPRUNG = 32;

/** A size or place that the skin of a body follows, and how far at most with each mm of it. */
interface Follows {
  readonly figure: Figure;
  readonly most: number;
}

/** Something that moves with the axle, as it stands at ride height. */
export interface Body {
  readonly name: string;
  /** What it was made from, beside how the axle stands; room to it is no surer than that. */
  readonly follows: readonly Follows[];
  /** Bars that move with the axle, each with its radius. */
  readonly bars?: readonly Capsule[];
  readonly wheel?: Disc;
  /** What of it is round about a line of its own, such as the casting about the axle. */
  readonly round?: Disc;
  readonly member?: Member;
  readonly radius?: number;
  /** A bar from the axle to a place of the car that stays. */
  readonly shaft?: Capsule;
  /** The thing of the plan that it is, where it is one that was listed. */
  readonly thing?: { readonly kind: ThingKind; readonly id: string };
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
export const WHEEL = ['wheel.rim', 'wheel.et', 'tyre.section', 'brief.tyreDiameter'] as const;

/** What moves with the axle: tubes, casting, what stands on them, driveshaft, brakes, wheels, links, springs and dampers. */
export const bodies = node('bodies', (r): Bodies => {
  const stands = r.of(standing);
  if (!stands) return { all: [], missing: [] };
  const { held, axle } = stands.stand;
  const H = axle.axleCentre[2];
  const parts = [
    tubeBody(r, H),
    castingBody(r, H),
    ...standingBodies(r, H),
    shaftBody(r),
    ...donorBodies(r, H),
    ...leafBodies(r, H),
    ...wheelBodies(r, H),
  ];
  const members = [...held.members, ...held.bars, ...held.sprung].map((member): Body => {
    const usual = held.sprung.includes(member) ? 2 * USUAL_SPRUNG : USUAL_LINK;
    const outside = listedOr(member.arm.outside, usual, `arm.${member.key}`, `Outside of the ${member.name}`);
    return {
      name: member.name,
      member,
      thing: thingOf(member),
      radius: outside.value / 2,
      follows: [{ figure: outside, most: 0.5 }],
    };
  });
  return {
    all: [...parts.flatMap((part) => part.all), ...members],
    missing: [...new Set(parts.flatMap((part) => part.missing))],
  };
});

/** A crank’s bars are named by the crank and their eye. */
const thingOf = ({ key }: Member): NonNullable<Body['thing']> => {
  const [crank, eye] = key.split('.');
  return eye === 'top' || eye === 'low' ? { kind: 'crank', id: crank ?? key } : { kind: 'arm', id: key };
};

/** A size as listed, or a usual one, told as assumed. */
const listedOr = (listed: number | undefined, usual: number, id: string, label: string): Figure =>
  given(`room.${id}`, label, listed ?? usual, 0, 'mm', {
    source: listed === undefined ? 'A usual size' : 'As listed',
    ...(listed === undefined ? { assumed: 'Nobody listed it.' } : {}),
  });

const found = (body: Body): Bodies => ({ all: [body], missing: [] });
const lacking = (...missing: readonly PlaceId[]): Bodies => ({ all: [], missing });

function tubeBody(r: Reads, H: number): Bodies {
  const { left, right } = r.of(newFrame).end;
  const [l, q] = [r.of(outside).left, r.of(outside).right];
  if (!left || !right || !l || !q)
    return lacking(...unless(left && right, 'brief.targetWidth'), ...unless(l && q, 'donor.tubeOd'));
  const radius = Math.max(l.value, q.value) / 2;
  const larger = l.value >= q.value ? l : q;
  return found({
    name: 'axle tube',
    follows: [{ figure: larger, most: 0.5 }],
    bars: [{ from: [0, left.value, H], to: [0, right.value, H], radius }],
  });
}

/** Share of the casting’s reach that its cover is as wide as. */
const COVER = 0.8;

/** The casting between its faces, its cover behind, and the pinion’s nose with what turns on it. */
function castingBody(r: Reads, H: number): Bodies {
  const { left, right } = r.of(newFrame).casting;
  const [reach, back, yoke] = [r.figure('body.casting'), r.figure('body.cover'), r.figure('body.yoke')];
  const [known, rest] = [r.of(line).line, r.of(atRest)];
  const missing = [
    ...unless(left && right, 'donor.casting.left', 'donor.casting.right'),
    ...unless(reach, 'body.casting'),
    ...unless(back, 'body.cover'),
    ...unless(yoke, 'body.yoke'),
    ...(known ? [] : r.of(line).lacks),
    ...unless(rest, 'drive.aim'),
  ];
  if (!left || !right || !reach || !back || !yoke || !known || !rest) return lacking(...missing);
  const y = known.pinionSide.value;
  const cover = COVER * reach.value;
  const { pinion } = rest;
  return found({
    name: 'casting',
    follows: [
      { figure: reach, most: 1 },
      { figure: back, most: 1 },
      { figure: yoke, most: 0.5 },
    ],
    round: {
      centre: [0, (left.value + right.value) / 2, H],
      axis: [0, 1, 0],
      half: Math.abs(left.value - right.value) / 2,
      radius: reach.value,
    },
    bars: [
      { from: [0, y, H], to: [-Math.max(0, back.value - cover), y, H], radius: cover },
      {
        from: [0, y, H - known.drop.value],
        to: [pinion.along.value, pinion.side.value, pinion.height.value],
        radius: yoke.value / 2,
      },
    ],
  });
}

/** The last shaft of the driveline: from the pinion’s joint to one that stays. */
function shaftBody(r: Reads): Bodies {
  const [known, rest, D] = [r.of(line).line, r.of(atRest), r.figure('drive.outside')];
  if (!known || !rest || !D)
    return lacking(
      ...(known ? [] : r.of(line).lacks),
      ...unless(rest, 'drive.aim'),
      ...unless(D, 'drive.outside'),
    );
  const at = ({ along, side, height }: Joint): Point3 => [along.value, side.value, height.value];
  return found({
    name: 'driveshaft',
    follows: [
      { figure: D, most: 0.5 },
      { figure: rest.pinion.side, most: 1 },
      { figure: rest.pinion.height, most: 1 },
    ],
    shaft: { from: at(rest.pinion), to: at(known.centre ?? known.gearbox), radius: D.value / 2 },
  });
}
type Joint = Readonly<Record<'along' | 'side' | 'height', Figure>>;

/** A breather or plug whose height nobody listed, mm. */
const FITTING_HIGH = 30;
/** A bracket is filled with bars along the axle that are no thicker than this, mm: less is lost at its corners. */
const BAR = 12;

/** Places from one end to the other, no farther apart than bars that fill what lies between them. */
function filled(from: number, to: number, radius: number): readonly number[] {
  const steps = Math.max(1, Math.ceil(Math.abs(to - from) / (Math.SQRT2 * radius)));
  return Array.from({ length: steps + 1 }, (_, i) => from + ((to - from) * i) / steps);
}

/** Every bracket on the tubes, filled from its tube’s skin to its top. */
function standingBodies(r: Reads, H: number): readonly Bodies[] {
  return r.of(places).map((p): Bodies => {
    const D = r.of(outside)[p.side];
    const { item, y, clock } = p;
    const tall =
      item.high !== undefined || FITTINGS.includes(item.kind)
        ? listedOr(item.high, FITTING_HIGH, `bracket.${p.id}`, `Height of the ${item.name}`)
        : undefined;
    if (!y || !clock || !D || !tall) return lacking('bracket.list', ...unless(D, 'donor.tubeOd'));
    const high = tall.value;
    const R = D.value / 2;
    // Plates stand side by side, square to the skin under their middle.
    const chord = R * Math.sin(Math.min(Math.PI / 2, item.round / 2 / R));
    const radius = Math.max(1, Math.min(BAR, high / 2, chord));
    const [sin, cos] = [Math.sin(clock.value), Math.cos(clock.value)];
    const ends = [y.value - item.wide / 2, y.value + item.wide / 2] as const;
    return found({
      name: item.name,
      thing: { kind: 'bracket', id: p.id },
      follows: [
        { figure: y, most: 1 },
        { figure: D, most: 0.5 },
        { figure: tall, most: 1 },
      ],
      bars: filled(R, R + high - radius, radius).flatMap((up) =>
        filled(radius - chord, chord - radius, radius).map((beside): Capsule => {
          const [x, z] = [up * sin + beside * cos, H + up * cos - beside * sin];
          return { from: [x, ends[0], z], to: [x, ends[1], z], radius };
        }),
      ),
    });
  });
}

/** What is left of the donor’s on its tubes: where round them, and how high, nobody listed. A ring as high as a fitting counts. */
function donorBodies(r: Reads, H: number): readonly Bodies[] {
  return r.of(donorThings).map(({ id, name, side, from, to }): Bodies => {
    const [face, D] = [r.of(newFrame).casting[side], r.of(outside)[side]];
    if (!face || !D) return lacking(...unless(face, 'brief.targetWidth'), ...unless(D, 'donor.tubeOd'));
    const y = face.value + (side === 'left' ? 1 : -1) * ((from.value + to.value) / 2);
    const tall = listedOr(undefined, FITTING_HIGH, `donor.${id}`, `Height of the ${name}`);
    return found({
      name,
      follows: [
        { figure: from, most: 0.5 },
        { figure: to, most: 0.5 },
        { figure: D, most: 0.5 },
        { figure: tall, most: 1 },
      ],
      thing: { kind: 'tubeItem', id },
      wheel: {
        centre: [0, y, H],
        axis: [0, 1, 0],
        half: Math.abs(to.value - from.value) / 2,
        radius: D.value / 2 + tall.value,
      },
    });
  });
}

/** Half of the width of a usual leaf spring, mm. */
const USUAL_LEAF = 32;

/** Both leaf springs: from the axle to the front eye, which stays, and as far back. */
function leafBodies(r: Reads, H: number): readonly Bodies[] {
  if (r.choice('suspension') !== 'leaf') return [];
  const [a, b, e, s] = (['leaf.front', 'leaf.rear', 'leaf.eye', 'spring.spacing'] as const).map((id) =>
    r.figure(id),
  );
  if (!a || !b || !e || !s)
    return [lacking(...(['leaf.front', 'leaf.rear', 'spring.spacing'] as const).filter((id) => !r.figure(id)))];
  const read = r.figure('spring.width');
  const wide = read ?? listedOr(undefined, 2 * USUAL_LEAF, 'spring.width', 'Width of the leaf spring');
  // Unread, the pack is as high as it is wide at least, and said to be assumed.
  const most = Math.max(wide.value, 2 * USUAL_LEAF);
  const pack = r.figure('perch.pack') ?? listedOr(undefined, most, 'perch.pack', 'Height of the leaf spring');
  const across = pack.value >= wide.value ? pack : wide;
  const radius = across.value / 2;
  const follows: readonly Follows[] = [
    { figure: s, most: 0.5 },
    { figure: across, most: 0.5 },
    { figure: e, most: 1 },
  ];
  return (['left', 'right'] as const).flatMap((side) => {
    const y = ((side === 'left' ? 1 : -1) * s.value) / 2;
    const half = (x: number): Bodies =>
      found({ name: `${side} spring`, follows, shaft: { from: [0, y, H], to: [x, y, H + e.value], radius } });
    return [half(Math.sqrt(Math.max(0, a.value ** 2 - e.value ** 2))), half(-b.value)];
  });
}

const discOf = (a: number, b: number, radius: number, H: number): Disc => ({
  centre: [0, (a + b) / 2, H],
  axis: [0, 1, 0],
  half: Math.abs(a - b) / 2,
  radius,
});

/** Wheels with their tyres, and the brakes inboard of them. */
function wheelBodies(r: Reads, H: number): readonly Bodies[] {
  const { edges, half, et, section, diameter } = r.of(stance);
  const { left, right } = r.of(newFrame).end;
  const reach = r.figure('brake.radius');
  return (['left', 'right'] as const).flatMap((side) => {
    const sign = side === 'left' ? 1 : -1;
    const disc = (name: string, [a, b, radius]: readonly number[], follows: readonly Follows[]): Bodies =>
      found({
        name,
        follows,
        wheel: discOf(a as number, b as number, radius as number, H),
      });
    const wheel =
      edges && half && et && section && diameter
        ? disc(
            `${side} wheel`,
            [edges[side].tyreIn * sign, edges[side].tyreOut * sign, diameter.value / 2],
            [
              { figure: half, most: 1 },
              { figure: et, most: 1 },
              { figure: section, most: 0.5 },
              { figure: diameter, most: 0.5 },
            ],
          )
        : lacking(...WHEEL.filter((id) => !r.figure(id)));
    const end = side === 'left' ? left : right;
    const brake =
      edges && end && reach
        ? disc(
            `${side} brake`,
            [end.value, edges[side].tyreOut * sign, reach.value],
            [
              { figure: end, most: 1 },
              { figure: reach, most: 1 },
            ],
          )
        : lacking(...unless(reach, 'brake.radius'), ...unless(end, 'brief.targetWidth'));
    return [wheel, brake];
  });
}

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

/** The axle in one pose. */
export class PosedAxle {
  readonly carry: (p: Point3) => Point3;

  constructor(
    private readonly stand: Stand,
    readonly posed: Posed,
  ) {
    this.carry = carrier(stand.axle, posed.asked, posed.pose);
  }

  /** A disc of the axle where it is carried. */
  disc<D extends Disc>(disc: D): D {
    const { asked, pose } = this.posed;
    return {
      ...disc,
      centre: this.carry(disc.centre),
      axis: turnedBy({ roll: asked.roll, ...pose }, disc.axis),
    };
  }

  /** The bars of a body: those that go with the axle, a shaft from it to the car, a member. */
  bars({ bars, shaft, member, radius = 0 }: Body): readonly Capsule[] {
    const { carry, stand } = this;
    if (bars) return bars.map((bar) => ({ from: carry(bar.from), to: carry(bar.to), radius: bar.radius }));
    if (shaft) return [{ ...shaft, from: carry(shaft.from) }];
    if (!member) return [];
    const car = pointOf(stand.values, member.car, member.sign);
    const pivoted = member.kind === 'ladder' || member.kind === 'torqueArm';
    const own: Point3 = pivoted
      ? [0, car[1], stand.axle.axleCentre[2]]
      : pointOf(stand.values, member.axle, member.sign);
    return [{ from: carry(own), to: car, radius }];
  }
}

/** A ball about all of a body that goes with the axle, as it stands at ride height. */
interface Ball {
  readonly centre: Point3;
  readonly reach: number;
}

const middle = (a: Point3, b: Point3): Point3 => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2];

function ballOf({ bars = [], round, wheel }: Body): Ball {
  const own = [
    ...bars.map(({ from, to, radius }): Ball => ({
      centre: middle(from, to),
      reach: far(from, to) / 2 + radius,
    })),
    ...[round, wheel].flatMap((disc) =>
      disc ? { centre: disc.centre, reach: Math.hypot(disc.half, disc.radius) } : [],
    ),
  ];
  const n = own.length;
  const centre = [0, 1, 2].map(
    (k) => own.reduce((sum, b) => sum + (b.centre[k] as number), 0) / n,
  ) as never as Point3;
  return { centre, reach: Math.max(...own.map((b) => far(centre, b.centre) + b.reach)) };
}

/** A body over some poses; where each of them has it is worked out once. */
export class SweptBody {
  private readonly ball: Ball | undefined;
  private readonly places: Point3[] = [];
  private readonly discs: Disc[] = [];
  private readonly made: (readonly Capsule[])[] = [];
  private roams: number | undefined;

  constructor(
    readonly body: Body,
    readonly poses: readonly PosedAxle[],
  ) {
    this.ball = (body.bars ?? body.wheel) ? ballOf(body) : undefined;
  }

  private axle(i: number): PosedAxle {
    return this.poses[i] as PosedAxle;
  }

  /** Its bars in a pose. */
  bars(i: number): readonly Capsule[] {
    return (this.made[i] ??= this.axle(i).bars(this.body));
  }

  /** The middle of what goes with the axle, else the axle’s end of it, in a pose. */
  private place(i: number): Point3 {
    return (this.places[i] ??= this.ball
      ? this.axle(i).carry(this.ball.centre)
      : (this.bars(i)[0] as Capsule).from);
  }

  private disc(i: number, disc: Disc): Disc {
    return (this.discs[i] ??= this.axle(i).disc(disc));
  }

  /** Farther than this no part of it goes, over all poses, from where the first of them has it. */
  roam(): number {
    if (this.roams === undefined) {
      let roam = 0;
      for (let i = 1; i < this.poses.length; i += 1) roam = Math.max(roam, far(this.place(0), this.place(i)));
      this.roams = roam;
    }
    return this.roams;
  }

  /** Less room than this it has in no pose: by the ball about it, or about the bar that it is, in the first of them. */
  leastRoom(still: Still): number {
    const { ball } = this;
    if (ball) return farFrom(this.place(0), still) - ball.reach - this.roam();
    const [bar] = this.bars(0);
    if (!bar) return Infinity;
    const { from, to, radius } = bar;
    return farFrom(middle(from, to), still) - far(from, to) / 2 - radius - this.roam();
  }

  /** Room where a pose carries it; no less than `atMost` is told as that. */
  room(i: number, still: Still, atMost = Infinity): number {
    const { ball, body } = this;
    if (ball && farFrom(this.place(i), still) - ball.reach >= atMost) return atMost;
    if (body.wheel) return Math.min(atMost, roomOfWheel(this.disc(i, body.wheel), still, atMost));
    let least = body.round ? Math.min(atMost, roomOfWheel(this.disc(i, body.round), still, atMost)) : atMost;
    for (const bar of this.bars(i)) least = Math.min(least, roomOfCapsule(bar, still, least));
    return least;
  }
}

/** Room of a bar to what does not move; what cannot be nearer than `atMost` is not searched. */
function roomOfCapsule(bar: Capsule, still: Still, atMost: number): number {
  const reach = far(bar.from, bar.to) / 2 + bar.radius;
  return farFrom(middle(bar.from, bar.to), still) - reach >= atMost ? atMost : roomOfBar(bar, still, atMost);
}

/** Heaves and rolls that clearances are looked at in: what both wheels can do. */
function sweptPoses(stand: Stand): readonly PosedAxle[] {
  const { reach, axle } = stand;
  const { bump, droop, roll } = reach;
  if (Number.isNaN(bump) || Number.isNaN(droop) || Number.isNaN(roll)) return [];
  const heaves = [-droop, -0.66 * droop, -0.33 * droop, 0, 0.33 * bump, 0.66 * bump, bump];
  const rolls = roll < 1e-4 ? [0] : [0, roll, -roll, roll / 2, -roll / 2];
  const all = heaves.flatMap((z) => rolls.map((angle) => posedAt(axle, { z, roll: angle })));
  // Where the links do not reach one of them, nothing is known of the whole travel: that is not clear.
  return all.every(({ pose }) => reached(pose)) ? all.map((posed) => new PosedAxle(stand, posed)) : [];
}

/** The axle in all poses that clearances are looked at in. */
const swept = node('swept', (r): readonly PosedAxle[] => {
  const stands = r.of(standing);
  return stands ? sweptPoses(stands.stand) : [];
});

/** Every body over these poses. */
export const sweptBodies = node('sweptBodies', (r): readonly SweptBody[] => {
  const poses = r.of(swept);
  return poses.length ? r.of(bodies).all.map((body) => new SweptBody(body, poses)) : [];
});

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
  readonly swept: SweptBody;
  readonly axle: PosedAxle;
}

/** How a room moves with an input; nothing where no more than the dust of binary rounding moved, or a pose is not reached. */
export function roomSlope(moved: number, step: number): number {
  const by = moved / step;
  return Number.isFinite(by) && Math.abs(by) > 1e-9 ? by : 0;
}

function nearestOf(all: readonly SweptBody[], still: Still): Nearest | undefined {
  // What may stand nearest is looked at first: the rest is then seldom searched.
  const order = all
    .map((one) => ({ one, atLeast: one.leastRoom(still) }))
    .sort((a, b) => a.atLeast - b.atLeast);
  let best: Nearest | undefined;
  for (const { one, atLeast } of order) {
    if (best && atLeast >= best.room) break;
    for (let i = 0; i < one.poses.length; i += 1) {
      const room = one.room(i, still, best?.room);
      if (!best || room < best.room) best = { room, swept: one, axle: one.poses[i] as PosedAxle };
    }
  }
  return best;
}

function roomOf(stands: Standing, all: readonly SweptBody[], id: string, obstacle: Obstacle): Room {
  const corners = cornersOf(id, obstacle);
  const values = corners.map((f) => f.value);
  const { stand } = stands;
  const best = nearestOf(all, stillOf(obstacle, values));
  if (!best) return { id, obstacle, room: undefined, body: '', asked: undefined };
  const { posed } = best.axle;
  const { asked } = posed;
  const { body } = best.swept;
  const h = 0.05;
  const of = (at: Stand, corner: readonly number[]): number => {
    const axle = at === stand ? best.axle : new PosedAxle(at, posedNear(at.axle, posed));
    return new SweptBody(body, [axle]).room(0, stillOf(obstacle, corner));
  };
  return {
    id,
    obstacle,
    body: body.name,
    asked,
    room: solved({
      id: `obstacle.${id}.room`,
      label: `Room to ${obstacle.name}`,
      unit: 'mm',
      value: best.room,
      source: `Least in the travel, between it and the ${body.name}`,
      inputs: () => [...stand.held.inputs, ...corners, ...body.follows.map(({ figure }) => figure)],
      slopes: () => [
        ...stand.held.inputs.map((_, i) => {
          if (certain(stand.held.inputs[i] as Figure)) return 0;
          const [more, step] = stands.near(i);
          return roomSlope(of(more, values) - best.room, step);
        }),
        ...values.map((_, i) => {
          const moved = (by: number) => values.map((v, k) => (k === i ? v + by : v));
          return (of(stand, moved(h)) - of(stand, moved(-h))) / (2 * h);
        }),
        ...body.follows.map(({ most }) => -most),
      ],
    }),
  };
}

/** What does not move, forward of the axle as it will stand: it was read with the axle in the middle hole of its plates. */
const obstaclesNow = node('obstaclesNow', (r): Readonly<Record<string, Obstacle>> => {
  const forward = r.of(axleMoved)?.value;
  const all = r.part('obstacles');
  if (!forward) return all;
  return Object.fromEntries(
    Object.entries(all).map(([id, o]) => [
      id,
      { ...o, x: o.x - forward, ...(o.x2 === undefined ? {} : { x2: o.x2 - forward }) },
    ]),
  );
});

/** Room to everything of the car that was listed, where it is least in the travel. */
export const rooms = node('rooms', (r: Reads): readonly Room[] => {
  const stands = r.of(standing);
  const listed = Object.entries(r.of(obstaclesNow));
  if (!stands || listed.length === 0)
    return listed.map(([id, obstacle]) => ({ id, obstacle, room: undefined, body: '', asked: undefined }));
  const all = r.of(sweptBodies);
  return listed.map(([id, obstacle]) => roomOf(stands, all, id, obstacle));
});

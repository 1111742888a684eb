import { type PlaceId, unless } from '../../../stage';
import type { Figure } from '../../../measure';
import { centreHeight, wheelbaseNow } from '../../brief/figures/torque';
import type { AxleLink, AxlePin, Point3, SolidAxle } from '../../../mechanics/solid-axle';
import type { Suspension } from '../../driveline/choices';
import type { Arm, ArmKind, LadderFront } from '../choices';
import { node, type Reads } from '../node';
import { crankPlaces, endsOf, rightBracket, type PlaceFigures } from './inputs';

/** Where three numbers of a place stand among the inputs. */
export type At = readonly [x: number, y: number, z: number];

/** One thing between axle and car: of a pair there are two. */
export interface Member {
  /** Of the arm it was listed as. */
  readonly key: string;
  readonly arm: Arm;
  readonly name: string;
  readonly kind: ArmKind;
  readonly side: 'left' | 'right' | 'single';
  /** +1, or −1 for the mirror image. */
  readonly sign: 1 | -1;
  readonly axle: At;
  readonly car: At;
  /** Bracket on the axle that holds it. */
  readonly bracket?: string;
}

/** How the axle is held, as numbers by their places in one list of inputs. */
export interface Held {
  readonly inputs: readonly Figure[];
  readonly members: readonly Member[];
  /** Both bars of a crank, from its eye to the other end: what holds is the crank. */
  readonly bars: readonly Member[];
  /** Springs and dampers: they hold nothing. */
  readonly sprung: readonly Member[];
  readonly solid: (values: ArrayLike<number>) => SolidAxle;
  /** Where an input stands, by the id of its quantity; −1 while it is not known. */
  readonly at: (id: string) => number;
}

/** What is known of how the axle is held, or why it is not. */
interface Holding {
  readonly held?: Held;
  readonly lacks: readonly PlaceId[];
  /** What the chosen way of holding it still wants, in words. */
  readonly wants: readonly string[];
}

/** Things that hold the axle by their length. */
const LINKS: readonly ArmKind[] = ['lower', 'upper', 'lateral'];
export const SPRUNG: readonly ArmKind[] = ['coil', 'damper', 'coilOver'];

/** What each way of holding the axle is made of. */
interface Wanted {
  readonly lower?: number;
  readonly upper?: number;
  readonly ladder?: number;
  readonly torqueArm?: number;
  /** A lateral bar, or a crank. */
  readonly across?: true;
}
const WANTED: Readonly<Record<Suspension, Wanted | undefined>> = {
  unsaid: undefined,
  independent: undefined,
  own: {},
  leaf: {},
  ladder: { ladder: 2, across: true },
  parallel: { lower: 2, upper: 2, across: true },
  triangulated: { lower: 2, upper: 2 },
  torqueArm: { torqueArm: 1, lower: 2, across: true },
  threeLink: { lower: 2, upper: 1, across: true },
};
const COUNTED: Readonly<Record<'lower' | 'upper' | 'ladder' | 'torqueArm', readonly [string, string]>> = {
  lower: ['a lower link', 'lower links on both sides'],
  upper: ['an upper link', 'upper links on both sides'],
  ladder: ['a ladder bar', 'ladder bars on both sides'],
  torqueArm: ['a torque arm', 'a torque arm'],
};

/** Halves of a leaf spring: where they are read, leaf springs are looked at. */
export const HALVES = ['leaf.front', 'leaf.rear'] as const;
/** Leaf springs are read as these. */
const LEAF = [...HALVES, 'leaf.eye', 'spring.spacing'] as const;
/** Inputs that are quantities. */
const READ = [
  'drive.axleHeight',
  'spring.bump',
  'spring.droop',
  'stance.lean',
  'motion.rearBrake',
  'motion.bush',
] as const;

/** Figures in a row, each once. */
class Inputs {
  readonly figures: Figure[] = [];
  private readonly places = new Map<string, number>();

  add(figure: Figure): number {
    const found = this.places.get(figure.id);
    if (found !== undefined) return found;
    this.places.set(figure.id, this.figures.length);
    return this.figures.push(figure) - 1;
  }

  place([x, y, z]: PlaceFigures): At {
    return [this.add(x), this.add(y), this.add(z)];
  }

  at(id: string): number {
    return this.places.get(id) ?? -1;
  }
}

const holderOf = (bracket: string | undefined): Pick<Member, 'bracket'> =>
  bracket === undefined ? {} : { bracket };

function membersOf(r: Reads, inputs: Inputs, H: Figure): { members: Member[]; unplaced: string[] } {
  const members: Member[] = [];
  const unplaced: string[] = [];
  for (const [key, arm] of Object.entries(r.part('arms'))) {
    const { axle, right, car } = endsOf(r, key, arm, H);
    const pivots = arm.kind === 'ladder' || arm.kind === 'torqueArm';
    if ((!axle || !right) && !pivots) {
      unplaced.push(key);
      continue;
    }
    const carAt = inputs.place(car);
    // A bar that is one with the axle turns with it about its pivot on the car.
    const axleAt = axle && !pivots ? inputs.place(axle) : carAt;
    const rightAt = right && right !== axle && !pivots ? inputs.place(right) : axleAt;
    const other = rightBracket(r.part('brackets'), arm) ?? arm.bracket;
    const one = (side: Member['side'], sign: 1 | -1): Member => ({
      key,
      arm,
      name: arm.side === 'pair' ? `${arm.name}, ${side}` : arm.name,
      kind: arm.kind,
      side,
      sign,
      axle: sign === 1 ? axleAt : rightAt,
      car: carAt,
      ...holderOf(sign === 1 ? arm.bracket : other),
    });
    if (arm.side === 'pair') members.push(one('left', 1), one('right', -1));
    else members.push(one(arm.side, 1));
  }
  return { members, unplaced };
}

/** A member’s place in the car. */
export const pointOf = (values: ArrayLike<number>, [x, y, z]: At, sign: 1 | -1): Point3 => [
  values[x] as number,
  sign * (values[y] as number),
  values[z] as number,
];

/** Share of a leaf’s front half on which its seat swings about the eye. */
const SWING = 0.75;
/** What the clamped leaf gives along the car, and sideways, N/mm. */
const LEAF_RATE = 1500;

function leafOf(values: ArrayLike<number>, at: (id: string) => number, H: number): Partial<SolidAxle> {
  const [a, b, e, s] = LEAF.map((id) => values[at(id)] as number) as [number, number, number, number];
  const along = Math.sqrt(Math.max(0, a * a - e * e));
  const links = ([1, -1] as const).map((side): AxleLink => ({
    axle: [0, (side * s) / 2, H],
    chassis: [SWING * along, (side * s) / 2, H + SWING * e],
    rate: LEAF_RATE,
  }));
  const pin: AxlePin = { axle: [0, 0, H], chassis: [0, 0, H], directions: ['y'], rate: LEAF_RATE };
  // Nose up by 1/b − 1/a for a mm of rise; the pose counts nose down.
  return { links, pins: [pin], pitch: { perRise: 1 / a - 1 / b, rate: LEAF_RATE } };
}

/** What the front pivot of a ladder bar holds. */
const LADDER_HELD: Readonly<Record<LadderFront, AxlePin['directions']>> = {
  unsaid: ['x', 'z'],
  sliding: ['x', 'z'],
  bushed: ['x', 'y', 'z'],
};

function solidOf(values: ArrayLike<number>, { members, at, leaf, crank, front }: Parts): SolidAxle {
  const H = values[at('drive.axleHeight')] as number;
  const bush = values[at('motion.bush')] as number;
  const springs = leaf ? leafOf(values, at, H) : {};
  const links = members
    .filter(({ kind }) => LINKS.includes(kind))
    .map(({ axle, car, sign, arm }): AxleLink => ({
      axle: pointOf(values, axle, sign),
      chassis: pointOf(values, car, sign),
      // Two bushings in a row.
      rate: arm.rate ?? bush / 2,
    }));
  const pins = members
    .filter(({ kind }) => kind === 'ladder' || kind === 'torqueArm')
    .map(({ car, sign, kind, arm }): AxlePin => {
      const at0 = pointOf(values, car, sign);
      return {
        axle: at0,
        chassis: at0,
        directions: kind === 'ladder' ? LADDER_HELD[front] : ['z'],
        rate: arm.rate ?? bush,
      };
    });
  return {
    axleCentre: [0, 0, H],
    links: [...(springs.links ?? []), ...links],
    pins: [...(springs.pins ?? []), ...pins],
    ...(springs.pitch ? { pitch: springs.pitch } : {}),
    ...(crank
      ? {
          watt: {
            pivot: pointOf(values, crank.pivot, 1),
            arm: [pointOf(values, crank.arm[0], 1), pointOf(values, crank.arm[1], 1)],
            chassis: [pointOf(values, crank.ends[0], 1), pointOf(values, crank.ends[1], 1)],
            rate: crank.rate ?? bush / 2,
            on: crank.on,
          },
        }
      : {}),
  };
}

/** A crank by the places of its inputs. */
interface CrankAt {
  readonly on: 'axle' | 'car';
  readonly pivot: At;
  readonly arm: readonly [At, At];
  readonly ends: readonly [At, At];
  readonly rate: number | undefined;
}
interface Parts {
  readonly members: readonly Member[];
  readonly at: (id: string) => number;
  readonly leaf: boolean;
  readonly crank: CrankAt | undefined;
  readonly front: LadderFront;
}

function crankOf(r: Reads, inputs: Inputs): CrankAt | undefined {
  const [found] = Object.entries(r.part('cranks'));
  if (!found) return undefined;
  const [id, crank] = found;
  const { pivot, arm, ends } = crankPlaces(id, crank);
  return {
    on: crank.on,
    pivot: inputs.place(pivot),
    arm: [inputs.place(arm[0]), inputs.place(arm[1])],
    ends: [inputs.place(ends[0]), inputs.place(ends[1])],
    rate: crank.rate,
  };
}

const EYES = ['top', 'low'] as const;

/** The bars of a crank as links of their own: listed, loaded and judged like any other. */
function barsOf(r: Reads, { on, arm, ends }: CrankAt): Member[] {
  const [found] = Object.entries(r.part('cranks'));
  if (!found) return [];
  const [key, crank] = found;
  return EYES.map((eye, i): Member => {
    const [atEye, atEnd] = [arm[i] as At, ends[i] as At];
    const { outside, wall, bolt } = crank;
    const bracket = crank[`${eye}Bracket`];
    return {
      key: `${key}.${eye}`,
      arm: {
        name: `${crank.name}, ${eye === 'top' ? 'top' : 'lower'} bar`,
        kind: 'lateral',
        side: 'single',
        tool: 'tape',
        cx: crank.px,
        cy: crank[`${eye}EndY`],
        cz: crank[`${eye}EndZ`],
        ...(outside === undefined ? {} : { outside }),
        ...(wall === undefined ? {} : { wall }),
        ...(bolt === undefined ? {} : { bolt }),
        ...(bracket === undefined ? {} : { bracket }),
      },
      name: `${crank.name}, ${eye === 'top' ? 'top' : 'lower'} bar`,
      kind: 'lateral',
      side: 'single',
      sign: 1,
      axle: on === 'axle' ? atEye : atEnd,
      car: on === 'axle' ? atEnd : atEye,
      ...holderOf(bracket),
    };
  });
}

/** What the way it is held still wants. */
function wantsOf(wanted: Wanted, members: readonly Member[], crank: boolean): string[] {
  const count = (kind: ArmKind) => members.filter((m) => m.kind === kind).length;
  const wants = (['lower', 'upper', 'ladder', 'torqueArm'] as const).flatMap((kind) => {
    const [one, both] = COUNTED[kind];
    const missing = (wanted[kind] ?? 0) - count(kind);
    return missing > 0 ? [(wanted[kind] ?? 0) > 1 ? both : one] : [];
  });
  return wanted.across && !crank && count('lateral') === 0
    ? [...wants, 'a lateral bar, or a crank with two bars']
    : wants;
}

/** How the axle is held: every place by its figure, and the axle that follows. */
export const holding = node('holding', (r): Holding => {
  const way = r.choice('suspension');
  const wanted = WANTED[way];
  if (!wanted) return { lacks: way === 'unsaid' ? ['motion.way'] : [], wants: [] };
  const H = r.figure('drive.axleHeight');
  const leaf = way === 'leaf';
  const lacks: PlaceId[] = [
    ...unless(H, 'drive.axleHeight'),
    ...(leaf ? LEAF.filter((id) => !r.figure(id)) : []),
  ];
  if (!H) return { lacks, wants: [] };
  const inputs = new Inputs();
  const byId = new Map<string, number>();
  for (const id of leaf ? [...READ, ...LEAF] : READ) {
    const figure = r.figure(id);
    if (figure) byId.set(id, inputs.add(figure));
  }
  const [centre, base] = [r.of(centreHeight), r.of(wheelbaseNow)];
  if (centre) byId.set('brief.cgHeight', inputs.add(centre));
  if (base) byId.set('brief.wheelbase', inputs.add(base));
  const at = (id: string): number => byId.get(id) ?? -1;
  const { members, unplaced } = membersOf(r, inputs, H);
  const crank = crankOf(r, inputs);
  const wants = wantsOf(wanted, members, crank !== undefined);
  if (unplaced.length) lacks.push('arm.list');
  if (lacks.length || wants.length) return { lacks: [...lacks, ...unless(!wants.length, 'arm.list')], wants };
  const holds = members.filter(({ kind }) => !SPRUNG.includes(kind));
  const parts: Parts = { members: holds, at, leaf, crank, front: r.choice('ladderFront') };
  return {
    lacks: [],
    wants: [],
    held: {
      inputs: inputs.figures,
      members: holds,
      bars: crank ? barsOf(r, crank) : [],
      sprung: members.filter(({ kind }) => SPRUNG.includes(kind)),
      solid: (values) => solidOf(values, parts),
      at,
    },
  };
});

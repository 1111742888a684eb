import { bySide, SIDES, type Side, type Sided } from '../../geometry';
import { assumedAs, derive, deriveWherePossible, given, type Figure } from '../../measure';
import type { FactOf } from '../../stage';
import type { survey } from '../survey/words';
import type { stance } from './words';
import type { RoomId } from '../survey/room-quantities';
import {
  archWork,
  BULGE,
  centreRange,
  widestSection,
  type CentreRange,
  type StancePose,
  type WheelWidth,
} from './centre-range';
import { bothSides, halvesFor, offsetsFor, type Span } from './fit-map';
import { POSE_SHAPES, STANCE_POSES, type StancePoseId } from './poses';
import {
  poseRoom,
  travelOf,
  travelQuantity,
  type GapKind,
  type PoseRoom,
  type RoomThing,
  type StanceFigures,
} from './room';
import { readTyreSize, type TyreSize } from './tyre-size';
import { measuringRim, overallRim, wheelEdges, type WheelEdges } from './wheel';
import type { Spacer } from './choices';

type Maybe = Figure | undefined;

/** Gaps to keep, mm. */
export interface StanceLimits {
  readonly inboard: number;
  readonly spring: number;
  readonly outboard: number;
  readonly radial: number;
}

export interface StanceInput {
  /** WMS width of the axle as it stands, or will. */
  readonly width: Maybe;
  /** Wheel room, wheel, axle and movement, by quantity. */
  readonly figures: StanceFigures;
  readonly facts: FactOf<typeof stance | typeof survey>;
  readonly tyre: string;
  readonly spacer: Spacer;
  /** Built into the ends, or left by the cut, rad. */
  readonly camberLeft: Maybe;
  readonly camberRight: Maybe;
  readonly limits: StanceLimits;
}

/** Gap between the tyre and one thing, in one pose of one side. */
export interface Clearance {
  readonly side: Side;
  readonly pose: StancePoseId;
  readonly from: RoomThing['from'];
  /** Quantity of the thing. */
  readonly place: RoomId;
  readonly gap: Figure;
  readonly limit: GapKind;
}

export interface Spans {
  /** Half-widths of the axle on which this wheel clears, mm. */
  readonly half: Span;
  /** Offsets with which a wheel clears on this width, mm. */
  readonly et: Span;
}

/** What is missing before clearances of a side are proven, by quantity. */
export type StanceLacks = Readonly<Record<RoomThing['from'] | 'radial', readonly string[]>>;

export interface StanceResult {
  readonly tyre: TyreSize | undefined;
  /** Why the tyre’s size cannot be read; empty where it can, or none is given. */
  readonly tyreProblem: string;
  readonly section: Maybe;
  readonly diameter: Maybe;
  /** Diameter as read over the one its size says, less one; only where both are known. */
  readonly diameterOff: Maybe;
  readonly backspace: Maybe;
  /** Offset with the spacer taken off it. */
  readonly et: Maybe;
  /** WMS width over two, from the axle’s own middle. */
  readonly half: Maybe;
  /** Tyre middle to tyre middle, mm. */
  readonly track: Maybe;
  readonly offCentre: number;
  /** Tyre and rim as they have to pass, mm; undefined while either is not known. */
  readonly wheel: WheelWidth | undefined;
  /** All that the fit map needs; the same in page and worker. */
  readonly poses: Sided<readonly StancePose[]>;
  readonly ranges: Sided<CentreRange> | undefined;
  readonly edges: Sided<WheelEdges> | undefined;
  readonly clearances: readonly Clearance[];
  readonly spans: Spans | undefined;
  readonly lacks: Sided<StanceLacks>;
  /** Nothing is missing on either side: what clears, clears. */
  readonly proven: boolean;
  /** Widest section that fits per side, and metal to move inboard where none does, mm; undefined while unproven. */
  readonly widest: Sided<number | undefined>;
  readonly archWork: Sided<number | undefined>;
  /** How far the axle would have to be set to the left so that one offset suits both sides, mm; undefined where it does. */
  readonly axleMove: number | undefined;
  /** Tyre’s top to the arch lip at full bump, mm. */
  readonly radial: Sided<Maybe>;
  readonly caliper: Maybe;
  /** The lateral bar does not reach through the travel. */
  readonly barShort: boolean;
}

/** Where tyre and wheel stand, what they clear, and what would clear. */
export function stanceStage(input: StanceInput): StanceResult {
  const { figures: f } = input;
  const read = input.tyre.trim() === '' ? undefined : readTyreSize(input.tyre);
  const tyre = read?.ok ? read.size : undefined;
  const named = tyre && sized('tyre.diameter', 'Tyre diameter', tyre.diameter);
  const diameter = f('brief.tyreDiameter') ?? named;
  const section = sectionFigure(f, tyre);
  const rooms = bySide((side) => roomsOf(input, side, diameter));
  const stand = standOf(input, section);
  const poses = bySide((side) => posesOf(input, rooms[side], side));
  const lacks = bySide((side) => lacksOf(input, rooms[side], side, diameter, stand.missing));
  const proven = SIDES.every((side) => !lacks[side].inboard.length && !lacks[side].outboard.length);
  const wheel = stand.section && stand.rim && wheelWidth(stand.section.value, stand.rim.value);
  const ranges = wheel && bySide((side) => centreRange(wheel, poses[side]));
  return {
    tyre,
    tyreProblem: read && !read.ok ? read.reason : '',
    section,
    diameter,
    diameterOff: diameterOff(f('brief.tyreDiameter'), named),
    backspace: backspaceFigure(f('wheel.rim'), f('wheel.et')),
    et: stand.et,
    half: stand.half,
    track: trackFigure(input.width, stand.et),
    wheel,
    poses,
    ranges,
    lacks,
    proven,
    ...placeOf(stand, f, ranges, proven),
    clearances: clearancesOf(input, rooms, stand),
    widest: bySide((side) => {
      const found = widestSection(poses[side], wheel?.rim ?? 0);
      return proven && found.status !== 'unlimited' ? found.value : undefined;
    }),
    archWork: bySide((side) => (proven && ranges ? archWork(ranges[side]) : undefined)),
    radial: bySide((side) => radialOf(f, diameter, side)),
    caliper: caliperOf(f),
    barShort: SIDES.some((side) => STANCE_POSES.some((pose) => barOf(input, side, pose) === 'short')),
  };
}

/**
 * Width that a tyre and a rim take up together, mm.
 *
 * @param rimInch rim width between its bead seats, in
 */
export const wheelWidth = (section: number, rimInch: number): WheelWidth => ({
  section,
  rim: overallRim(rimInch),
});

/** Wheel and axle as they have to be known before any gap is. */
interface Stand {
  readonly section: Maybe;
  readonly rim: Maybe;
  readonly half: Maybe;
  readonly et: Maybe;
  readonly missing: readonly string[];
}

function standOf(input: StanceInput, section: Maybe): Stand {
  const { figures: f, spacer } = input;
  const half = halfFigure(input.width);
  const et = offsetFigure(f('wheel.et'), f('spacer.thick'), spacer);
  const rim = f('wheel.rim');
  const missing = [
    half ? '' : 'brief.targetWidth',
    f('wheel.et') ? '' : 'wheel.et',
    spacer === 'none' || f('spacer.thick') ? '' : 'spacer.thick',
    rim ? '' : 'wheel.rim',
    section ? '' : 'tyre.section',
  ].filter(Boolean);
  return { section, rim, half, et, missing };
}

/** What follows from the wheel's own place. */
function placeOf(
  { section, rim, half, et }: Stand,
  f: StanceInput['figures'],
  ranges: Sided<CentreRange> | undefined,
  proven: boolean,
): Pick<StanceResult, 'offCentre' | 'edges' | 'spans' | 'axleMove'> {
  const offCentre = f('stance.offCentre')?.value ?? 0;
  const both = ranges && bothSides(ranges, offCentre);
  return {
    offCentre,
    edges: edgesOf(rim, section, half, et, offCentre),
    // What is not known may be in the way: only what is proven on both sides is a span that clears.
    spans:
      proven && both && half && et
        ? { half: halvesFor(et.value, both), et: offsetsFor(half.value, both) }
        : undefined,
    axleMove: ranges && half && et ? axleMoveOf(ranges, half.value - et.value, offCentre) : undefined,
  };
}

/** How far outward a tyre has to go on one side to clear, mm; minus is inward, 0 where it clears or cannot. */
function wantedMove(at: number, { least, most }: CentreRange): number {
  if (least && at < least.at) return least.at - at;
  return most && at > most.at ? most.at - at : 0;
}

/** Where one side wants more and the other less offset, only the axle’s own place can give both. */
function axleMoveOf({ left, right }: Sided<CentreRange>, centre: number, off: number): number | undefined {
  const [l, r] = [wantedMove(centre + off, left), wantedMove(centre - off, right)];
  return l * r < 0 ? (l - r) / 2 : undefined;
}

const sized = (id: string, label: string, value: number): Figure => {
  const why = 'by the size on the sidewall; measure it pumped up, on its rim';
  return given(id, label, value, 0, 'mm', { source: `Assumed: ${why}`, assumed: why });
};

function sectionFigure(f: StanceInput['figures'], tyre: TyreSize | undefined): Maybe {
  const measured = f('tyre.section');
  if (measured) return measured;
  const R = f('wheel.rim');
  if (!tyre || !R) return undefined;
  const rim = measuringRim(tyre.section, tyre.aspect);
  return derive({
    id: 'stance.section',
    label: 'Section on this rim',
    unit: 'mm',
    formula: '{s_0} + 0.4·25.4·({R} − {R_m})',
    source: 'A tyre’s section grows by 0.4 of what its rim is wider than the measuring rim',
    inputs: {
      s_0: sized('tyre.named', 'Section by its size', tyre.section),
      R,
      R_m: given(
        'tyre.measuringRim',
        'Measuring rim, inch',
        rim,
        0,
        'count',
        'Of this size, by the tyre standards',
      ),
    },
  });
}

function diameterOff(read: Maybe, named: Maybe): Maybe {
  if (!read || !named) return undefined;
  return derive({
    id: 'tyre.diameterOff',
    label: 'Tyre diameter against its size',
    unit: 'ratio',
    formula: '{D}/{D_0} − 1',
    source: 'As read over what the sidewall says',
    inputs: { D: read, D_0: named },
  });
}

function halfFigure(W: Maybe): Maybe {
  if (!W) return undefined;
  return derive({
    id: 'stance.half',
    label: 'Half of the WMS width',
    unit: 'mm',
    formula: '{W}/2',
    source: 'Middle of the axle to the wheel’s face',
    inputs: { W },
  });
}

/** A spacer moves the wheel out; one whose thickness is not known leaves the offset unknown. */
function offsetFigure(et: Maybe, spacer: Maybe, kind: Spacer): Maybe {
  if (!et || kind === 'none') return et;
  if (!spacer) return undefined;
  return derive({
    id: 'stance.et',
    label: 'Offset with the spacer',
    unit: 'mm',
    formula: '{ET} − {t}',
    source: 'A spacer moves the wheel out, as a smaller offset would',
    inputs: { ET: et, t: spacer },
  });
}

function trackFigure(W: Maybe, et: Maybe): Maybe {
  if (!W) return undefined;
  const label = 'Track, tyre middle to tyre middle';
  if (!et) return assumedAs(W, 'stance.track', label, 'the WMS width, while the wheel’s offset is not known');
  return derive({
    id: 'stance.track',
    label,
    unit: 'mm',
    formula: '{W} − 2·{ET}',
    source: 'WMS width less both offsets',
    inputs: { W, ET: et },
  });
}

function backspaceFigure(R: Maybe, ET: Maybe): Maybe {
  if (!R || !ET) return undefined;
  return derive({
    id: 'stance.backspace',
    label: 'Backspace',
    unit: 'mm',
    formula: '(25.4·{R} + 25.4)/2 + {ET}',
    source: 'Half of the rim over its flanges, plus the offset',
    inputs: { R, ET },
  });
}

function edgesOf(rim: Maybe, section: Maybe, half: Maybe, et: Maybe, off: number): StanceResult['edges'] {
  if (!rim || !section || !half || !et) return undefined;
  const at = (wms: number) => wheelEdges({ wms, rim: rim.value, et: et.value, section: section.value });
  return { left: at(half.value + off), right: at(half.value - off) };
}

/** What a pose of one side is made of. */
interface Posed {
  readonly pose: StancePoseId;
  readonly room: PoseRoom;
  /** Lateral bar: how far it takes the axle outward, mm; undefined where it has none or does nothing. */
  readonly bar: Maybe;
  readonly lacks: readonly string[];
}

function roomsOf(input: StanceInput, side: Side, diameter: Maybe): readonly Posed[] {
  const from = { figures: input.figures, facts: input.facts, diameter, radial: input.limits.radial };
  return STANCE_POSES.map((pose) => {
    const bar = barOf(input, side, pose);
    const travel = travelQuantity(pose);
    const lacks = [
      ...(bar === 'unknown' ? ['bar.length', 'bar.rise', 'fact.bar.side'] : []),
      ...(bar === 'short' ? ['bar.length'] : []),
      ...(travel && !input.figures(travel) ? [travel] : []),
    ];
    return { pose, room: poseRoom(from, side, pose), bar: typeof bar === 'string' ? undefined : bar, lacks };
  });
}

/** How far a lateral bar moves the axle outward on one side; undefined where there is none or it does not move. */
function barOf(input: StanceInput, side: Side, pose: StancePoseId): Maybe | 'unknown' | 'short' {
  const { figures: f, facts } = input;
  const [L, h, end] = [f('bar.length'), f('bar.rise'), facts('bar.side')?.value];
  if (POSE_SHAPES[pose].travel === 0 || (!L && !h)) return undefined;
  if (!L || !h || !end) return 'unknown';
  const z = travelOf(input, pose);
  if (!z) return 'unknown';
  const sign = end === side ? -1 : 1;
  const [moved, rest] = ['√({L}² − ({h} + {z})²)', '√({L}² − {h}²)'];
  return (
    deriveWherePossible({
      id: `stance.bar.${pose}.${side}`,
      label: `Lateral bar takes the axle outward, ${POSE_SHAPES[pose].words}, ${side}`,
      unit: 'mm',
      formula: sign > 0 ? `${moved} − ${rest}` : `${rest} − ${moved}`,
      source: 'Pythagoras on the bar in its two places; toward its chassis end',
      inputs: { L, h, z },
    }) ?? 'short'
  );
}

const camberOf = (input: StanceInput, side: Side): Maybe =>
  side === 'left' ? input.camberLeft : input.camberRight;

/** Poses as numbers, for ranges and the fit map. */
function posesOf(input: StanceInput, rooms: readonly Posed[], side: Side): readonly StancePose[] {
  const { figures: f, limits } = input;
  return rooms.map(({ pose, room, bar }) => {
    const shape = POSE_SHAPES[pose];
    const give = shape.gives ? (f('stance.shift')?.value ?? 0) : 0;
    const moved = bar?.value ?? 0;
    return {
      obstacles: room.things.map((t) => ({
        id: t.id,
        from: t.from,
        y: t.y.value,
        height: t.height?.value ?? 0,
        gap: limits[t.limit],
      })),
      motion: {
        shift: [moved - give, moved + give],
        lean: shape.leans ? (f('stance.lean')?.value ?? 0) : 0,
        cornering: shape.bulges,
        camber: camberOf(input, side)?.value ?? 0,
      },
    };
  });
}

function lacksOf(
  { figures: f }: StanceInput,
  rooms: readonly Posed[],
  side: Side,
  diameter: Maybe,
  missing: readonly string[],
): StanceLacks {
  const unique = (list: readonly string[]) => [...new Set(list)];
  const of = (from: RoomThing['from']) =>
    unique([...missing, ...rooms.flatMap((r) => [...r.room.lacks[from], ...r.lacks])]);
  const radial = [
    f(`room.lip.${side}`) ? '' : `room.lip.${side}`,
    f('spring.bump') ? '' : 'spring.bump',
    diameter ? '' : 'brief.tyreDiameter',
  ].filter(Boolean);
  return { inboard: of('inboard'), outboard: of('outboard'), radial };
}

function clearancesOf(input: StanceInput, rooms: Sided<readonly Posed[]>, stand: Stand): Clearance[] {
  return SIDES.flatMap((side) =>
    rooms[side].flatMap((posed) =>
      posed.lacks.length
        ? []
        : posed.room.things.flatMap((thing): Clearance[] => {
            const gap = gapOf(input, stand, side, posed, thing);
            return gap
              ? [{ side, pose: posed.pose, from: thing.from, place: thing.id, limit: thing.limit, gap }]
              : [];
          }),
    ),
  );
}

type Sign = '+' | '−';

/** A sum that is written and worked out term by term. */
class Sum {
  private text = '';
  readonly inputs: Record<string, Figure> = {};

  add(sign: Sign, text: string, inputs: Readonly<Record<string, Figure>>): this {
    this.text += this.text === '' ? (sign === '−' ? `−${text}` : text) : ` ${sign} ${text}`;
    Object.assign(this.inputs, inputs);
    return this;
  }

  get formula(): string {
    return this.text;
  }
}

/** Gap of the tyre, or of the rim where that is wider, to a thing: all that the pose does to either taken off. */
function gapOf(input: StanceInput, stand: Stand, side: Side, { pose, bar }: Posed, thing: RoomThing): Maybe {
  const { figures: f } = input;
  const { section: s, rim: R, half: W2, et: ET } = stand;
  if (!s || !R || !W2 || !ET) return undefined;
  const shape = POSE_SHAPES[pose];
  const inboard = thing.from === 'inboard';
  const [toward, away] = inboard ? (['+', '−'] as const) : (['−', '+'] as const);
  const sum = new Sum();
  if (!inboard) sum.add('+', '{y}', { y: thing.y });
  sum.add(toward, '{W2}', { W2 }).add(away, '{ET}', { ET });
  shifted(sum, { f, side, toward, away, bar, gives: shape.gives });
  const wide = shape.bulges ? `${0.5 + BULGE}·{s}` : '{s}/2';
  sum.add('−', `max(${wide}, (25.4·{R} + 25.4)/2)`, { s, R });
  if (inboard) sum.add('−', '{y}', { y: thing.y });
  leaned(sum, {
    h: thing.height,
    φ: shape.leans ? f('stance.lean') : undefined,
    γ: camberOf(input, side),
    toward,
  });
  return derive({
    id: `gap.${pose}.${thing.id}`,
    label: `${inboard ? 'Inboard' : 'Outboard'} gap, ${side}, ${shape.words}`,
    unit: 'mm',
    formula: sum.formula,
    source:
      'Edge of tyre or rim to what stands beside it, both from the car’s centreline; shift, lean, camber and bulge taken off',
    inputs: sum.inputs,
  });
}

/** What sets the axle sideways in a pose: off centre on purpose, the lateral bar, give. */
function shifted(
  sum: Sum,
  of: {
    readonly f: StanceInput['figures'];
    readonly side: Side;
    readonly toward: Sign;
    readonly away: Sign;
    readonly bar: Maybe;
    readonly gives: boolean;
  },
): void {
  const [o, g] = [of.f('stance.offCentre'), of.f('stance.shift')];
  if (o) sum.add(of.side === 'left' ? of.toward : of.away, '{o}', { o });
  if (of.bar) sum.add(of.toward, '{b}', { b: of.bar });
  if (of.gives && g) sum.add('−', '{g}', { g });
}

/** What lean and built-in camber take off at a height. */
function leaned(
  sum: Sum,
  { h, φ, γ, toward }: { readonly h: Maybe; readonly φ: Maybe; readonly γ: Maybe; readonly toward: Sign },
): void {
  if (h && φ) sum.add('−', '|{h}|·sin({φ})', { h, φ });
  if (h && γ) sum.add(toward, '{h}·sin({γ})', { h, γ });
}

function radialOf(f: StanceInput['figures'], diameter: Maybe, side: Side): Maybe {
  const [lip, bump] = [f(`room.lip.${side}`), f('spring.bump')];
  if (!lip || !bump || !diameter) return undefined;
  return derive({
    id: `stance.radial.${side}`,
    label: `Tyre’s top to the arch lip at bump, ${side}`,
    unit: 'mm',
    formula: '{h} − {z} − {D}/2',
    source: 'Lip above the hub, less the bump travel and the tyre’s radius',
    inputs: { h: lip, z: bump, D: diameter },
  });
}

function caliperOf(f: StanceInput['figures']): Maybe {
  const [inside, reach] = [f('rim.inside'), f('brake.radius')];
  if (!inside || !reach) return undefined;
  return derive({
    id: 'stance.caliper',
    label: 'Brake to the rim',
    unit: 'mm',
    formula: '{d}/2 − {r}',
    source: 'Inside of the rim less the brake’s outermost point',
    inputs: { d: inside, r: reach },
  });
}

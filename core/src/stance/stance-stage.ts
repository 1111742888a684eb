import { bySide, SIDES, type Side, type Sided } from '../geometry';
import { derive, given, type Figure } from '../measure';
import { ROOM_HEIGHTS, type Fact, type RoomHeight, type Spacer } from '../plan';
import { barShift } from './bar-shift';
import {
  archWork,
  BULGE,
  centreRange,
  widestSection,
  type CentreRange,
  type Obstacle,
  type StancePose,
} from './centre-range';
import { bothSides, halvesFor, offsetsFor, type Span } from './fit-map';
import { readTyreSize, type TyreSize } from './tyre-size';
import { backspaceOf, sectionOn, wheelEdges, type WheelEdges } from './wheel';

type Maybe = Figure | undefined;

/** How the axle stands while clearances are held against it. */
export const STANCE_POSES = ['ride', 'bump', 'droop', 'corner'] as const;
export type StancePoseId = (typeof STANCE_POSES)[number];

/** Gaps to keep, mm. */
export interface StanceLimits {
  readonly inboard: number;
  readonly spring: number;
  readonly outboard: number;
  readonly radial: number;
}

export interface StanceInput {
  /** WMS width of the axle as it will be. */
  readonly width: Maybe;
  /** Wheel room, wheel, axle and movement, by quantity. */
  readonly figures: Readonly<Record<string, Maybe>>;
  readonly facts: Readonly<Record<string, Fact | undefined>>;
  readonly tyre: string;
  readonly spacer: Spacer;
  readonly limits: StanceLimits;
}

/** Gap between the tyre and one thing, in one pose of one side. */
export interface Clearance {
  readonly side: Side;
  readonly pose: StancePoseId;
  readonly from: Obstacle['from'];
  /** Quantity of the thing. */
  readonly place: string;
  readonly gap: Figure;
  readonly limit: keyof StanceLimits;
}

export interface Spans {
  /** Half-widths of the axle on which this wheel clears, mm. */
  readonly half: Span;
  /** Offsets with which a wheel clears on this width, mm. */
  readonly et: Span;
}

export interface StanceResult {
  readonly tyre: TyreSize | undefined;
  /** Why the tyre’s size cannot be read; empty where it can, or none is given. */
  readonly tyreProblem: string;
  readonly section: Maybe;
  readonly diameter: Maybe;
  readonly backspace: Maybe;
  /** Offset with the spacer taken off it. */
  readonly et: Maybe;
  /** WMS width over two, from the axle’s own middle. */
  readonly half: Maybe;
  readonly offCentre: number;
  /** All that the fit map needs; the same in page and worker. */
  readonly poses: Sided<readonly StancePose[]>;
  readonly ranges: Sided<CentreRange> | undefined;
  readonly edges: Sided<WheelEdges> | undefined;
  readonly clearances: readonly Clearance[];
  readonly spans: Spans | undefined;
  /** Widest section that fits per side, and metal to move inboard where none does, mm. */
  readonly widest: Sided<number>;
  readonly archWork: Sided<number>;
  /** Tyre’s top to the arch lip at full bump, mm. */
  readonly radial: Sided<Maybe>;
  readonly caliper: Maybe;
}

/** The rim’s bottom lies this share of the tyre’s radius below the hub. */
export const RIM_BOTTOM = 0.65;
/** Tyre radius while no size is known, mm; only for the height at which a lean is taken. */
const USUAL_RADIUS = 310;

/** Where tyre and wheel stand, what they clear, and what would clear. */
export function stanceStage(input: StanceInput): StanceResult {
  const { figures: f } = input;
  const read = input.tyre.trim() === '' ? undefined : readTyreSize(input.tyre);
  const tyre = read?.ok ? read.size : undefined;
  const section = sectionFigure(f, tyre);
  const diameter = f['brief.tyreDiameter'] ?? (tyre && sized('tyre.diameter', 'Tyre diameter', tyre.diameter));
  const poses = bySide((side) => posesOf(input, side, (diameter?.value ?? 2 * USUAL_RADIUS) / 2));
  const ranges = section && bySide((side) => centreRange(section.value, poses[side]));
  return {
    tyre,
    tyreProblem: read && !read.ok ? read.reason : '',
    section,
    diameter,
    backspace: backspaceFigure(f['wheel.rim'], f['wheel.et']),
    poses,
    ranges,
    ...placeOf(input, poses, ranges, section),
    widest: bySide((side) => widestSection(poses[side]).value),
    archWork: bySide((side) => (ranges ? archWork(ranges[side]) : 0)),
    radial: bySide((side) => radialOf(f, diameter, side)),
    caliper: caliperOf(f),
  };
}

/** What follows from the wheel's own place. */
function placeOf(
  input: StanceInput,
  poses: Sided<readonly StancePose[]>,
  ranges: Sided<CentreRange> | undefined,
  section: Maybe,
): Pick<StanceResult, 'et' | 'half' | 'offCentre' | 'edges' | 'clearances' | 'spans'> {
  const { figures: f } = input;
  const half = halfFigure(input.width);
  const et = offsetFigure(f['wheel.et'], f['spacer.thick'], input.spacer);
  const offCentre = f['stance.offCentre']?.value ?? 0;
  const both = ranges && bothSides(ranges, offCentre);
  return {
    et,
    half,
    offCentre,
    edges: edgesOf(f['wheel.rim'], section, half, et, offCentre),
    clearances: section && half && et ? clearancesOf(input, poses, { section, half, et }) : [],
    spans:
      both && half && et ? { half: halvesFor(et.value, both), et: offsetsFor(half.value, both) } : undefined,
  };
}

const sized = (id: string, label: string, value: number): Figure =>
  given(id, label, value, 0, 'mm', 'By the tyre’s size');

function sectionFigure(f: StanceInput['figures'], tyre: TyreSize | undefined): Maybe {
  const measured = f['tyre.section'];
  if (measured) return measured;
  const rim = f['wheel.rim'];
  if (!tyre || !rim) return undefined;
  return derive(
    {
      id: 'stance.section',
      label: 'Section on this rim',
      unit: 'mm',
      formula: '{s_0} + 5·({R} − measuring rim)',
      source: 'A tyre grows by 5 mm an inch of rim over the one its size is measured on',
      inputs: { s_0: sized('tyre.named', 'Section by its size', tyre.section), R: rim },
    },
    (v) => sectionOn({ section: v.s_0, aspect: tyre.aspect }, v.R),
  );
}

function halfFigure(W: Maybe): Maybe {
  if (!W) return undefined;
  return derive(
    {
      id: 'stance.half',
      label: 'Half of the WMS width',
      unit: 'mm',
      formula: '{W}/2',
      source: 'Middle of the axle to the wheel’s face',
      inputs: { W },
    },
    (v) => v.W / 2,
  );
}

function offsetFigure(et: Maybe, spacer: Maybe, kind: Spacer): Maybe {
  if (!et || kind === 'none' || !spacer) return et;
  return derive(
    {
      id: 'stance.et',
      label: 'Offset with the spacer',
      unit: 'mm',
      formula: '{ET} − {t}',
      source: 'A spacer moves the wheel out, as a smaller offset would',
      inputs: { ET: et, t: spacer },
    },
    (v) => v.ET - v.t,
  );
}

function backspaceFigure(rim: Maybe, et: Maybe): Maybe {
  if (!rim || !et) return undefined;
  return derive(
    {
      id: 'stance.backspace',
      label: 'Backspace',
      unit: 'mm',
      formula: '(25.4·{R} + 25.4)/2 + {ET}',
      source: 'Half of the rim over its flanges, plus the offset',
      inputs: { R: rim, ET: et },
    },
    (v) => backspaceOf(v.R, v.ET),
  );
}

function edgesOf(
  rim: Maybe,
  section: Maybe,
  half: Maybe,
  et: Maybe,
  off: number,
): Sided<WheelEdges> | undefined {
  if (!rim || !section || !half || !et) return undefined;
  const at = (wms: number) => wheelEdges({ wms, rim: rim.value, et: et.value, section: section.value });
  return { left: at(half.value + off), right: at(half.value - off) };
}

/** Where the axle goes in a pose on one side, outward plus, mm: by its lateral bar, and its bushings either way. */
interface Move {
  readonly bar: number;
  readonly give: number;
  readonly lean: number;
}

/** How far a lateral bar moves the axle outward on one side; 0 where it has none or cannot reach. */
function barMove({ figures, facts }: StanceInput, side: Side, travel: number): number {
  const [length, rise, end] = [figures['bar.length'], figures['bar.rise'], facts['bar.side']?.value];
  if (!length || !rise || !end || length.value <= Math.abs(rise.value) + Math.abs(travel)) return 0;
  const inward = barShift(length.value, rise.value, travel);
  return end === side ? -inward : inward;
}

function moveOf(input: StanceInput, side: Side, pose: StancePoseId): Move {
  const { figures: f } = input;
  const give = f['stance.shift']?.value ?? 0;
  const travel =
    pose === 'bump' ? f['spring.bump']?.value : pose === 'droop' ? -(f['spring.droop']?.value ?? 0) : 0;
  const lean = pose === 'corner' ? (f['stance.lean']?.value ?? 0) : 0;
  return { bar: travel ? barMove(input, side, travel) : 0, give: pose === 'ride' ? 0 : give, lean };
}

function posesOf(input: StanceInput, side: Side, radius: number): readonly StancePose[] {
  return STANCE_POSES.map((pose) => {
    const { bar, give, lean } = moveOf(input, side, pose);
    return {
      obstacles: obstaclesOf(input, side, pose, radius),
      motion: { shift: [bar - give, bar + give], lean, cornering: pose === 'corner' },
    };
  });
}

/** Things beside the wheel in a pose. What was read at ride height also stands there in droop and in a corner. */
function obstaclesOf(input: StanceInput, side: Side, pose: StancePoseId, radius: number): readonly Obstacle[] {
  const { figures: f, limits } = input;
  const readAt = pose === 'bump' ? 'bump' : 'ride';
  const heights: Readonly<Record<RoomHeight, number>> = { low: -RIM_BOTTOM * radius, axle: 0, top: radius };
  const inboard = ROOM_HEIGHTS.flatMap((height): Obstacle[] => {
    const id = `room.in.${readAt}.${height}.${side}`;
    const y = f[id];
    if (!y) return [];
    const gap = limits[gapTo(input, height, side)];
    return [{ id, from: 'inboard', y: y.value, height: heights[height], gap }];
  });
  const id = `room.out.${readAt}.${side}`;
  const lip = f[id];
  // In droop the tyre hangs below the lip.
  if (!lip || pose === 'droop' || clearsBelow(input, side, pose, radius)) return inboard;
  return [
    ...inboard,
    { id, from: 'outboard', y: lip.value, height: lipHeight(f, side, pose, radius), gap: limits.outboard },
  ];
}

function gapTo({ facts }: StanceInput, height: RoomHeight, side: Side): 'inboard' | 'spring' {
  const kind = facts[`room.kind.${height}.${side}`]?.value;
  return kind === 'spring' || kind === 'shock' ? 'spring' : 'inboard';
}

const lipHeight = (f: StanceInput['figures'], side: Side, pose: StancePoseId, radius: number): number =>
  (f[`room.lip.${side}`]?.value ?? radius) - (pose === 'bump' ? (f['spring.bump']?.value ?? 0) : 0);

/** The tyre stays under the lip by the radial limit, so it may stand out beyond it. */
const clearsBelow = (input: StanceInput, side: Side, pose: StancePoseId, radius: number): boolean =>
  input.figures[`room.lip.${side}`] !== undefined &&
  lipHeight(input.figures, side, pose, radius) - radius >= input.limits.radial;

interface Stand {
  readonly section: Figure;
  readonly half: Figure;
  readonly et: Figure;
}

function clearancesOf(input: StanceInput, poses: Sided<readonly StancePose[]>, stand: Stand): Clearance[] {
  return SIDES.flatMap((side) =>
    poses[side].flatMap(({ obstacles, motion }, i) => {
      const pose = STANCE_POSES[i] as StancePoseId;
      return obstacles.map((o): Clearance => {
        const height = ROOM_HEIGHTS.find((h) => o.id.includes(`.${h}.`));
        const limit = o.from === 'outboard' ? 'outboard' : height ? gapTo(input, height, side) : 'inboard';
        return {
          side,
          pose,
          from: o.from,
          place: o.id,
          limit,
          gap: gapOf(input, stand, side, pose, o, motion),
        };
      });
    }),
  );
}

function gapOf(
  { figures: f }: StanceInput,
  { section, half, et }: Stand,
  side: Side,
  pose: StancePoseId,
  obstacle: Obstacle,
  motion: StancePose['motion'],
): Figure {
  const inboard = obstacle.from === 'inboard';
  const shift = motion.shift[inboard ? 0 : 1];
  const share = 0.5 + (motion.cornering ? BULGE : 0);
  const off = f['stance.offCentre'];
  const [shifted, leans] = [Boolean(off?.value), motion.cornering ? f['stance.lean'] : undefined];
  const inputs: Record<string, Figure> = {
    W2: half,
    ET: et,
    s: section,
    y: f[obstacle.id] as Figure,
    m: given(`stance.move.${pose}.${side}`, 'Axle moves outward by', shift, 0, 'mm', MOVE_SOURCE[pose]),
    ...(off && shifted ? { o: off } : {}),
    ...(leans ? { φ: leans } : {}),
  };
  const out = side === 'left' ? 1 : -1;
  const sign = inboard ? 1 : -1;
  const value = (name: string, v: Readonly<Record<string, number>>): number => v[name] ?? 0;
  return derive(
    {
      id: `gap.${pose}.${obstacle.id}`,
      label: `${inboard ? 'Inboard' : 'Outboard'} gap, ${side}, ${POSE_WORDS[pose]}`,
      unit: 'mm',
      formula: gapFormula(inboard, share, shifted ? out : 0, leans ? Math.abs(obstacle.height) : 0),
      source:
        'Tyre’s edge to what stands beside it, both from the car’s centreline; shift, lean and bulge taken off',
      inputs,
    },
    (v) =>
      sign * (value('W2', v) - value('ET', v) + out * value('o', v) + value('m', v) - value('y', v)) -
      share * value('s', v) -
      Math.abs(obstacle.height * Math.sin(value('φ', v))),
  );
}

function gapFormula(inboard: boolean, share: number, off: number, height: number): string {
  const centre = `{W2} − {ET}${off === 0 ? '' : off > 0 ? ' + {o}' : ' − {o}'} + {m}`;
  const lean = height > 0 ? ` − ${height.toFixed(0)}·sin {φ}` : '';
  return inboard ? `${centre} − ${share}·{s} − {y}${lean}` : `{y} − (${centre}) − ${share}·{s}${lean}`;
}

export const POSE_WORDS: Readonly<Record<StancePoseId, string>> = {
  ride: 'ride height',
  bump: 'full bump',
  droop: 'full droop',
  corner: 'cornering',
};

const MOVE_SOURCE: Readonly<Record<StancePoseId, string>> = {
  ride: 'Stands as read',
  bump: 'Lateral bar at full bump, and sideways give',
  droop: 'Lateral bar at full droop, and sideways give',
  corner: 'Sideways give of bushings and springs',
};

function radialOf(f: StanceInput['figures'], diameter: Maybe, side: Side): Maybe {
  const [lip, bump] = [f[`room.lip.${side}`], f['spring.bump']];
  if (!lip || !bump || !diameter) return undefined;
  return derive(
    {
      id: `stance.radial.${side}`,
      label: `Tyre’s top to the arch lip at bump, ${side}`,
      unit: 'mm',
      formula: '{h} − {z} − {D}/2',
      source: 'Lip above the hub, less the bump travel and the tyre’s radius',
      inputs: { h: lip, z: bump, D: diameter },
    },
    (v) => v.h - v.z - v.D / 2,
  );
}

function caliperOf(f: StanceInput['figures']): Maybe {
  const [inside, reach] = [f['rim.inside'], f['brake.radius']];
  if (!inside || !reach) return undefined;
  return derive(
    {
      id: 'stance.caliper',
      label: 'Brake to the rim',
      unit: 'mm',
      formula: '{d}/2 − {r}',
      source: 'Inside of the rim less the brake’s outermost point',
      inputs: { d: inside, r: reach },
    },
    (v) => v.d / 2 - v.r,
  );
}

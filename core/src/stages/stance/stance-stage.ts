import { type PlaceId, unless } from '../../stage';
import { bySide, SIDES, type Side, type Sided } from '../../geometry';
import { deriveWherePossible, type Maybe } from '../../measure';
import {
  archWork,
  centreRange,
  widestSection,
  type CentreRange,
  type StancePose,
  type WheelWidth,
} from './centre-range';
import { bothSides, halvesFor, offsetsFor } from './fit-map';
import { POSE_SHAPES, STANCE_POSES, type StancePoseId } from './poses';
import { heightsOf, poseRoom, travelQuantity, travelsOf, type RoomThing, type WheelRoomInput } from './room';
import { readTyreSize } from './tyre-size';
import { overallRim, wheelEdges } from './wheel';
import type { StanceInput, StanceResult, StanceLacks } from './stance-result';
import {
  sized,
  sectionFigure,
  diameterOff,
  backspaceFigure,
  trackFigure,
  halfFigure,
  offsetFigure,
  radialOf,
  caliperOf,
} from './stance-figures';
import { camberOf, clearancesOf, type Posed, type Stand } from './gaps';

/** Where tyre and wheel stand, what they clear, and what would clear. */
export function stanceStage(input: StanceInput): StanceResult {
  const { figures: f } = input;
  const read = input.tyre.trim() === '' ? undefined : readTyreSize(input.tyre);
  const tyre = read?.ok ? read.size : undefined;
  const named = tyre && sized('tyre.diameter', 'Tyre diameter', tyre.diameter);
  const diameter = f('brief.tyreDiameter') ?? named;
  const section = sectionFigure(f, tyre);
  const room: WheelRoomInput = {
    figures: f,
    facts: input.facts,
    diameter,
    heights: heightsOf(diameter),
    travel: travelsOf(f),
    radial: input.limits.radial,
  };
  const rooms = bySide((side) => roomsOf(room, side, input.outward));
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
    lateralBar: input.outward ? 'solved' : lateralBarOf(SIDES.flatMap((side) => rooms[side])),
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

function standOf(input: StanceInput, section: Maybe): Stand {
  const { figures: f, spacer } = input;
  const half = halfFigure(input.width);
  const et = offsetFigure(f('wheel.et'), f('spacer.thick'), spacer);
  const rim = f('wheel.rim');
  const missing = [
    ...unless(half, 'brief.targetWidth'),
    ...unless(f('wheel.et'), 'wheel.et'),
    ...unless(spacer === 'none' || f('spacer.thick'), 'spacer.thick'),
    ...unless(rim, 'wheel.rim'),
    ...unless(section, 'tyre.section'),
  ];
  return { section, rim, half, et, missing };
}

/** Whether a lateral bar reaches its chassis end in every pose; undefined where there is none. */
function lateralBarOf(rooms: readonly Posed[]): StanceResult['lateralBar'] {
  if (rooms.some((posed) => posed.barShort)) return 'short';
  if (rooms.some((posed) => posed.lacks.includes('bar.rise'))) return 'unknown';
  return rooms.some((posed) => posed.bar) ? 'reaches' : undefined;
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

function edgesOf(rim: Maybe, section: Maybe, half: Maybe, et: Maybe, off: number): StanceResult['edges'] {
  if (!rim || !section || !half || !et) return undefined;
  const at = (wms: number) => wheelEdges({ wms, rim: rim.value, et: et.value, section: section.value });
  return { left: at(half.value + off), right: at(half.value - off) };
}

function roomsOf(room: WheelRoomInput, side: Side, outward: StanceInput['outward']): readonly Posed[] {
  return STANCE_POSES.map((pose) => {
    const bar = outward ? (outward[pose][side] ?? 'unsolved') : barOf(room, side, pose);
    const travel = travelQuantity(pose);
    const lacks: readonly PlaceId[] = [
      ...unless(bar !== 'unknown', 'bar.length', 'bar.rise', 'fact.bar.side'),
      ...unless(bar !== 'short', 'bar.length'),
      ...unless(bar !== 'unsolved' || (travel && !room.figures(travel)), 'arm.list'),
      ...(travel && !room.figures(travel) ? [travel] : []),
    ];
    const moved = typeof bar === 'string' ? undefined : bar;
    return { pose, room: poseRoom(room, side, pose), bar: moved, barShort: bar === 'short', lacks };
  });
}

/** How far a lateral bar moves the axle outward on one side; undefined where there is none or it does not move. */
function barOf(
  { figures: f, facts, travel }: WheelRoomInput,
  side: Side,
  pose: StancePoseId,
): Maybe | 'unknown' | 'short' {
  const [L, h, end] = [f('bar.length'), f('bar.rise'), facts('bar.side')?.value];
  if (POSE_SHAPES[pose].travel === 0 || (!L && !h)) return undefined;
  if (!L || !h || !end) return 'unknown';
  const z = travel[pose];
  if (!z) return 'unknown';
  const [moved, rest] = ['√({L}² − ({h} + {z})²)', '√({L}² − {h}²)'];
  return (
    deriveWherePossible({
      id: `stance.bar.${pose}.${side}`,
      label: `Lateral bar takes the axle outward, ${POSE_SHAPES[pose].words}, ${side}`,
      unit: 'mm',
      formula: end === side ? `${rest} − ${moved}` : `${moved} − ${rest}`,
      source: 'Pythagoras on the bar in its two places; toward its chassis end',
      inputs: { L, h, z },
    }) ?? 'short'
  );
}

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
  missing: readonly PlaceId[],
): StanceLacks {
  const unique = (list: readonly PlaceId[]) => [...new Set(list)];
  const of = (from: RoomThing['from']) =>
    unique([...missing, ...rooms.flatMap((r) => [...r.room.lacks[from], ...r.lacks])]);
  const radial = [
    ...unless(f(`room.lip.${side}`), `room.lip.${side}`),
    ...unless(f('spring.bump'), 'spring.bump'),
    ...unless(diameter, 'brief.tyreDiameter'),
  ];
  return { inboard: of('inboard'), outboard: of('outboard'), radial };
}

import type { Side } from '../../geometry';
import { derive, given, type Figure, type Maybe } from '../../measure';
import { type FactOf, type FigureOf, type PlaceId, unless } from '../../stage';
import { POSE_SHAPES, type StancePoseId } from './poses';
import { RIM_BOTTOM, ROOM_HEIGHTS, type RoomHeight, type RoomId } from '../survey/room-quantities';
import type { brief } from '../brief/words';
import type { survey } from '../survey/words';
import type { stance } from './words';

/** Wheel room, wheel, axle and movement. */
export type StanceFigures = FigureOf<typeof brief | typeof survey | typeof stance>;

/** What the room round a wheel is made of, by quantity and fact. */
export interface WheelRoomInput {
  readonly figures: StanceFigures;
  readonly facts: FactOf<typeof survey | typeof stance>;
  readonly diameter: Maybe;
  /** Where things were read above the axle, mm; undefined at axle height, or where it is not known. */
  readonly heights: Readonly<Record<RoomHeight, Maybe>>;
  /** How far the wheel has moved up, mm. */
  readonly travel: Readonly<Record<StancePoseId, Maybe>>;
  /** Gap to keep under a lip that the tyre rises to, mm. */
  readonly radial: number;
}

/** Which gap has to be kept to a thing. */
export type GapKind = 'inboard' | 'spring' | 'outboard';

/** Something beside the wheel in a pose. */
export interface RoomThing {
  /** Quantity it was read as. */
  readonly id: RoomId;
  readonly from: 'inboard' | 'outboard';
  readonly limit: GapKind;
  /** From the centreline, mm. */
  readonly y: Figure;
  /** Above the axle, mm; undefined at axle height. */
  readonly height: Maybe;
  /** What kind of thing stands there was not said, so the wider gap is kept. */
  readonly kindAssumed: boolean;
}

/** What is known of the room in a pose, and the quantities that are missing. */
export interface PoseRoom {
  readonly things: readonly RoomThing[];
  readonly lacks: Readonly<Record<'inboard' | 'outboard', readonly PlaceId[]>>;
}

/** Everything beside the wheel in a pose of one side. What is not known is listed, never left out in silence. */
export function poseRoom(input: WheelRoomInput, side: Side, pose: StancePoseId): PoseRoom {
  const inboard = ROOM_HEIGHTS.map((height) => inboardThing(input, side, pose, height));
  const lip = lipThing(input, side, pose);
  return {
    things: [...inboard, lip].flatMap((t) => ('thing' in t && t.thing ? [t.thing] : [])),
    lacks: { inboard: inboard.flatMap((t) => t.lacks ?? []), outboard: lip.lacks ?? [] },
  };
}

interface Found {
  readonly thing?: RoomThing;
  readonly lacks?: readonly PlaceId[];
}

function inboardThing(input: WheelRoomInput, side: Side, pose: StancePoseId, at: RoomHeight): Found {
  const placed = placeOf(input, pose, `${at}.${side}`, 'in');
  if (!placed.y) return { lacks: placed.lacks };
  const height = input.heights[at];
  if (at !== 'axle' && !height) return { lacks: ['brief.tyreDiameter'] };
  const kind = input.facts(`room.kind.${at}.${side}`)?.value;
  const thing: RoomThing = {
    id: placed.id,
    from: 'inboard',
    y: placed.y,
    height,
    limit: kind === undefined || kind === 'spring' || kind === 'shock' ? 'spring' : 'inboard',
    kindAssumed: kind === undefined,
  };
  return { thing };
}

/** Heights at which things beside the wheel are read, for a tyre. */
export const heightsOf = (diameter: Maybe): WheelRoomInput['heights'] => ({
  low: heightOf(diameter, 'low'),
  axle: heightOf(diameter, 'axle'),
  top: heightOf(diameter, 'top'),
});

function heightOf(D: Maybe, at: RoomHeight): Maybe {
  if (at === 'axle' || !D) return undefined;
  const base = { id: `room.height.${at}`, unit: 'mm' as const, inputs: { D } };
  return at === 'top'
    ? derive({ label: 'Tyre’s top above the hub', formula: '{D}/2', source: 'Half of the tyre', ...base })
    : derive({
        label: 'Rim’s bottom above the hub',
        formula: `−${RIM_BOTTOM}·{D}/2`,
        source: 'About two thirds of the tyre’s radius below the hub',
        ...base,
      });
}

/** Place of a thing in a pose: read at ride height or at bump, between both where the wheel stands between them. */
function placeOf({ figures: f }: WheelRoomInput, pose: StancePoseId, tail: string, way: 'in' | 'out') {
  const of = (at: 'ride' | 'bump') => `room.${way}.${at}.${tail}` as RoomId;
  const { travel } = POSE_SHAPES[pose];
  const [ride, bump] = [f(of('ride')), f(of('bump'))];
  if (travel <= 0) return { id: of('ride'), y: ride, lacks: ride ? [] : [of('ride')] };
  if (travel === 1) return { id: of('bump'), y: bump, lacks: bump ? [] : [of('bump')] };
  const lacks = [...unless(ride, of('ride')), ...unless(bump, of('bump'))];
  const y =
    ride &&
    bump &&
    derive({
      id: `room.${way}.${pose}.${tail}`,
      label: `${bump.label.replace(', full bump', '')}, ${POSE_SHAPES[pose].words}`,
      unit: 'mm',
      formula: `{y_r} + ${travel}·({y_b} − {y_r})`,
      source: 'Between what was read at ride height and at full bump',
      inputs: { y_r: ride, y_b: bump },
    });
  return { id: of('bump'), y, lacks };
}

/** How far the wheel has moved up in each pose, mm; undefined while the travel is not known. */
export const travelsOf = (figures: StanceFigures): WheelRoomInput['travel'] => ({
  ride: travelOf(figures, 'ride'),
  bump: travelOf(figures, 'bump'),
  droop: travelOf(figures, 'droop'),
  corner: travelOf(figures, 'corner'),
  outer: travelOf(figures, 'outer'),
  inner: travelOf(figures, 'inner'),
});

function travelOf(f: StanceFigures, pose: StancePoseId): Maybe {
  const { travel, words } = POSE_SHAPES[pose];
  const base = { id: `stance.travel.${pose}`, label: `Wheel moved up, ${words}`, unit: 'mm' as const };
  if (travel === 0) return given(base.id, base.label, 0, 0, 'mm', 'Stands at ride height');
  const z = travel > 0 ? f('spring.bump') : f('spring.droop');
  if (!z) return undefined;
  const share = Math.abs(travel) === 1 ? '{z}' : `${Math.abs(travel)}·{z}`;
  const source = travel > 0 ? 'Share of the bump travel' : 'Share of the droop travel, downward';
  return derive({ formula: travel > 0 ? share : `−${share}`, source, inputs: { z }, ...base });
}

/** Quantity that a pose’s travel is read as; undefined at ride height. */
export const travelQuantity = (pose: StancePoseId): 'spring.bump' | 'spring.droop' | undefined => {
  const { travel } = POSE_SHAPES[pose];
  return travel === 0 ? undefined : travel > 0 ? 'spring.bump' : 'spring.droop';
};

const travelsAsked = (pose: StancePoseId): readonly PlaceId[] => {
  const id = travelQuantity(pose);
  return id ? [id] : [];
};

/** The arch lip: in the way wherever the tyre does not certainly stay below it. */
function lipThing(input: WheelRoomInput, side: Side, pose: StancePoseId): Found {
  const { figures: f, diameter: D, radial } = input;
  const placed = placeOf(input, pose, side, 'out');
  const z = input.travel[pose];
  const h = f(`room.lip.${side}`);
  const missing = [
    ...unless(h, `room.lip.${side}`),
    ...unless(D, 'brief.tyreDiameter'),
    ...(z ? [] : travelsAsked(pose)),
  ];
  const height =
    h &&
    z &&
    derive({
      id: `room.lipAt.${pose}.${side}`,
      label: `Arch lip above the hub, ${POSE_SHAPES[pose].words}, ${side}`,
      unit: 'mm',
      formula: '{h} − {z}',
      source: 'Lip above the hub at ride height, less how far the wheel has come up',
      inputs: { h, z },
    });
  if (height && D && height.value - D.value / 2 >= radial) return {};
  if (!placed.y || missing.length) return { lacks: [...placed.lacks, ...missing] };
  return {
    thing: { id: placed.id, from: 'outboard', y: placed.y, height, limit: 'outboard', kindAssumed: false },
  };
}

import type { PlaceId } from '../../stage';
import type { Side, Sided } from '../../geometry';
import type { Figure, Maybe } from '../../measure';
import type { FactOf } from '../../stage/node';
import type { RoomId } from '../survey';
import type { survey } from '../survey/words';
import type { WheelWidth, StancePose, CentreRange } from './centre-range';
import type { Spacer } from './choices';
import type { Span } from './fit-map';
import type { StancePoseId } from './poses';
import type { StanceFigures, RoomThing, GapKind } from './room';
import type { Outward } from './figures/outward';
import type { TyreSize } from './tyre-size';
import type { WheelEdges } from './wheel';
import type { stance } from './words';

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
  /** Where the links take the axle, once that is known: instead of the lateral bar’s estimate. */
  readonly outward: Outward | undefined;
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
export type StanceLacks = Readonly<Record<RoomThing['from'] | 'radial', readonly PlaceId[]>>;

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
  /** Whether a lateral bar reaches its chassis end in every pose; undefined where there is none. */
  readonly lateralBar: 'reaches' | 'short' | 'unknown' | 'solved' | undefined;
}

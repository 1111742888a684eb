import type { Sided } from '../../geometry';
import type { Figure, Maybe } from '../../measure';
import type { SchoolResult, School } from '../cut';
import type { ShaftRoute } from './choices';

export interface ShaftsInput {
  readonly schools: readonly SchoolResult[];
  readonly chosen: School;
  readonly route: ShaftRoute;
  readonly shaftLeft: Maybe;
  readonly shaftRight: Maybe;
  readonly splineLeft: Maybe;
  readonly splineRight: Maybe;
  readonly gearLeft: Maybe;
  readonly gearRight: Maybe;
  readonly newSpline: Maybe;
  readonly gearSpline: Maybe;
  readonly crossShaft: Maybe;
  readonly floatMin: Maybe;
  readonly floatMax: Maybe;
  readonly step: Maybe;
  /** The pair chosen from stock: lengths, and spline on each. */
  readonly pairLeft: Maybe;
  readonly pairRight: Maybe;
  readonly pairSplineLeft: Maybe;
  readonly pairSplineRight: Maybe;
  /** A clip holds the new shafts’ inner ends; undefined while nobody said what does. */
  readonly clip: boolean | undefined;
  /** What arrived, as measured: it is what will run. */
  readonly receivedLeft: Maybe;
  readonly receivedRight: Maybe;
  /** Half with the ends it will have, and as it stands by now. */
  readonly halfLeft: Maybe;
  readonly halfRight: Maybe;
  readonly standLeft: Maybe;
  readonly standRight: Maybe;
  /** Sides whose tube was measured after the work: their shafts follow it. */
  readonly workedLeft: boolean;
  readonly workedRight: boolean;
  /** What the maker holds either way, mm. */
  readonly made: Maybe;
}

/** Where a side's shaft comes from. */
export type ShaftSource = 'own' | 'stockShort' | 'stockPair' | 'new' | 'shortened' | 'other';
/** Shafts that come from outside: made to order, or from stock. */
export const BOUGHT_SHAFTS: readonly ShaftSource[] = ['new', 'other', 'stockShort', 'stockPair'];

/** The shaft one side needs under one way to cut. */
export interface ShaftNeed {
  readonly source: ShaftSource;
  /** Old length less the cut, mm. */
  readonly needed: Figure;
  /** What is fitted: the length ordered, or that of the stock shaft, mm. */
  readonly fitted: Figure;
}

/** How the chosen shafts sit in the differential. */
export interface ShaftFit {
  readonly engagedMin: Maybe;
  readonly engagedMax: Maybe;
  /** The lesser of both as a share of the side gear's spline. */
  readonly share: Maybe;
  /** Shaft end to cross shaft, shaft fully home, mm. */
  readonly gap: Maybe;
  /** Full-depth spline of the shaft that will run, mm. */
  readonly spline: Maybe;
}

export interface ShaftsResult {
  readonly bySchool: Readonly<Partial<Record<School, Sided<ShaftNeed | undefined>>>>;
  readonly needs: Sided<ShaftNeed | undefined>;
  readonly fit: Sided<ShaftFit>;
}

import type { Side } from '../geometry';
import type { StageId } from '../checks';
import type { FigureUnit, InstrumentId } from '../measure';
import type { Brief } from './brief';

/** Something the plan holds a reading of. */
export interface Quantity {
  readonly id: string;
  readonly label: string;
  readonly stage: StageId;
  /** Heading it stands under in its stage. */
  readonly group: string;
  readonly side?: Side;
  readonly unit: FigureUnit;
  /** Accepted range in core units, both ends included. */
  readonly min: number;
  readonly max: number;
  /** Only whole numbers are accepted. */
  readonly whole?: boolean;
  readonly instrument: InstrumentId;
  /** Between what and what it is measured. */
  readonly hint: string;
  readonly datum: string;
  /** Taken by plumb line or level on the car: true only while the car stands level. */
  readonly needsLevel?: boolean;
  /** What will rest on it, where nothing does yet: it may be read now or then. */
  readonly later?: string;
  /** Value used while there is no reading. It is shown as assumed wherever it enters. */
  readonly fallback?: Fallback;
  /** A default that follows from what the car is for; it goes before `fallback`. */
  readonly fallbackFor?: (brief: Brief) => Fallback;
}

/** What stands for a reading until there is one. */
export interface Fallback {
  readonly value: number;
  /** Half-width within which the true value is taken to lie evenly, in the quantity’s unit; default 0. */
  readonly off?: number;
  readonly why: string;
}

import type { Side } from '../geometry';
import type { StageId } from '../checks';
import type { FigureUnit, InstrumentId } from '../measure';

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
  /** Value used while there is no reading, with the reason for it. */
  readonly fallback?: { readonly value: number; readonly instrument: InstrumentId; readonly why: string };
}

import type { LengthUnit, Results } from '@intervex/core';
import type { StageLook } from './look';

/** What the rail’s note is written with. */
export interface RailTools {
  /** A value with its unit. */
  readonly show: (value: number, digits?: number) => string;
  readonly unit: LengthUnit;
  readonly suffix: string;
  /** How many readings of this stage there are, in words. */
  readonly counted: string;
}

/** A stage on the page: what the rail says of it at once, and how it looks when it is opened. */
export interface StageScreen {
  /** Short word under its name on the rail. */
  readonly note: (results: Results, tools: RailTools) => string;
  readonly open: () => Promise<StageLook>;
}

/** A stage of which the rail says how much was read. */
export const countedNote: StageScreen['note'] = (_results, { counted }) => counted;

import type { Figure } from '../../measure';
import type { LimitsOf } from '../../stage/check';
import type { Spacer } from '../stance';
import type { stance } from '../stance/words';
import type { BendResult } from './bend-table';
import type { BrakeResult } from './brake-stage';
import type { PatternFace, PatternRoute } from './choices';
import type { PatternResult } from './pattern-stage';
import type { StudResult } from './stud-stage';
import type { hubs } from './words';

export type HubsLimits = LimitsOf<typeof hubs | typeof stance>;

/** Count and circle of a face as they were typed. */
export interface TypedPattern {
  readonly holes: Figure | undefined;
  readonly pcd: Figure | undefined;
}

export interface HubsChecksInput {
  readonly typed: Readonly<Record<PatternFace, TypedPattern>>;
  readonly spacer: Spacer;
  readonly patterns: PatternResult;
  readonly route: PatternRoute;
  readonly studs: StudResult;
  readonly brakes: BrakeResult;
  readonly lines: Readonly<Record<string, BendResult>>;
  /** The lines as they are written. */
  readonly written: Readonly<Record<string, { readonly name: string; readonly points: readonly unknown[] }>>;
}

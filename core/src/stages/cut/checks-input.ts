import type { Maybe } from '../../measure';
import { type Side, type Sided } from '../../geometry';
import { type LimitsOf } from '../../stage/check';
import { type StandResult } from './stand-stage';
import { type SquareResult } from './square-stage';
import { type SchoolPlan } from './school-stage';
import { type MarksResult } from './marks-result';
import { type LearnedResult } from './learned-stage';
import { type EndsResult } from './ends-stage';
import { type CutMethod } from './choices';
import { type FigureOf } from '../../stage/node';
import { type cut } from './words';

export type CutLimits = LimitsOf<typeof cut>;

export interface CutChecksInput {
  readonly plan: SchoolPlan | undefined;
  readonly marks: MarksResult;
  readonly square: SquareResult;
  readonly method: CutMethod;
  readonly targetWidth: Maybe;
  readonly tube: Readonly<Record<Side, Maybe>>;
  readonly ends: EndsResult;
  readonly stand: StandResult;
  readonly learned: LearnedResult;
  /** Tube left beside the spring seats, mm. */
  readonly perch: Sided<Maybe>;
  /** Readings round the end faces, by quantity. */
  readonly faces: FigureOf<typeof cut>;
}

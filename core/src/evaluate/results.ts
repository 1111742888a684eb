import type { BriefResult } from '../stages/brief';
import type { Check, StageId } from '../checks';
import type {
  EndsResult,
  FaceSquare,
  FloatEnd,
  LearnedResult,
  MarksResult,
  SchoolResult,
  SquareResult,
  StandResult,
  TubeResult,
} from '../stages/cut';
import type { CapacityResult, DonorResult, RatioResult, SlipFinding } from '../stages/donor';
import type { Sided } from '../geometry';
import type { BendResult, BrakeResult, PatternResult, RetentionWay, StudResult } from '../stages/hubs';
import type { JointResult } from '../stages/mating';
import type { Figure } from '../measure';
import type { ShaftsResult, StrengthResult } from '../stages/shafts';
import type { StanceResult } from '../stages/stance';
import type { AngleResult, LevelResult, RoomResult, SurveyResult } from '../stages/survey';
import type { Contradicted } from './contradictions';
import type { InUse } from './in-use';
import type { Known } from './reading-figures';

/** How a stage stands, as the rail shows it. */
export type StageState = 'untouched' | 'inWork' | 'caution' | 'stop' | 'settled';

/** A decision and the quantities it still needs. */
export interface Decision {
  readonly id: string;
  readonly label: string;
  readonly stage: StageId;
  /** Quantities, and facts as `fact.…`, without which it cannot be made. */
  readonly lacks: readonly string[];
  /** Why it may not be made although all is there: readings that contradict each other. */
  readonly held?: string;
}

/** What the donor was found to be. */
export interface DonorJudged {
  readonly ratio: RatioResult;
  readonly slip: SlipFinding;
  readonly capacity: CapacityResult;
}

/** The wheel’s end of the axle. */
export interface HubsResult {
  readonly patterns: PatternResult;
  readonly studs: StudResult;
  readonly brakes: BrakeResult;
  /** Ways to hold the shafts in. */
  readonly ways: readonly RetentionWay[];
  /** By the line’s id. */
  readonly lines: Readonly<Record<string, BendResult>>;
}

/** Everything derived from a plan. */
export interface Results {
  /** What is known of each quantity, by id: readings and fallbacks. */
  readonly known: Readonly<Record<string, Known>>;
  readonly brief: BriefResult;
  readonly level: LevelResult;
  /** Why numbers read off the car by plumb line or level cannot be trusted yet; absent where they can. */
  readonly notLevel?: string;
  readonly survey: SurveyResult;
  /** Every angle read, against what the gauge was zeroed on and against level. */
  readonly angles: readonly AngleResult[];
  /** Least wheel room per side and pose. */
  readonly room: readonly RoomResult[];
  readonly donor: DonorResult;
  readonly judged: DonorJudged;
  readonly mating: readonly JointResult[];
  readonly schools: readonly SchoolResult[];
  readonly marks: MarksResult;
  readonly square: SquareResult;
  readonly shafts: ShaftsResult;
  /** The axle as it stands by now: measured where it was measured after the work. */
  readonly stand: StandResult;
  /** Tube left beside the spring seats, mm. */
  readonly perch: Sided<Figure | undefined>;
  /** Sizes that are a stock shaft’s where one was taken, by quantity; undefined where its list does not say them. */
  readonly inUse: InUse;
  /** Halves, shafts and brake space with the ends the axle will have. */
  readonly ends: EndsResult;
  readonly stance: StanceResult;
  readonly tubes: TubeResult;
  readonly float: Sided<FloatEnd>;
  readonly learned: LearnedResult;
  readonly strength: StrengthResult;
  readonly hubs: HubsResult;
  readonly checks: readonly Check[];
  /** Readings that contradict others of the same thing, with what is said of it: what rests on them is held. */
  readonly contradicted: Contradicted;
  readonly decisions: readonly Decision[];
  readonly stages: Readonly<Record<StageId, StageState>>;
  /** The numbers of this job, in the order of the running strip. */
  readonly strip: readonly StripItem[];
}

/** One place in the running strip. The figure is absent while it cannot be worked out. */
export interface StripItem {
  readonly id: string;
  readonly label: string;
  readonly figure: Figure | undefined;
  /** Short word behind the number, such as `right` for a pinion place. */
  readonly tail?: string;
}

export type { FaceSquare, Known };

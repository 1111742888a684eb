import type { Acceptance, LimitChange, LimitId } from '../checks';
import type { Reading } from '../measure';
import type { Fact } from './facts';
import type { JointId, JointNote, PartSearch, SearchedJoint } from './joints';

/** What the car is for. */
export type Use = 'road' | 'hillClimb' | 'strip' | 'circuit' | 'trail';
export const USES: readonly Use[] = ['road', 'hillClimb', 'strip', 'circuit', 'trail'];

/** How the car is set off: rolling, a normal standing start, or a dumped clutch or transbrake. */
export type Launch = 'rolling' | 'normal' | 'hard';
export const LAUNCHES: readonly Launch[] = ['rolling', 'normal', 'hard'];

/** What shares the torque between the two shafts. */
export type Differential = 'open' | 'limitedSlip' | 'locked';
export const DIFFERENTIALS: readonly Differential[] = ['open', 'limitedSlip', 'locked'];

/** Tools at hand. */
export type Tool =
  | 'tape'
  | 'caliper'
  | 'angleGauge'
  | 'indicator'
  | 'grinder'
  | 'welder'
  | 'press'
  | 'lathe'
  | 'alignmentBar'
  | 'lift';
export const TOOLS: readonly Tool[] = [
  'tape',
  'caliper',
  'angleGauge',
  'indicator',
  'grinder',
  'welder',
  'press',
  'lathe',
  'alignmentBar',
  'lift',
];

/** Skills at hand. */
export type Skill = 'fitting' | 'structuralWelding' | 'machining' | 'gearSetup' | 'wiring';
export const SKILLS: readonly Skill[] = ['fitting', 'structuralWelding', 'machining', 'gearSetup', 'wiring'];

/** A point of the engine's torque curve. */
export interface TorquePoint {
  readonly rpm: number;
  /** N·m. */
  readonly torque: number;
}

/** How the two new halves are chosen. */
export type School = 'evenUp' | 'keepOffset' | 'driveline' | 'shortShaft';
export const SCHOOLS: readonly School[] = ['evenUp', 'keepOffset', 'driveline', 'shortShaft'];

/** How the tube is shortened: a slug out of its length, or the end off and on again. */
export type CutMethod = 'slug' | 'endOff';
export const CUT_METHODS: readonly CutMethod[] = ['slug', 'endOff'];

/** From where scribe marks are given. */
export type MarkDatum = 'casting' | 'housingEnd' | 'pinion';
export const MARK_DATUMS: readonly MarkDatum[] = ['casting', 'housingEnd', 'pinion'];

/** What holds a shaft in. */
export type Retention = 'cClip' | 'boltIn' | 'fullFloat';
export const RETENTIONS: readonly Retention[] = ['cClip', 'boltIn', 'fullFloat'];

/** Where the new shafts come from: bought to length, or the donor's own shortened and splined again. */
export type ShaftRoute = 'buy' | 'shorten';
export const SHAFT_ROUTES: readonly ShaftRoute[] = ['buy', 'shorten'];

export interface Brief {
  readonly vehicle: string;
  readonly donor: string;
  readonly use: Use;
  /** ISO date, or empty. */
  readonly finishBy: string;
  readonly notes: string;
  readonly launch: Launch;
  readonly differential: Differential;
  /** Gearbox ratios from first on; empty while unknown. */
  readonly gears: readonly number[];
  /** By rising rpm; empty where only the peak is known. */
  readonly torqueCurve: readonly TorquePoint[];
  readonly tools: readonly Tool[];
  readonly skills: readonly Skill[];
}

export interface Choices {
  readonly school: School;
  readonly method: CutMethod;
  readonly datum: MarkDatum;
  readonly retention: Retention;
  readonly shaftRoute: ShaftRoute;
}

/** Whether a donor is to be bought, and why. */
export interface DonorVerdict {
  readonly verdict: 'accepted' | 'rejected';
  readonly reason: string;
  readonly who: string;
  /** ISO 8601. */
  readonly at: string;
}

/** A photo that belongs to a place in the plan. Its picture is kept by the server under its id. */
export interface Photo {
  /** Quantity, fact, `donor`, or `check.` and a check’s id. */
  readonly place: string;
  readonly caption: string;
  readonly who: string;
  /** ISO 8601. */
  readonly at: string;
}

/** What a decision of the builder’s is about. */
export type VerdictOn = 'donor';

/** All that is measured, chosen and limited for one way of doing the job. Everything else is derived. */
export interface Plan {
  readonly brief: Brief;
  readonly choices: Choices;
  /** By quantity id. */
  readonly readings: Readonly<Record<string, Reading>>;
  readonly limits: Readonly<Partial<Record<LimitId, LimitChange>>>;
  /** By check id. */
  readonly accepted: Readonly<Record<string, Acceptance>>;
  /** By fact id; what is not there is unknown. */
  readonly facts: Readonly<Record<string, Fact>>;
  readonly joints: Readonly<Partial<Record<JointId, JointNote>>>;
  readonly searches: Readonly<Partial<Record<SearchedJoint, PartSearch>>>;
  readonly verdicts: Readonly<Partial<Record<VerdictOn, DonorVerdict>>>;
  /** By photo id. */
  readonly photos: Readonly<Record<string, Photo>>;
}

/** A plan with nothing measured yet. */
export const EMPTY_PLAN: Plan = {
  brief: {
    vehicle: '',
    donor: '',
    use: 'road',
    finishBy: '',
    notes: '',
    launch: 'normal',
    differential: 'open',
    gears: [],
    torqueCurve: [],
    tools: [],
    skills: [],
  },
  choices: {
    school: 'evenUp',
    method: 'slug',
    datum: 'casting',
    retention: 'boltIn',
    shaftRoute: 'buy',
  },
  readings: {},
  limits: {},
  accepted: {},
  facts: {},
  joints: {},
  searches: {},
  verdicts: {},
  photos: {},
};

/** A plan stored by an earlier version, with everything it did not know yet at its starting value. */
export const completePlan = (plan: Plan): Plan => ({
  ...EMPTY_PLAN,
  ...plan,
  brief: { ...EMPTY_PLAN.brief, ...plan.brief },
  choices: { ...EMPTY_PLAN.choices, ...plan.choices },
});

import type { Acceptance, LimitChange, LimitId } from '../checks';
import type { Reading } from '../measure';
import type { Brief } from './brief';
import type { Fact } from './facts';
import type { JointId, JointNote, PartSearch, SearchId } from './joints';
import type { BrakeLine, KeepOut, PatternFace, PatternReadings, TubeItem } from './lists';

/** How the two new halves are chosen. */
export const SCHOOLS = ['evenUp', 'keepOffset', 'driveline', 'shortShaft', 'stockShafts'] as const;
export type School = (typeof SCHOOLS)[number];

/** How the tube is shortened: a slug out of its length, the end off and on again, or a new tube into the casting. */
export const CUT_METHODS = ['slug', 'endOff', 'newTubes'] as const;
export type CutMethod = (typeof CUT_METHODS)[number];

/** From where scribe marks are given. */
export type MarkDatum = 'casting' | 'housingEnd' | 'pinion';
export const MARK_DATUMS: readonly MarkDatum[] = ['casting', 'housingEnd', 'pinion'];

/** What holds a shaft in. */
export type Retention = 'cClip' | 'boltIn' | 'fullFloat';
export const RETENTIONS: readonly Retention[] = ['cClip', 'boltIn', 'fullFloat'];

/** Where the new shafts come from: bought to length, or the donor's own shortened and splined again. */
export type ShaftRoute = 'buy' | 'shorten';
export const SHAFT_ROUTES: readonly ShaftRoute[] = ['buy', 'shorten'];

/** What makes flange and wheel agree where their patterns differ. */
export const PATTERN_ROUTES = ['undecided', 'redrill', 'adapter', 'shafts'] as const;
export type PatternRoute = (typeof PATTERN_ROUTES)[number];

/** The drilling jig: a full ring over the pilot, or a small one that steps round on the studs that are there. */
export const JIGS = ['ring', 'step'] as const;
export type Jig = (typeof JIGS)[number];

/** What stands between flange and wheel. */
export const SPACERS = ['none', 'plain', 'adapter'] as const;
export type Spacer = (typeof SPACERS)[number];

/**
 * What takes the driveshaft's torque, which lifts one rear wheel and loads the other: the tyres of a live axle, or
 * springs and preload set for it.
 */
export const REACTIONS = ['tyres', 'springs'] as const;
export type Reaction = (typeof REACTIONS)[number];

export interface Choices {
  readonly school: School;
  readonly method: CutMethod;
  readonly datum: MarkDatum;
  readonly retention: Retention;
  readonly shaftRoute: ShaftRoute;
  /** What holds the shafts in afterwards. */
  readonly retentionTo: Retention;
  /** Size as it stands on the sidewall; empty while none is chosen. */
  readonly tyre: string;
  readonly spacer: Spacer;
  readonly pattern: PatternRoute;
  readonly jig: Jig;
  readonly reaction: Reaction;
}

/** A decision and why: whether a donor is bought, or which brakes are used. */
export interface BuilderVerdict<V extends string = string> {
  readonly verdict: V;
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

export type DonorVerdict = BuilderVerdict<'accepted' | 'rejected'>;

/** Brakes for their rotor, or for pads and calipers that any shop has. */
export const BRAKE_VERDICTS = ['bigger', 'serviceable'] as const;

/** Decisions of the builder’s, by what they are about. */
export interface Verdicts {
  readonly donor: DonorVerdict;
  readonly brakes: BuilderVerdict<(typeof BRAKE_VERDICTS)[number]>;
}
export type VerdictOn = keyof Verdicts;

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
  readonly searches: Readonly<Partial<Record<SearchId, PartSearch>>>;
  readonly verdicts: Readonly<Partial<Verdicts>>;
  /** By photo id. */
  readonly photos: Readonly<Record<string, Photo>>;
  /** What is welded to the tubes, by id. */
  readonly tubeItems: Readonly<Record<string, TubeItem>>;
  /** Hole patterns as they were read, face by face. */
  readonly patterns: Readonly<Partial<Record<PatternFace, PatternReadings>>>;
  /** Places of the flange that must not be drilled, by id. */
  readonly keepOuts: Readonly<Record<string, KeepOut>>;
  /** Brake lines to be bent, by id. */
  readonly lines: Readonly<Record<string, BrakeLine>>;
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
    retentionTo: 'boltIn',
    tyre: '',
    spacer: 'none',
    pattern: 'undecided',
    jig: 'ring',
    reaction: 'tyres',
  },
  readings: {},
  limits: {},
  accepted: {},
  facts: {},
  joints: {},
  searches: {},
  verdicts: {},
  photos: {},
  tubeItems: {},
  patterns: {},
  keepOuts: {},
  lines: {},
};

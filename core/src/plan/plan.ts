import type { Acceptance, LimitChange, LimitId } from '../checks';
import type { Reading } from '../measure';

/** What the car is for. */
export type Use = 'road' | 'hillClimb' | 'strip' | 'circuit' | 'trail';
export const USES: readonly Use[] = ['road', 'hillClimb', 'strip', 'circuit', 'trail'];

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
}

export interface Choices {
  readonly school: School;
  readonly method: CutMethod;
  readonly datum: MarkDatum;
  readonly retention: Retention;
  readonly shaftRoute: ShaftRoute;
}

/** All that is measured, chosen and limited for one way of doing the job. Everything else is derived. */
export interface Plan {
  readonly brief: Brief;
  readonly choices: Choices;
  /** By quantity id. */
  readonly readings: Readonly<Record<string, Reading>>;
  readonly limits: Readonly<Partial<Record<LimitId, LimitChange>>>;
  /** By check id. */
  readonly accepted: Readonly<Record<string, Acceptance>>;
}

/** A plan with nothing measured yet. */
export const EMPTY_PLAN: Plan = {
  brief: { vehicle: '', donor: '', use: 'road', finishBy: '', notes: '' },
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
};

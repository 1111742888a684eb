import type { Results } from '../evaluate';
import { findSheet, sheetOf } from '../sheets';
import type { Sheet } from '../stage';
import type { LengthUnit } from '../units';
import type { InstrumentId, Reading } from '../measure';
import { EMPTY_PLAN, PLAN_VERSION, planFromStore, type Choices, type Plan } from '../plan';
import { SKILLS, TOOLS } from '../stages/brief/choices';

/** A reading of the given values, for tests. */
export const reading = (instrument: InstrumentId, ...values: number[]): Reading => ({
  repeats: values.map((value) => ({ value })),
  instrument,
});

/** A full plan with unlike sides; the worked donor halves 792.0 and 741.5 and the target 1402. */
export function workedPlan(readings: Record<string, Reading> = {}, choices: Partial<Choices> = {}): Plan {
  return {
    ...EMPTY_PLAN,
    brief: {
      ...EMPTY_PLAN.brief,
      vehicle: 'Hollin Tern',
      donor: 'Marrow Carter van axle',
      tools: TOOLS,
      skills: SKILLS,
    },
    choices: { ...EMPTY_PLAN.choices, retention: 'boltIn', retentionTo: 'boltIn', ...choices },
    readings: {
      'brief.targetWidth': reading('chosen', 1402),
      'donor.half.left': reading('tape', 792),
      'donor.half.right': reading('tape', 741.5),
      'donor.casting.left': reading('caliper', 127.98),
      'donor.casting.right': reading('caliper', 121.52),
      'donor.tube.left': reading('tape', 588),
      'donor.tube.right': reading('tape', 544.1),
      'donor.brakeSpace.left': reading('caliper', 76),
      'donor.brakeSpace.right': reading('caliper', 75.92),
      'donor.shaft.left': reading('rule', 775.4),
      'donor.shaft.right': reading('rule', 724.7),
      'donor.shaftSpline.left': reading('caliper', 41.2),
      'donor.shaftSpline.right': reading('caliper', 33.4),
      'donor.shaftBody.left': reading('caliper', 33.02),
      'donor.shaftBody.right': reading('caliper', 34.11),
      'donor.sideGear.left': reading('caliper', 18.3),
      'donor.sideGear.right': reading('caliper', 18.5),
      'donor.sideGearSpline': reading('caliper', 33.6),
      'donor.crossShaft': reading('caliper', 22.2),
      'donor.endFloatMin': reading('indicator', 0.1),
      'donor.endFloatMax': reading('indicator', 0.46),
      'donor.splineTeeth': reading('chosen', 31),
      'donor.splinePitch': reading('chosen', 24),
      'cut.mark.left': reading('chosen', 202),
      'cut.mark.right': reading('chosen', 214),
      'cut.kerf': reading('caliper', 1.6),
      ...readings,
    },
  };
}

/** A sheet by its id, for tests. */
export function sheetFor(id: string, results: Results, unit: LengthUnit = 'mm'): Sheet {
  const def = findSheet(id);
  if (!def) throw new RangeError(`There is no sheet “${id}”.`);
  return sheetOf(def, results, unit);
}

/** A plan of an example file, of the version that is written now. */
export const wholePlan = (plan: unknown): Plan => planFromStore(PLAN_VERSION, plan).plan;

/** Finds by id what stands in a record, as nodes find what is known. */
export const lookIn =
  <T>(record: Readonly<Record<string, T | undefined>>) =>
  (id: string): T | undefined =>
    record[id];

import { briefChecks } from '../brief';
import { withAcceptance, type Check } from '../checks';
import { cutChecks, type SchoolPlan } from '../cut';
import { capacityChecks, conditionChecks, donorChecks, ratioChecks, slipChecks } from '../donor';
import { SIDES } from '../geometry';
import { matingChecks } from '../mating';
import type { Figure } from '../measure';
import type { Plan } from '../plan';
import { shaftChecks } from '../shafts';
import { angleChecks, levelChecks, surveyChecks } from '../survey';
import { evidenceChecks } from './evidence-checks';
import { slipInputs, type Of } from './inputs';
import { readingChecks } from './reading-checks';
import type { Known, Results } from './results';

type Parts = Pick<
  Results,
  'brief' | 'level' | 'survey' | 'angles' | 'donor' | 'judged' | 'mating' | 'marks' | 'square' | 'shafts'
> & {
  readonly known: Readonly<Record<string, Known>>;
};

/** Every check of every stage, with what was accepted. */
export function allChecks(plan: Plan, of: Of, parts: Parts, school: SchoolPlan | undefined): readonly Check[] {
  const pair = (id: string) =>
    Object.fromEntries(SIDES.map((s) => [s, of(`${id}.${s}`)])) as Record<'left' | 'right', Figure | undefined>;
  const list = [
    ...readingChecks(plan, parts.known),
    ...briefChecks(parts.brief, plan.limits),
    ...levelChecks(parts.level, plan.limits),
    ...surveyChecks(parts.survey, plan.limits),
    ...angleChecks(parts.angles),
    ...donorChecks(parts.donor, plan.limits),
    ...ratioChecks(parts.judged.ratio, of('brief.axleRatio')),
    ...slipChecks(slipInputs(plan, of), parts.judged.slip),
    ...conditionChecks(plan.facts, of, plan.limits),
    ...capacityChecks(parts.judged.capacity, plan.limits),
    ...matingChecks(parts.mating),
    ...evidenceChecks(plan),
    ...cutChecks(
      {
        plan: school,
        marks: parts.marks,
        square: parts.square,
        method: plan.choices.method,
        targetWidth: of('brief.targetWidth'),
        tube: pair('donor.tube'),
      },
      plan.limits,
    ),
    ...shaftChecks(
      {
        shafts: parts.shafts,
        retention: plan.choices.retention,
        route: plan.choices.shaftRoute,
        use: plan.brief.use,
        splineMajor: parts.donor.spline?.major,
        body: pair('donor.shaftBody'),
        spline: pair('donor.shaftSpline'),
        length: pair('donor.shaft'),
        floatMin: of('donor.endFloatMin'),
        floatMax: of('donor.endFloatMax'),
      },
      plan.limits,
    ),
  ];
  return list.map((check) => withAcceptance(check, plan.accepted[check.id]));
}

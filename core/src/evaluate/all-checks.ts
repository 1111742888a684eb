import { briefChecks } from '../brief';
import { withAcceptance, type Check } from '../checks';
import { cutChecks, tubeChecks, type SchoolPlan } from '../cut';
import { capacityChecks, conditionChecks, donorChecks, ratioChecks, slipChecks } from '../donor';
import { hubsChecks } from '../hub-ends';
import { matingChecks } from '../mating';
import type { Figure } from '../measure';
import { QUANTITIES, type Plan } from '../plan';
import { shaftChecks, strengthChecks } from '../shafts';
import { stanceChecks } from '../stance';
import { angleChecks, levelChecks, surveyChecks } from '../survey';
import { evidenceChecks } from './evidence-checks';
import { shearYield, slipInputs, type Of } from './inputs';
import { figureGroup, memoStage } from './memo';
import { readingChecks } from './reading-checks';
import type { Known, Results } from './results';

type Limits = Plan['limits'];
type Figures = Readonly<Record<string, Figure | undefined>>;
type Parts = Pick<
  Results,
  | 'brief'
  | 'level'
  | 'survey'
  | 'angles'
  | 'donor'
  | 'judged'
  | 'mating'
  | 'marks'
  | 'square'
  | 'shafts'
  | 'stance'
  | 'tubes'
  | 'float'
  | 'strength'
  | 'hubs'
> & {
  readonly known: Readonly<Record<string, Known>>;
};

const CONDITION_IDS = QUANTITIES.filter((q) => q.id.startsWith('cond.')).map((q) => q.id);

/**
 * Makes what gathers every check of every stage, with what was accepted. Checks of what did not change since the
 * last plan are not made again.
 */
export function createChecks() {
  const conditionFigures = figureGroup(CONDITION_IDS);
  const held = {
    brief: memoStage((v: { brief: Results['brief']; limits: Limits }) => briefChecks(v.brief, v.limits)),
    level: memoStage((v: { level: Results['level']; limits: Limits }) => levelChecks(v.level, v.limits)),
    survey: memoStage((v: { survey: Results['survey']; limits: Limits }) => surveyChecks(v.survey, v.limits)),
    angles: memoStage((v: Pick<Results, 'angles'>) => angleChecks(v.angles)),
    condition: memoStage((v: { facts: Plan['facts']; figures: Figures; limits: Limits }) =>
      conditionChecks(v.facts, (id) => v.figures[id], v.limits),
    ),
    capacity: memoStage((v: { capacity: Results['judged']['capacity']; limits: Limits }) =>
      capacityChecks(v.capacity, v.limits),
    ),
    mating: memoStage((v: Pick<Results, 'mating'>) => matingChecks(v.mating)),
  };
  return (plan: Plan, of: Of, parts: Parts, school: SchoolPlan | undefined): readonly Check[] => {
    const { limits, facts } = plan;
    const { brief, level, survey, angles, mating, judged } = parts;
    const list = [
      ...readingChecks(plan, parts.known),
      ...held.brief({ brief, limits }),
      ...held.level({ level, limits }),
      ...held.survey({ survey, limits }),
      ...held.angles({ angles }),
      ...donorChecks(parts.donor, limits),
      ...ratioChecks(judged.ratio, of('brief.axleRatio')),
      ...slipChecks(slipInputs(plan, of), judged.slip),
      ...held.condition({ facts, figures: conditionFigures(of), limits }),
      ...held.capacity({ capacity: judged.capacity, limits }),
      ...held.mating({ mating }),
      ...evidenceChecks(plan),
      ...stanceChecks(
        { stance: parts.stance, spacer: plan.choices.spacer, spacerThick: of('spacer.thick') },
        limits,
      ),
      ...cutAndShafts(plan, of, parts, school),
    ];
    return list.map((check) => withAcceptance(check, plan.accepted[check.id]));
  };
}

function cutAndShafts(plan: Plan, of: Of, parts: Parts, school: SchoolPlan | undefined): readonly Check[] {
  const pair = (id: string) => ({ left: of(`${id}.left`), right: of(`${id}.right`) });
  return [
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
        retentionTo: plan.choices.retentionTo,
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
    ...tubeChecks(
      {
        method: plan.choices.method,
        to: plan.choices.retentionTo,
        tubes: parts.tubes,
        float: parts.float,
        marks: parts.marks,
        items: plan.tubeItems,
      },
      plan.limits,
    ),
    ...strengthChecks(parts.strength, shearYield(plan), plan.limits),
    ...hubsChecks(
      {
        patterns: parts.hubs.patterns,
        route: plan.choices.pattern,
        studs: parts.hubs.studs,
        brakes: parts.hubs.brakes,
        lines: parts.hubs.lines,
        lineNames: Object.fromEntries(Object.entries(plan.lines).map(([id, line]) => [id, line.name])),
      },
      plan.limits,
    ),
  ];
}

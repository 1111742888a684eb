import { briefChecks, briefStage, type BriefInput } from '../brief';
import { withAcceptance, type Check } from '../checks';
import { cutChecks, isPlanned, marksStage, schoolsStage, squareStage, type SchoolPlan } from '../cut';
import { limitValue } from '../checks';
import { donorChecks, donorStage } from '../donor';
import { SIDES } from '../geometry';
import type { Figure } from '../measure';
import { QUANTITIES, type Plan } from '../plan';
import { shaftChecks, shaftsStage, type ShaftsInput } from '../shafts';
import { levelChecks, levelStage, notLevel, surveyChecks, surveyStage } from '../survey';
import { decisions } from './decisions';
import { memoStage } from './memo';
import { readingChecks } from './reading-checks';
import { readingFigures } from './reading-figures';
import type { Known, Results } from './results';
import { stageStates } from './stage-states';
import { strip } from './strip';

type Of = (id: string) => Figure | undefined;
const LEVEL_IDS = QUANTITIES.filter((q) => q.id.startsWith('level.')).map((q) => q.id);
const SQUARE_IDS = QUANTITIES.filter((q) => q.id.startsWith('square.')).map((q) => q.id);

/** An evaluator and how often each of its stages has really run. */
export interface Evaluator {
  (plan: Plan): Results;
  readonly runs: () => Readonly<Record<string, number>>;
}

/**
 * Makes an evaluator that remembers its last plan and runs only the stages whose inputs changed. Results
 * depend on the plan alone, never on what was evaluated before.
 */
export function createEvaluator(): Evaluator {
  const figuresOf = readingFigures();
  const stages = {
    brief: memoStage(briefStage),
    level: memoStage(levelStage),
    survey: memoStage(surveyStage),
    donor: memoStage(donorStage),
    schools: memoStage(schoolsStage),
    marks: memoStage(markInputs),
    square: memoStage((figures: Record<string, Figure | undefined>) => squareStage({ figures })),
    shafts: memoStage(shaftsStage),
  };
  const evaluateOnce = (plan: Plan): Results => {
    const known = figuresOf(plan.readings);
    const of: Of = (id) => known[id]?.figure;
    const brief = stages.brief(briefInputs(plan, of));
    const level = stages.level(Object.fromEntries(LEVEL_IDS.map((id) => [id, of(id)])));
    const survey = stages.survey({
      left: of('survey.left'),
      right: of('survey.right'),
      width: of('survey.width'),
    });
    const donor = stages.donor(donorInputs(of));
    const schools = stages.schools({
      halfLeft: of('donor.half.left'),
      halfRight: of('donor.half.right'),
      targetWidth: of('brief.targetWidth'),
      pinionWanted: of('cut.pinion'),
      gearbox: of('survey.gearbox'),
    });
    const chosen = schools.find((s) => s.school === plan.choices.school);
    const school = chosen && isPlanned(chosen) ? chosen : undefined;
    const marks = stages.marks(flatMarks(plan, of, school));
    const square = stages.square(Object.fromEntries(SQUARE_IDS.map((id) => [id, of(id)])));
    const shafts = stages.shafts(shaftInputs(plan, of, schools));
    const parts = { known, brief, level, survey, donor, schools, marks, square, shafts };
    const checks = allChecks(plan, of, parts, school);
    const open = decisions(plan, known);
    const unlevel = notLevel(checks);
    return {
      ...parts,
      checks,
      ...(unlevel === undefined ? {} : { notLevel: unlevel }),
      decisions: open,
      stages: stageStates(plan, checks, open),
      strip: strip(parts, school, of),
    };
  };
  return Object.assign(evaluateOnce, {
    runs: () => Object.fromEntries(Object.entries(stages).map(([name, stage]) => [name, stage.runs])),
  });
}

/**
 * All results of a plan: a pure function, the same in the page, on the server and on the command line.
 *
 * @param plan a valid plan
 * @example evaluate(plan).schools[0] // even up: width, pinion, halves, cuts
 */
export const evaluate = (plan: Plan): Results => createEvaluator()(plan);

function briefInputs({ brief }: Plan, of: Of): BriefInput {
  const { launch, differential, gears, torqueCurve } = brief;
  return {
    launch,
    differential,
    gears,
    torqueCurve,
    mass: of('brief.mass'),
    front: of('brief.front'),
    rear: of('brief.rear'),
    wheelbase: of('brief.wheelbase'),
    cgHeight: of('brief.cgHeight'),
    tyreDiameter: of('brief.tyreDiameter'),
    torque: of('brief.torque'),
    stall: of('brief.stall'),
    axleRatio: of('brief.axleRatio'),
    efficiency: of('brief.efficiency'),
    friction: of('brief.friction'),
  };
}

function donorInputs(of: Of) {
  return {
    halfLeft: of('donor.half.left'),
    halfRight: of('donor.half.right'),
    width: of('donor.width'),
    castingLeft: of('donor.casting.left'),
    castingRight: of('donor.casting.right'),
    tubeLeft: of('donor.tube.left'),
    tubeRight: of('donor.tube.right'),
    brakeSpaceLeft: of('donor.brakeSpace.left'),
    brakeSpaceRight: of('donor.brakeSpace.right'),
    teeth: of('donor.splineTeeth'),
    pitch: of('donor.splinePitch'),
    splineMajor: of('donor.splineMajor'),
  };
}

/** Inputs of the marks one level deep, so that the stage can tell by identity what changed. */
function flatMarks(plan: Plan, of: Of, school: SchoolPlan | undefined) {
  return {
    plan: school,
    method: plan.choices.method,
    datum: plan.choices.datum,
    kerf: of('cut.kerf'),
    gap: of('cut.gap'),
    shrink: of('cut.shrink'),
    fromCasting: limitValue(plan.limits, 'cut.fromCasting'),
    fromHousingEnd: limitValue(plan.limits, 'cut.fromHousingEnd'),
    halfLeft: of('donor.half.left'),
    halfRight: of('donor.half.right'),
    castingLeft: of('donor.casting.left'),
    castingRight: of('donor.casting.right'),
    tubeLeft: of('donor.tube.left'),
    tubeRight: of('donor.tube.right'),
    markLeft: of('cut.mark.left'),
    markRight: of('cut.mark.right'),
    endLeft: of('cut.endPiece.left'),
    endRight: of('cut.endPiece.right'),
  };
}

function markInputs(v: ReturnType<typeof flatMarks>) {
  return marksStage({
    ...v,
    left: { half: v.halfLeft, casting: v.castingLeft, tube: v.tubeLeft, mark: v.markLeft, endPiece: v.endLeft },
    right: {
      half: v.halfRight,
      casting: v.castingRight,
      tube: v.tubeRight,
      mark: v.markRight,
      endPiece: v.endRight,
    },
  });
}

function shaftInputs(plan: Plan, of: Of, schools: Results['schools']): ShaftsInput {
  return {
    schools,
    chosen: plan.choices.school,
    route: plan.choices.shaftRoute,
    shaftLeft: of('donor.shaft.left'),
    shaftRight: of('donor.shaft.right'),
    splineLeft: of('donor.shaftSpline.left'),
    splineRight: of('donor.shaftSpline.right'),
    gearLeft: of('donor.sideGear.left'),
    gearRight: of('donor.sideGear.right'),
    newSpline: of('shaft.spline'),
    gearSpline: of('donor.sideGearSpline'),
    crossShaft: of('donor.crossShaft'),
    floatMin: of('donor.endFloatMin'),
    floatMax: of('donor.endFloatMax'),
    step: of('shaft.step'),
  };
}

type Parts = Pick<Results, 'brief' | 'level' | 'survey' | 'donor' | 'marks' | 'square' | 'shafts'> & {
  readonly known: Readonly<Record<string, Known>>;
};

function allChecks(plan: Plan, of: Of, parts: Parts, school: SchoolPlan | undefined): readonly Check[] {
  const pair = (id: string) =>
    Object.fromEntries(SIDES.map((s) => [s, of(`${id}.${s}`)])) as Record<'left' | 'right', Figure | undefined>;
  const list = [
    ...readingChecks(plan, parts.known),
    ...briefChecks(parts.brief, plan.limits),
    ...levelChecks(parts.level, plan.limits),
    ...surveyChecks(parts.survey, plan.limits),
    ...donorChecks(parts.donor, plan.limits),
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

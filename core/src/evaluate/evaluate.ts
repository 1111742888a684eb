import { briefStage } from '../brief';
import { isPlanned, schoolsStage, squareStage } from '../cut';
import { capacityStage, donorStage, ratioStage, slipFinding } from '../donor';
import type { Figure } from '../measure';
import { matingStage } from '../mating';
import { ANGLE_IDS, QUANTITIES, type Plan } from '../plan';
import { shaftsStage } from '../shafts';
import { anglesStage, levelStage, notLevel, roomStage, surveyStage } from '../survey';
import { createChecks } from './all-checks';
import { decisions } from './decisions';
import {
  briefInputs,
  capacityInputs,
  donorInputs,
  flatMarks,
  markInputs,
  matingInputs,
  ratioInputs,
  shaftInputs,
  slipInputs,
  zeroes,
  type Of,
} from './inputs';
import { figureGroup, memoStage } from './memo';
import { readingFigures } from './reading-figures';
import type { Results } from './results';
import { stageStates } from './stage-states';
import { strip } from './strip';

const idsOf = (pattern: RegExp): readonly string[] =>
  QUANTITIES.filter((q) => pattern.test(q.id)).map((q) => q.id);
const GROUPS = {
  level: idsOf(/^level\./),
  room: idsOf(/^room\./),
  square: idsOf(/^square\./),
  angles: ANGLE_IDS,
  mating: idsOf(/^(donor|new|car|line|brake)\.(?!half|casting|tube|shaft|side|angle)/),
} as const;

/** An evaluator and how often each of its stages has really run. */
export interface Evaluator {
  (plan: Plan): Results;
  readonly runs: () => Readonly<Record<string, number>>;
}

type Gathered = { readonly figures: Readonly<Record<string, Figure | undefined>> };

/** Figures of the stages that take many, each set the same object while nothing in it changes. */
const makeGroups = () => ({
  level: figureGroup(GROUPS.level),
  room: figureGroup(GROUPS.room),
  square: figureGroup(GROUPS.square),
  angles: figureGroup(GROUPS.angles),
  mating: figureGroup(GROUPS.mating),
});

/** Every stage with a memory of its last result. */
const makeStages = () => ({
  brief: memoStage(briefStage),
  level: memoStage(({ figures }: Gathered) => levelStage(figures)),
  survey: memoStage(surveyStage),
  angles: memoStage(anglesStage),
  room: memoStage(({ figures }: Gathered) => roomStage(figures)),
  donor: memoStage(donorStage),
  ratio: memoStage(ratioStage),
  slip: memoStage(slipFinding),
  capacity: memoStage(capacityStage),
  mating: memoStage(matingStage),
  schools: memoStage(schoolsStage),
  marks: memoStage(markInputs),
  square: memoStage(squareStage),
  shafts: memoStage(shaftsStage),
});

/**
 * Makes an evaluator that remembers its last plan and runs only the stages whose inputs changed. Results
 * depend on the plan alone, never on what was evaluated before.
 */
export function createEvaluator(): Evaluator {
  const figuresOf = readingFigures();
  const stages = makeStages();
  const groups = makeGroups();
  const zeroesOf = memoStage((zeroedOn: Record<string, string | undefined>) => zeroedOn);
  const checksOf = createChecks();
  const judge = (plan: Plan, of: Of, demand: Figure | undefined, minor: Figure | undefined) => ({
    ratio: stages.ratio(ratioInputs(plan, of)),
    slip: stages.slip(slipInputs(plan, of)),
    capacity: stages.capacity(capacityInputs(plan, of, demand, minor)),
  });
  const evaluateOnce = (plan: Plan): Results => {
    const known = figuresOf(plan.readings);
    const of: Of = (id) => known[id]?.figure;
    const brief = stages.brief(briefInputs(plan, of));
    const level = stages.level({ figures: groups.level(of) });
    const survey = stages.survey({
      left: of('survey.left'),
      right: of('survey.right'),
      width: of('survey.width'),
    });
    const angles = stages.angles({ figures: groups.angles(of), zeroedOn: zeroesOf(zeroes(plan)) });
    const room = stages.room({ figures: groups.room(of) });
    const donor = stages.donor(donorInputs(of));
    const judged = judge(plan, of, brief.demand, donor.spline?.minor);
    const mating = stages.mating(matingInputs(plan, groups.mating(of)));
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
    const square = stages.square({ figures: groups.square(of) });
    const shafts = stages.shafts(shaftInputs(plan, of, schools));
    const parts = {
      known,
      brief,
      level,
      survey,
      angles,
      room,
      donor,
      judged,
      mating,
      schools,
      marks,
      square,
      shafts,
    };
    const checks = checksOf(plan, of, parts, school);
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

import { briefStage } from '../brief';
import { isPlanned, schoolsStage, squareStage } from '../cut';
import { capacityStage, donorStage, ratioStage, slipFinding } from '../donor';
import type { Figure } from '../measure';
import { QUANTITIES, type Plan } from '../plan';
import { shaftsStage } from '../shafts';
import { levelStage, notLevel, roomStage, surveyStage } from '../survey';
import { allChecks } from './all-checks';
import { decisions } from './decisions';
import {
  angleInputs,
  briefInputs,
  capacityInputs,
  donorInputs,
  figuresById,
  flatAngles,
  flatMarks,
  flatMating,
  markInputs,
  matingInputs,
  ratioInputs,
  shaftInputs,
  slipInputs,
  type Of,
} from './inputs';
import { memoStage } from './memo';
import { readingFigures } from './reading-figures';
import type { Results } from './results';
import { stageStates } from './stage-states';
import { strip } from './strip';

const LEVEL_IDS = QUANTITIES.filter((q) => q.id.startsWith('level.')).map((q) => q.id);
const ROOM_IDS = QUANTITIES.filter((q) => q.id.startsWith('room.')).map((q) => q.id);
const SQUARE_IDS = QUANTITIES.filter((q) => q.id.startsWith('square.')).map((q) => q.id);

/** An evaluator and how often each of its stages has really run. */
export interface Evaluator {
  (plan: Plan): Results;
  readonly runs: () => Readonly<Record<string, number>>;
}

/** Every stage with a memory of its last result. */
const makeStages = () => ({
  brief: memoStage(briefStage),
  level: memoStage(levelStage),
  survey: memoStage(surveyStage),
  angles: memoStage(flatAngles),
  room: memoStage(roomStage),
  donor: memoStage(donorStage),
  ratio: memoStage(ratioStage),
  slip: memoStage(slipFinding),
  capacity: memoStage(capacityStage),
  mating: memoStage(flatMating),
  schools: memoStage(schoolsStage),
  marks: memoStage(markInputs),
  square: memoStage((figures: Record<string, Figure | undefined>) => squareStage({ figures })),
  shafts: memoStage(shaftsStage),
});

/**
 * Makes an evaluator that remembers its last plan and runs only the stages whose inputs changed. Results
 * depend on the plan alone, never on what was evaluated before.
 */
export function createEvaluator(): Evaluator {
  const figuresOf = readingFigures();
  const stages = makeStages();
  const judge = (plan: Plan, of: Of, demand: Figure | undefined, minor: Figure | undefined) => ({
    ratio: stages.ratio(ratioInputs(plan, of)),
    slip: stages.slip(slipInputs(plan, of)),
    capacity: stages.capacity(capacityInputs(plan, of, demand, minor)),
  });
  const evaluateOnce = (plan: Plan): Results => {
    const known = figuresOf(plan.readings);
    const of: Of = (id) => known[id]?.figure;
    const brief = stages.brief(briefInputs(plan, of));
    const level = stages.level(figuresById(LEVEL_IDS, of));
    const survey = stages.survey({
      left: of('survey.left'),
      right: of('survey.right'),
      width: of('survey.width'),
    });
    const angles = stages.angles(angleInputs(plan, of));
    const room = stages.room(figuresById(ROOM_IDS, of));
    const donor = stages.donor(donorInputs(of));
    const judged = judge(plan, of, brief.demand, donor.spline?.minor);
    const mating = stages.mating(matingInputs(plan, of));
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
    const square = stages.square(figuresById(SQUARE_IDS, of));
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

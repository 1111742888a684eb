import { briefStage } from '../brief';
import {
  type EndsResult,
  endsStage,
  floatStage,
  isPlanned,
  learnedStage,
  schoolsStage,
  type SchoolPlan,
  squareStage,
  tubeStage,
  wantedTubes,
} from '../cut';
import { capacityStage, donorStage, ratioStage, slipFinding } from '../donor';
import type { Figure } from '../measure';
import { bendTable, brakeStage, patternStage, retentionWays, studStage } from '../hub-ends';
import { matingStage } from '../mating';
import { ANGLE_IDS, QUANTITIES, type Plan } from '../plan';
import { shaftsStage, strengthStage } from '../shafts';
import { stanceStage } from '../stance';
import { anglesStage, levelStage, notLevel, roomStage, surveyStage } from '../survey';
import { createChecks } from './all-checks';
import { decisions } from './decisions';
import {
  brakeInputs,
  briefInputs,
  capacityInputs,
  donorInputs,
  endsInputs,
  flatMarks,
  flatPatterns,
  markInputs,
  matingInputs,
  pairFigures,
  patternInputs,
  ratioInputs,
  shaftInputs,
  slipInputs,
  stanceInputs,
  strengthInputs,
  studInputs,
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
  stance: idsOf(
    /^(room|wheel|tyre|stance|bar|rim)\.|^(spring\.(bump|droop)|brake\.radius|spacer\.thick|brief\.tyreDiameter)$/,
  ),
  tubes: idsOf(/^tube\./),
  float: idsOf(/^float\./),
  patterns: idsOf(/^(donor\.(flange\w*|pilot)|car\.wheel(Holes|Pcd)|redrill\.hole|jig\.\w+)$/),
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
  stance: figureGroup(GROUPS.stance),
  tubes: figureGroup(GROUPS.tubes),
  float: figureGroup(GROUPS.float),
  patterns: figureGroup(GROUPS.patterns),
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
  pair: memoStage(pairFigures),
  ends: memoStage(endsStage),
  ways: memoStage((v: ReturnType<typeof endsInputs>) =>
    retentionWays(v.from, (to) => endsStage({ ...v, to }).moved),
  ),
  stance: memoStage(({ inboard, spring, outboard, radial, ...v }: ReturnType<typeof stanceInputs>) =>
    stanceStage({ ...v, limits: { inboard, spring, outboard, radial } }),
  ),
  tubes: memoStage(tubeStage),
  wanted: memoStage(wantedTubes),
  float: memoStage(floatStage),
  learned: memoStage(learnedStage),
  strength: memoStage(strengthStage),
  patterns: memoStage((v: ReturnType<typeof flatPatterns>) => patternStage(patternInputs(v))),
  studs: memoStage(studStage),
  brakes: memoStage(brakeStage),
  hubs: memoStage((v: Results['hubs']) => v),
  judged: memoStage((v: Results['judged']) => v),
  lines: memoStage(({ lines }: Pick<Plan, 'lines'>) =>
    Object.fromEntries(Object.entries(lines).map(([id, line]) => [id, bendTable(line)])),
  ),
});

/** Stages and groups that remember, of one evaluator. */
const makeKit = () => ({ stages: makeStages(), groups: makeGroups() });
type Kit = ReturnType<typeof makeKit>;

/** What the donor is found to be. */
const judge = ({ stages }: Kit, plan: Plan, of: Of, demand: Figure | undefined, minor: Figure | undefined) =>
  stages.judged({
    ratio: stages.ratio(ratioInputs(plan, of)),
    slip: stages.slip(slipInputs(plan, of)),
    capacity: stages.capacity(capacityInputs(plan, of, demand, minor)),
  });

/** The ways to cut, and marks and shafts of the chosen one. */
function cutOf({ stages }: Kit, plan: Plan, of: Of) {
  const ends = stages.ends(endsInputs(plan, of));
  const pair = stages.pair({ left: plan.searches.shaftLeft, right: plan.searches.shaftRight });
  const schools = stages.schools({
    halfLeft: ends.half.left,
    halfRight: ends.half.right,
    targetWidth: of('brief.targetWidth'),
    pinionWanted: of('cut.pinion'),
    gearbox: of('survey.gearbox'),
    shaftLeft: ends.shaft.left,
    shaftRight: ends.shaft.right,
    pairLeft: pair.left,
    pairRight: pair.right,
  });
  const chosen = schools.find((s) => s.school === plan.choices.school);
  const school = chosen && isPlanned(chosen) ? chosen : undefined;
  const marks = stages.marks(flatMarks(plan, of, school, ends));
  const shafts = stages.shafts(shaftInputs(plan, of, schools, ends, pair));
  return { ends, schools, school, marks, shafts };
}

function tubesOf({ stages, groups }: Kit, of: Of, school: SchoolPlan | undefined) {
  const wanted = stages.wanted({
    tubeLeft: of('donor.tube.left'),
    tubeRight: of('donor.tube.right'),
    cutLeft: school?.cut.left,
    cutRight: school?.cut.right,
  });
  return stages.tubes({
    figures: groups.tubes(of),
    wantedLeft: wanted.left,
    wantedRight: wanted.right,
    endLeft: of('cut.endPiece.left'),
    endRight: of('cut.endPiece.right'),
    gap: of('cut.gap'),
    shrink: of('cut.shrink'),
  });
}

function hubsOf(
  { stages, groups }: Kit,
  plan: Plan,
  of: Of,
  ends: EndsResult,
  demand: Figure | undefined,
): Results['hubs'] {
  return stages.hubs({
    patterns: stages.patterns(flatPatterns(plan, groups.patterns(of))),
    studs: stages.studs(studInputs(plan, of, demand)),
    brakes: stages.brakes(brakeInputs(of, ends)),
    ways: stages.ways(endsInputs(plan, of)),
    lines: stages.lines({ lines: plan.lines }),
  });
}

/**
 * Makes an evaluator that remembers its last plan and runs only the stages whose inputs changed. Results
 * depend on the plan alone, never on what was evaluated before.
 */
export function createEvaluator(): Evaluator {
  const figuresOf = readingFigures();
  const kit = makeKit();
  const { stages, groups } = kit;
  const zeroesOf = memoStage((zeroedOn: Record<string, string | undefined>) => zeroedOn);
  const checksOf = createChecks();
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
    const judged = judge(kit, plan, of, brief.demand, donor.spline?.minor);
    const { schools, school, ...cut } = cutOf(kit, plan, of);
    const { marks, shafts, ends } = cut;
    const square = stages.square({ figures: groups.square(of) });
    const width = school?.width ?? of('brief.targetWidth');
    const stance = stages.stance(stanceInputs(plan, groups.stance(of), width));
    const hubs = hubsOf(kit, plan, of, ends, brief.demand);
    const mating = stages.mating(matingInputs(plan, groups.mating(of), hubs.patterns.redrill));
    const minor = donor.spline?.minor;
    const loads = { shafts, school, demand: brief.demand, minor, ends, et: stance.et };
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
      square,
      stance,
      ...cut,
      tubes: tubesOf(kit, of, school),
      float: stages.float({ figures: groups.float(of), tubeOd: of('donor.tubeOd') }),
      learned: stages.learned({
        marks,
        tackedLeft: of('after.tacked.left'),
        tackedRight: of('after.tacked.right'),
        weldedLeft: of('after.welded.left'),
        weldedRight: of('after.welded.right'),
      }),
      strength: stages.strength(strengthInputs(plan, of, loads)),
      hubs,
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

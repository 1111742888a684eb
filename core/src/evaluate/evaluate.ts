import { briefStage } from '../stages/brief';
import {
  type EndsResult,
  endsStage,
  floatStage,
  isPlanned,
  learnedStage,
  perchStage,
  schoolsStage,
  type SchoolPlan,
  squareStage,
  standStage,
  tubeStage,
  wantedTubes,
} from '../stages/cut';
import { capacityStage, donorStage, ratioStage, slipFinding, steelOf, type ShaftMaterial } from '../stages/donor';
import { bySide, type Sided } from '../geometry';
import type { Figure } from '../measure';
import { bendTable, brakeStage, patternStage, retentionWays, studStage } from '../stages/hubs';
import { matingStage } from '../stages/mating';
import { ANGLE_IDS, EMPTY_PLAN, QUANTITIES, type Plan } from '../plan';
import { BOUGHT_SHAFTS, runningShaft, shaftNeeds, shaftsStage, type ShaftNeed } from '../stages/shafts';
import { stanceStage } from '../stages/stance';
import { anglesStage, levelStage, notLevel, roomStage, surveyStage } from '../stages/survey';
import { createChecks } from './all-checks';
import { contradictions } from './contradictions';
import { decisions } from './decisions';
import { inUse, pairFigures, type InUse } from './in-use';
import {
  brakeInputs,
  briefInputs,
  camberOf,
  capacityInputs,
  donorInputs,
  endsInputs,
  flatMarks,
  flatPatterns,
  markInputs,
  matingInputs,
  needInputs,
  patternInputs,
  ratioInputs,
  shaftInputs,
  shrinks,
  slipInputs,
  stanceInputs,
  standInputs,
  steelInputs,
  strengthInputs,
  strengthOf,
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
  (plan: Plan, today?: string): Results;
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
  schools: memoStage(({ lacksLeft, lacksRight, ...v }: ReturnType<typeof schoolInputs>) =>
    schoolsStage({ ...v, lacks: { left: lacksLeft, right: lacksRight } }),
  ),
  marks: memoStage(markInputs),
  stand: memoStage(standStage),
  square: memoStage(squareStage),
  needs: memoStage(shaftNeeds),
  running: memoStage((v: ReturnType<typeof runningInputs>) =>
    bySide((side) => {
      const need = side === 'left' ? v.needLeft : v.needRight;
      return need && runningShaft(v, need, side);
    }),
  ),
  shafts: memoStage(shaftsStage),
  pair: memoStage(pairFigures),
  inUse: memoStage((v: { school: Plan['choices']['school']; searches: Plan['searches'] }) =>
    inUse({ choices: { ...EMPTY_PLAN.choices, school: v.school }, searches: v.searches }),
  ),
  ends: memoStage(endsStage),
  ways: memoStage((v: ReturnType<typeof endsInputs>) =>
    retentionWays(v.from, (to) => endsStage({ ...v, to }).moved),
  ),
  camber: memoStage(camberOf),
  stance: memoStage(({ inboard, spring, outboard, radial, ...v }: ReturnType<typeof stanceInputs>) =>
    stanceStage({ ...v, limits: { inboard, spring, outboard, radial } }),
  ),
  tubes: memoStage(tubeStage),
  wanted: memoStage(wantedTubes),
  float: memoStage(floatStage),
  learned: memoStage(learnedStage),
  perch: memoStage(perchStage),
  steel: memoStage(({ material, ...read }: ReturnType<typeof steelInputs>) =>
    steelOf(material as ShaftMaterial | undefined, read),
  ),
  strength: memoStage(strengthOf),
  patterns: memoStage((v: ReturnType<typeof flatPatterns>) => patternStage(patternInputs(v))),
  studs: memoStage(studStage),
  brakes: memoStage(brakeStage),
  zeroes: memoStage((zeroedOn: Record<string, string | undefined>) => zeroedOn),
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
const judge = ({ stages }: Kit, plan: Plan, of: Of, rests: Parameters<typeof capacityInputs>[1]) =>
  stages.judged({
    ratio: stages.ratio(ratioInputs(plan, of)),
    slip: stages.slip(slipInputs(plan, of)),
    capacity: stages.capacity(capacityInputs(of, rests)),
  });

const schoolInputs = (of: Of, ends: EndsResult, pair: ReturnType<typeof pairFigures>) => ({
  halfLeft: ends.half.left,
  halfRight: ends.half.right,
  targetWidth: of('brief.targetWidth'),
  pinionWanted: of('cut.pinion'),
  gearbox: of('survey.gearbox'),
  offCentre: of('stance.offCentre'),
  lacksLeft: ends.lacks.left,
  lacksRight: ends.lacks.right,
  shaftLeft: ends.shaft.left,
  shaftRight: ends.shaft.right,
  pairLeft: pair.left,
  pairRight: pair.right,
});

const runningInputs = (of: Of, needs: Sided<ShaftNeed | undefined> | undefined) => ({
  needLeft: needs?.left,
  needRight: needs?.right,
  receivedLeft: of('shaft.received.left'),
  receivedRight: of('shaft.received.right'),
  made: of('shaft.made'),
});

/** The ways to cut, marks and shafts of the chosen one, and the axle as it stands by now. */
function cutOf(kit: Kit, plan: Plan, of: Of) {
  const { stages } = kit;
  const ends = stages.ends(endsInputs(plan, of));
  const pair = stages.pair({ left: plan.searches.shaftLeft, right: plan.searches.shaftRight });
  const schools = stages.schools(schoolInputs(of, ends, pair));
  const chosen = schools.find((s) => s.school === plan.choices.school);
  const school = chosen && isPlanned(chosen) ? chosen : undefined;
  const { wanted, tubes } = tubesOf(kit, of, school);
  const marks = stages.marks(flatMarks(plan, of, school, ends, tubes.piece));
  const asked = needInputs(plan, of, schools, ends, pair);
  const needs = stages.needs(asked)[plan.choices.school];
  const stand = stages.stand(
    standInputs(plan, of, {
      school,
      ends,
      expected: marks.halfExpected,
      running: stages.running(runningInputs(of, needs)),
      received: bySide((side) => {
        const source = needs?.[side]?.source;
        return source !== undefined && BOUGHT_SHAFTS.includes(source) && !!of(`shaft.received.${side}`);
      }),
    }),
  );
  const shafts = stages.shafts(shaftInputs(asked, stand));
  return { ends, schools, school, wanted, tubes, marks, stand, shafts };
}

function tubesOf({ stages, groups }: Kit, of: Of, school: SchoolPlan | undefined) {
  const wanted = stages.wanted({
    tubeLeft: of('donor.tube.left'),
    tubeRight: of('donor.tube.right'),
    cutLeft: school?.cut.left,
    cutRight: school?.cut.right,
  });
  const shrink = shrinks(of);
  const tubes = stages.tubes({
    figures: groups.tubes(of),
    wantedLeft: wanted.left,
    wantedRight: wanted.right,
    endLeft: of('cut.endPiece.left'),
    endRight: of('cut.endPiece.right'),
    gap: of('cut.gap'),
    shrinkLeft: shrink.left,
    shrinkRight: shrink.right,
  });
  return { wanted, tubes };
}

function hubsOf(
  { stages, groups }: Kit,
  plan: Plan,
  of: Of,
  space: Sided<Figure | undefined>,
  demand: Figure | undefined,
): Results['hubs'] {
  return stages.hubs({
    patterns: stages.patterns(flatPatterns(plan, groups.patterns(of))),
    studs: stages.studs(studInputs(plan, of, demand)),
    brakes: stages.brakes(brakeInputs(of, space)),
    ways: stages.ways(endsInputs(plan, of)),
    lines: stages.lines({ lines: plan.lines }),
  });
}

/** Finds what will run: of a part taken from stock its own sizes, else what is known of the quantity. */
const using =
  (of: Of, used: InUse): Of =>
  (id) =>
    id in used ? used[id] : of(id);

/** Outside of the tubes that are cut or will be there. */
const tubeOdOf = (plan: Plan, of: Of, outside: Sided<Figure | undefined>): Sided<Figure | undefined> =>
  plan.choices.method === 'newTubes' ? outside : { left: of('donor.tubeOd'), right: of('donor.tubeOd') };

/** Said where readings need a level car, and whether it stands level was never read. */
const NEVER_LEVELLED = 'It was not read whether the car stands level: sills left and right, front and rear.';

function levelDoubt(plan: Plan, checks: Results['checks']): string | undefined {
  const told = notLevel(checks);
  if (told !== undefined) return told;
  const needed = NEEDS_LEVEL.some((id) => plan.readings[id]);
  const read = LEVEL_READ.every((id) => plan.readings[id]);
  return needed && !read ? NEVER_LEVELLED : undefined;
}
const NEEDS_LEVEL = QUANTITIES.filter((q) => q.needsLevel).map((q) => q.id);
const LEVEL_READ = QUANTITIES.filter((q) => q.id.startsWith('level.height.')).map((q) => q.id);

/** The car as it was surveyed. */
const carOf = ({ stages, groups }: Kit, plan: Plan, of: Of) => ({
  level: stages.level({ figures: groups.level(of) }),
  survey: stages.survey({
    left: of('survey.left'),
    right: of('survey.right'),
    width: of('survey.width'),
    mountLeft: of('spring.mount.left'),
    mountRight: of('spring.mount.right'),
    shockLeft: of('shock.length.left'),
    shockRight: of('shock.length.right'),
    bolt: of('spring.bolt'),
    hole: of('spring.hole'),
    tubeOd: of('survey.tubeOd'),
    donorTubeOd: of('donor.tubeOd'),
  }),
  angles: stages.angles({ figures: groups.angles(of), zeroedOn: stages.zeroes(zeroes(plan)) }),
  room: stages.room({ figures: groups.room(of) }),
});

/** What was read after the work, against what is wanted. */
function learnedOf({ stages }: Kit, of: Of, wanted: Sided<Figure | undefined>) {
  const shrink = shrinks(of);
  return stages.learned({
    wantedLeft: wanted.left,
    wantedRight: wanted.right,
    shrinkLeft: shrink.left,
    shrinkRight: shrink.right,
    tackedLeft: of('after.tacked.left'),
    tackedRight: of('after.tacked.right'),
    weldedLeft: of('after.welded.left'),
    weldedRight: of('after.welded.right'),
  });
}

/** Everything of a plan but what is said of it. */
function partsOf(kit: Kit, plan: Plan, known: Results['known']) {
  const { stages, groups } = kit;
  const of: Of = (id) => known[id]?.figure;
  const used = stages.inUse({ school: plan.choices.school, searches: plan.searches });
  const use = using(of, used);
  const donor = stages.donor(donorInputs(of));
  const { school, wanted, ...cut } = cutOf(kit, plan, of);
  const { tubes, stand, shafts } = cut;
  const tubeOd = tubeOdOf(plan, of, tubes.outside);
  const square = stages.square({ figures: groups.square(of), tubeOd });
  const width = stand.width ?? school?.width ?? of('brief.targetWidth');
  const camber = camberFigures(kit, plan, of, square.latest);
  const stance = stages.stance(stanceInputs(plan, groups.stance(of), width, camber));
  const brief = stages.brief(briefInputs(plan, of, stance.track));
  const steel = stages.steel(steelInputs(plan, of));
  const { demand } = brief;
  const hubs = hubsOf(kit, plan, use, stand.space, demand);
  const tubeWall = plan.choices.method === 'newTubes' ? undefined : of('donor.tubeWall');
  const { et, track } = stance;
  const strength = { shafts, school, demand, steel, space: stand.space, et, track, inUse: used };
  const parts = {
    known,
    brief,
    ...carOf(kit, plan, of),
    donor,
    judged: judge(kit, plan, of, { demand, minor: donor.spline?.minor, shearYield: steel.yield }),
    mating: stages.mating(matingInputs(plan, groups.mating(use), hubs.patterns.redrill)),
    square,
    stance,
    inUse: used,
    ...cut,
    float: stages.float({ figures: groups.float(of), tubeOd, tubeWall }),
    learned: learnedOf(kit, of, wanted),
    strength: stages.strength(strengthInputs(plan, of, strength)),
    hubs,
    perch: stages.perch({
      spacing: of('spring.spacing'),
      width: of('spring.width'),
      casting: bySide((side) => of(`donor.casting.${side}`)),
      tube: bySide((side) => stand.tube[side] ?? wanted[side]),
      pinion: stand.pinion ?? school?.pinion,
      offCentre: of('stance.offCentre'),
    }),
  };
  return { school, parts };
}

/**
 * Makes an evaluator that remembers its last plan and runs only the stages whose inputs changed. Results
 * depend on the plan alone, never on what was evaluated before.
 */
export function createEvaluator(): Evaluator {
  const figuresOf = readingFigures();
  const kit = makeKit();
  const { stages } = kit;
  const checksOf = createChecks();
  const evaluateOnce = (plan: Plan, today?: string): Results => {
    const known = figuresOf(plan.readings, plan.brief);
    const of: Of = (id) => known[id]?.figure;
    const { school, parts } = partsOf(kit, plan, known);
    const checks = checksOf(plan, of, parts, school, today);
    const contradicted = contradictions(checks);
    const open = decisions(plan, parts, school, contradicted);
    const unlevel = levelDoubt(plan, checks);
    return {
      ...parts,
      checks,
      contradicted,
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

/** Camber of both wheels; the same objects while nothing it is made of changes. */
function camberFigures({ stages }: Kit, plan: Plan, of: Of, latest: Results['square']['latest']) {
  return stages.camber({
    float: plan.choices.retentionTo === 'fullFloat',
    builtLeft: of('float.camber.left'),
    builtRight: of('float.camber.right'),
    cutLeft: latest.left?.camber,
    cutRight: latest.right?.camber,
  });
}

/**
 * All results of a plan: a pure function, the same in the page, on the server and on the command line.
 *
 * @param plan a valid plan
 * @param today ISO date, for what is held against the date wanted; left out, that is not judged
 * @example evaluate(plan).schools[0] // even up: width, pinion, halves, cuts
 */
export const evaluate = (plan: Plan, today?: string): Results => createEvaluator()(plan, today);

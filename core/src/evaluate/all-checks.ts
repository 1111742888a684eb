import { briefChecks } from '../stages/brief';
import { withAcceptance, type Check } from '../checks';
import {
  cutChecks,
  toolChecks,
  tubeChecks,
  type CutChecksInput,
  type SchoolPlan,
  type TubeChecksInput,
} from '../stages/cut';
import { capacityChecks, conditionChecks, donorChecks, ratioChecks, slipChecks } from '../stages/donor';
import { hubsChecks, type HubsChecksInput } from '../stages/hubs';
import { matingChecks } from '../stages/mating';
import type { Figure } from '../measure';
import { EMPTY_PLAN, QUANTITIES, type Plan } from '../plan';
import { shaftChecks, strengthChecks, type ShaftChecksInput } from '../stages/shafts';
import { stanceChecks, type StanceChecksInput } from '../stages/stance';
import { angleChecks, levelChecks, surveyChecks } from '../stages/survey';
import { evidenceChecks } from './evidence-checks';
import { lacking, torqueNeeds } from './decisions';
import { pairTrouble } from './in-use';
import { slipInputs, type Of } from './inputs';
import { figureGroup, memoStage } from './memo';
import { readingChecks } from './reading-checks';
import type { Known, Results } from './results';
import { budgetCheck, dateCheck, daysOf, pricesOf } from './route-cost';
import { touched } from './stage-states';

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
  | 'ends'
  | 'stand'
  | 'learned'
  | 'perch'
  | 'inUse'
> & {
  readonly known: Readonly<Record<string, Known>>;
};

const idsWith = (start: string) => QUANTITIES.filter((q) => q.id.startsWith(start)).map((q) => q.id);
const CONDITION_IDS = idsWith('cond.');

/** What checks are made of, and the limits they are held to. */
type Held<I> = I & { readonly limits: Limits };

/** The checks of every stage, each with a memory of its last. */
function makeCheckers() {
  return {
    brief: memoStage((v: { brief: Results['brief']; limits: Limits }) => briefChecks(v.brief, v.limits)),
    level: memoStage((v: { level: Results['level']; figures: Figures; limits: Limits }) =>
      levelChecks(v.level, v.figures, v.limits),
    ),
    survey: memoStage((v: { survey: Results['survey']; limits: Limits }) => surveyChecks(v.survey, v.limits)),
    angles: memoStage((v: Pick<Results, 'angles'>) => angleChecks(v.angles)),
    condition: memoStage((v: { facts: Plan['facts']; figures: Figures; limits: Limits }) =>
      conditionChecks(v.facts, (id) => v.figures[id], v.limits),
    ),
    capacity: memoStage((v: { capacity: Results['judged']['capacity']; limits: Limits }) =>
      capacityChecks(v.capacity, v.limits),
    ),
    mating: memoStage((v: Pick<Results, 'mating'>) => matingChecks(v.mating)),
    stance: memoStage(({ limits, ...v }: Held<StanceChecksInput>) => stanceChecks(v, limits)),
    cut: memoStage(({ limits, ...v }: Held<CutChecksInput>) => cutChecks(v, limits)),
    shafts: memoStage(({ limits, ...v }: Held<ShaftChecksInput>) => shaftChecks(v, limits)),
    tubes: memoStage(({ limits, ...v }: Held<TubeChecksInput>) => tubeChecks(v, limits)),
    strength: memoStage((v: Held<{ strength: Results['strength']; planned: boolean }>) =>
      strengthChecks(v.strength, v.planned, v.limits),
    ),
    pair: memoStage((v: { school: Plan['choices']['school']; searches: Plan['searches'] }) =>
      pairTrouble({ choices: { ...EMPTY_PLAN.choices, school: v.school }, searches: v.searches }),
    ),
    tools: memoStage(toolChecks),
    typed: memoStage(
      (v: Readonly<Record<'holes' | 'pcd' | 'wheelHoles' | 'wheelPcd', Figure | undefined>>) => ({
        flange: { holes: v.holes, pcd: v.pcd },
        wheel: { holes: v.wheelHoles, pcd: v.wheelPcd },
        rotor: { holes: undefined, pcd: undefined },
      }),
    ),
    hubs: memoStage(({ limits, ...v }: Held<HubsChecksInput>) => hubsChecks(v, limits)),
  };
}
type Checkers = ReturnType<typeof makeCheckers>;

/**
 * Makes what gathers every check of every stage, with what was accepted. Checks of what did not change since the
 * last plan are not made again.
 */
export function createChecks() {
  const groups = {
    condition: figureGroup(CONDITION_IDS),
    level: figureGroup(idsWith('level.')),
    faces: figureGroup(idsWith('square.')),
  };
  const held = makeCheckers();
  return (
    plan: Plan,
    of: Of,
    parts: Parts,
    school: SchoolPlan | undefined,
    today: string | undefined,
  ): readonly Check[] => {
    const { limits, facts } = plan;
    const { brief, level, survey, angles, mating, judged, stance } = parts;
    const prices = pricesOf(plan, mating, of);
    const list = [
      ...readingChecks(plan, parts.known),
      ...held.brief({ brief, limits }),
      ...budgetCheck(prices, of('brief.budget')),
      ...dateCheck(plan, daysOf(mating, of), today),
      ...held.level({ level, figures: groups.level(of), limits }),
      ...held.survey({ survey, limits }),
      ...held.tools({ brief: plan.brief, choices: plan.choices, school }),
      ...held.angles({ angles }),
      ...donorChecks(parts.donor, limits),
      ...ratioChecks(judged.ratio, of('brief.axleRatio')),
      ...slipChecks(slipInputs(plan, of), judged.slip),
      ...held.condition({ facts, figures: groups.condition(of), limits }),
      ...held.capacity({ capacity: judged.capacity, limits }),
      ...held.mating({ mating }),
      ...evidenceChecks(plan),
      ...held.stance({ stance, spacer: plan.choices.spacer, spacerThick: of('spacer.thick'), facts, limits }),
      ...cutAndShafts(held, plan, of, groups.faces(of), parts, school),
    ];
    return list
      .filter((check) => isAsked(plan, check, school !== undefined))
      .map((check) => withAcceptance(named(plan, parts, check), plan.accepted[check.id]));
  };
}

/** What is not known is asked for once its stage is begun; before that there is nothing to be unknown. */
function isAsked(plan: Plan, { level, stage }: Check, planned: boolean): boolean {
  if (level !== 'unknown') return true;
  return touched(plan, stage) || (planned && (stage === 'cut' || stage === 'shafts'));
}

/** An unknown check names what is really missing, down to what can be read or chosen. */
function named(plan: Plan, parts: Parts, check: Check): Check {
  if (check.level !== 'unknown' || !check.lacks) return check;
  const lacks = check.lacks
    .filter((id) => !id.startsWith('joint.'))
    .flatMap((id) => (id === 'brief.demand' ? (parts.brief.demand ? [] : torqueNeeds(plan)) : [id]))
    .filter((id) => lacking(plan, parts, id));
  const unique = [...new Set(lacks)];
  const at = check.id.startsWith('joint.') ? undefined : lacks[0];
  const same = unique.length === check.lacks.length && unique.every((id, i) => id === check.lacks?.[i]);
  if (same && (at === undefined || at === check.at)) return check;
  return { ...check, lacks: unique, ...(at === undefined ? {} : { at }) };
}

function cutAndShafts(
  held: Checkers,
  plan: Plan,
  of: Of,
  faces: Figures,
  parts: Parts,
  school: SchoolPlan | undefined,
): readonly Check[] {
  const { limits, choices } = plan;
  const { marks, square, shafts, tubes, float, strength, ends, stand, learned } = parts;
  const { patterns, studs, brakes, lines } = parts.hubs;
  const pair = (id: string) => ({ left: of(`${id}.left`), right: of(`${id}.right`) });
  return [
    ...held.cut({
      plan: school,
      marks,
      square,
      method: choices.method,
      targetWidth: of('brief.targetWidth'),
      tube: pair('donor.tube'),
      ends,
      stand,
      learned,
      perch: parts.perch,
      faces,
      limits,
    }),
    ...held.shafts({
      shafts,
      retention: choices.retention,
      retentionTo: choices.retentionTo,
      route: choices.shaftRoute,
      use: plan.brief.use,
      splineMajor: parts.donor.spline?.major,
      pairTrouble: held.pair({ school: choices.school, searches: plan.searches }),
      body: pair('donor.shaftBody'),
      spline: pair('donor.shaftSpline'),
      length: pair('donor.shaft'),
      floatMin: of('donor.endFloatMin'),
      floatMax: of('donor.endFloatMax'),
      spareEnd:
        choices.retention === 'cClip' && choices.retentionTo !== 'cClip' ? of('convert.end') : undefined,
      received: pair('shaft.received'),
      limits,
    }),
    ...held.tubes({
      method: choices.method,
      to: choices.retentionTo,
      tubes,
      float,
      marks,
      items: plan.tubeItems,
      shortened: { left: school?.work.left === 'shorten', right: school?.work.right === 'shorten' },
      limits,
    }),
    ...held.strength({ strength, planned: school !== undefined, limits }),
    ...held.hubs({
      typed: held.typed({
        holes: of('donor.flangeHoles'),
        pcd: of('donor.flangePcd'),
        wheelHoles: of('car.wheelHoles'),
        wheelPcd: of('car.wheelPcd'),
      }),
      spacer: choices.spacer,
      patterns,
      route: choices.pattern,
      studs,
      brakes,
      lines,
      written: plan.lines,
      limits,
    }),
  ];
}

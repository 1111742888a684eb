import { briefChecks } from '../brief';
import { withAcceptance, type Check } from '../checks';
import { cutChecks, tubeChecks, type CutChecksInput, type SchoolPlan, type TubeChecksInput } from '../cut';
import { capacityChecks, conditionChecks, donorChecks, ratioChecks, slipChecks } from '../donor';
import { hubsChecks, type HubsChecksInput } from '../hub-ends';
import { matingChecks } from '../mating';
import type { Figure } from '../measure';
import { QUANTITIES, type Plan } from '../plan';
import { shaftChecks, strengthChecks, type ShaftChecksInput } from '../shafts';
import { stanceChecks, type StanceChecksInput } from '../stance';
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

/** What checks are made of, and the limits they are held to. */
type Held<I> = I & { readonly limits: Limits };

/** The checks of every stage, each with a memory of its last. */
function makeCheckers() {
  return {
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
    stance: memoStage(({ limits, ...v }: Held<StanceChecksInput>) => stanceChecks(v, limits)),
    cut: memoStage(({ limits, ...v }: Held<CutChecksInput>) => cutChecks(v, limits)),
    shafts: memoStage(({ limits, ...v }: Held<ShaftChecksInput>) => shaftChecks(v, limits)),
    tubes: memoStage(({ limits, ...v }: Held<TubeChecksInput>) => tubeChecks(v, limits)),
    strength: memoStage((v: Held<{ strength: Results['strength']; shear: number | undefined }>) =>
      strengthChecks(v.strength, v.shear, v.limits),
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
  const conditionFigures = figureGroup(CONDITION_IDS);
  const held = makeCheckers();
  return (plan: Plan, of: Of, parts: Parts, school: SchoolPlan | undefined): readonly Check[] => {
    const { limits, facts } = plan;
    const { brief, level, survey, angles, mating, judged, stance } = parts;
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
      ...held.stance({ stance, spacer: plan.choices.spacer, spacerThick: of('spacer.thick'), limits }),
      ...cutAndShafts(held, plan, of, parts, school),
    ];
    return list.map((check) => withAcceptance(check, plan.accepted[check.id]));
  };
}

function cutAndShafts(
  held: Checkers,
  plan: Plan,
  of: Of,
  parts: Parts,
  school: SchoolPlan | undefined,
): readonly Check[] {
  const { limits, choices } = plan;
  const { marks, square, shafts, tubes, float, strength } = parts;
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
      limits,
    }),
    ...held.shafts({
      shafts,
      retention: choices.retention,
      retentionTo: choices.retentionTo,
      route: choices.shaftRoute,
      use: plan.brief.use,
      splineMajor: parts.donor.spline?.major,
      body: pair('donor.shaftBody'),
      spline: pair('donor.shaftSpline'),
      length: pair('donor.shaft'),
      floatMin: of('donor.endFloatMin'),
      floatMax: of('donor.endFloatMax'),
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
      limits,
    }),
    ...held.strength({ strength, shear: shearYield(plan), limits }),
    ...held.hubs({ patterns, route: choices.pattern, studs, brakes, lines, written: plan.lines, limits }),
  ];
}

import type { BriefInput } from '../brief';
import { limitValue, type LimitId } from '../checks';
import { marksStage, type EndsResult, type SchoolPlan } from '../cut';
import { SHEAR_YIELD_MPA, type ShaftMaterial } from '../donor';
import type { MatingInput } from '../mating';
import { threadOf, type PatternInput } from '../hub-ends';
import { given, type Figure } from '../measure';
import { ANGLE_IDS, chosenPart, type PartSearch, type Plan } from '../plan';
import type { ShaftsInput } from '../shafts';
import type { Results } from './results';

/** Finds what is known of a quantity. */
export type Of = (id: string) => Figure | undefined;

export function briefInputs({ brief }: Plan, of: Of): BriefInput {
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

export function donorInputs(of: Of) {
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
export function flatMarks(plan: Plan, of: Of, school: SchoolPlan | undefined, ends: EndsResult) {
  return {
    plan: school,
    method: plan.choices.method,
    datum: plan.choices.datum,
    kerf: of('cut.kerf'),
    gap: of('cut.gap'),
    shrink: of('cut.shrink'),
    fromCasting: limitValue(plan.limits, 'cut.fromCasting'),
    fromHousingEnd: limitValue(plan.limits, 'cut.fromHousingEnd'),
    halfLeft: ends.half.left,
    halfRight: ends.half.right,
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

export function markInputs(v: ReturnType<typeof flatMarks>) {
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

export function shaftInputs(
  plan: Plan,
  of: Of,
  schools: Results['schools'],
  ends: EndsResult,
  pair: PairFigures,
): ShaftsInput {
  return {
    schools,
    chosen: plan.choices.school,
    route: plan.choices.shaftRoute,
    shaftLeft: ends.shaft.left,
    shaftRight: ends.shaft.right,
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
    pairLeft: pair.left,
    pairRight: pair.right,
    pairSplineLeft: pair.splineLeft,
    pairSplineRight: pair.splineRight,
    clip: plan.choices.retentionTo === 'cClip',
    receivedLeft: of('shaft.received.left'),
    receivedRight: of('shaft.received.right'),
  };
}

export function figuresById(ids: readonly string[], of: Of): Record<string, Figure | undefined> {
  const figures: Record<string, Figure | undefined> = {};
  for (const id of ids) figures[id] = of(id);
  return figures;
}

/** What each angle was zeroed on, by its id. */
export function zeroes({ readings }: Plan): Record<string, string | undefined> {
  const zeroedOn: Record<string, string | undefined> = {};
  for (const id of ANGLE_IDS) zeroedOn[id] = readings[id]?.zeroedOn;
  return zeroedOn;
}

export const matingInputs = (
  plan: Plan,
  figures: MatingInput['figures'],
  redrill: MatingInput['redrill'],
): MatingInput => ({
  figures,
  facts: plan.facts,
  notes: plan.joints,
  searches: plan.searches,
  buying: plan.choices.shaftRoute === 'buy',
  redrill,
});

export function ratioInputs({ facts }: Plan, of: Of) {
  const how = facts['ratio.how']?.value;
  return {
    ring: of('ratio.ring'),
    pinion: of('ratio.pinion'),
    wheelTurns: of('ratio.wheelTurns'),
    pinionTurns: of('ratio.pinionTurns'),
    how: how === 'both' || how === 'held' ? (how as 'both' | 'held') : undefined,
    planned: of('brief.axleRatio'),
  };
}

export const slipInputs = ({ facts, brief }: Plan, of: Of) => ({
  claim: facts['slip.claim'],
  look: facts['slip.look'],
  turn: facts['slip.turn'],
  torque: of('slip.torque'),
  wanted: brief.differential,
});

export const capacityInputs = (
  { facts }: Plan,
  of: Of,
  demand: Figure | undefined,
  minor: Figure | undefined,
) => ({
  demand,
  splineMinor: minor,
  bodyLeft: of('donor.shaftBody.left'),
  bodyRight: of('donor.shaftBody.right'),
  material: facts['donor.material']?.value as ShaftMaterial | undefined,
});

/** Lengths and splines of the pair that was chosen from stock. */
export interface PairFigures {
  readonly left: Figure | undefined;
  readonly right: Figure | undefined;
  readonly splineLeft: Figure | undefined;
  readonly splineRight: Figure | undefined;
}

/** A bought shaft is as long as its list says, within what shops hold, mm. */
const STOCK_U = 0.4 / Math.sqrt(3);

/** Figures of the chosen pair; the same objects while the searches stay the same. */
export function pairFigures(v: {
  readonly left: PartSearch | undefined;
  readonly right: PartSearch | undefined;
}): PairFigures {
  const make = (side: 'left' | 'right', key: 'length' | 'spline', label: string) => {
    const offer = chosenPart(v[side]);
    const size = offer?.size[key];
    if (!offer || size === undefined) return undefined;
    const u = key === 'length' ? STOCK_U : 0;
    return given(`pair.${key}.${side}`, `${label}, ${side}`, size, u, 'mm', `${offer.number}, ${offer.seller}`);
  };
  return {
    left: make('left', 'length', 'Stock shaft'),
    right: make('right', 'length', 'Stock shaft'),
    splineLeft: make('left', 'spline', 'Spline of the stock shaft'),
    splineRight: make('right', 'spline', 'Spline of the stock shaft'),
  };
}

export const endsInputs = ({ choices }: Plan, of: Of) => ({
  from: choices.retention,
  to: choices.retentionTo,
  halfLeft: of('donor.half.left'),
  halfRight: of('donor.half.right'),
  shaftLeft: of('donor.shaft.left'),
  shaftRight: of('donor.shaft.right'),
  spaceLeft: of('donor.brakeSpace.left'),
  spaceRight: of('donor.brakeSpace.right'),
  newSpace: of('convert.space'),
  floatShift: of('float.shift'),
});

type Figures = Readonly<Record<string, Figure | undefined>>;

export const stanceInputs = (plan: Plan, figures: Figures, width: Figure | undefined) => ({
  width,
  figures,
  facts: plan.facts,
  tyre: plan.choices.tyre,
  spacer: plan.choices.spacer,
  inboard: limitValue(plan.limits, 'stance.inboard'),
  spring: limitValue(plan.limits, 'stance.spring'),
  outboard: limitValue(plan.limits, 'stance.outboard'),
  radial: limitValue(plan.limits, 'stance.radial'),
});

/** Shear yield of the steel that is named; undefined while none is. */
export function shearYield({ facts }: Plan): number | undefined {
  const material = facts['donor.material']?.value as ShaftMaterial | undefined;
  return material && SHEAR_YIELD_MPA[material];
}

export const strengthInputs = (
  plan: Plan,
  of: Of,
  v: {
    readonly shafts: Results['shafts'];
    readonly school: SchoolPlan | undefined;
    readonly demand: Figure | undefined;
    readonly minor: Figure | undefined;
    readonly ends: EndsResult;
    readonly et: Figure | undefined;
  },
) => ({
  shafts: v.shafts,
  school: v.school,
  material: plan.facts['donor.material']?.value as ShaftMaterial | undefined,
  to: plan.choices.retentionTo,
  demand: v.demand,
  splineMinor: v.minor,
  bodyLeft: of('donor.shaftBody.left'),
  bodyRight: of('donor.shaftBody.right'),
  newBody: of('shaft.body'),
  teeth: of('donor.splineTeeth'),
  pitch: of('donor.splinePitch'),
  gearSpline: of('donor.sideGearSpline'),
  journal: of('new.journal') ?? of('donor.journal'),
  rearAxle: of('brief.rear'),
  tyreDiameter: of('brief.tyreDiameter'),
  corner: of('shaft.corner'),
  spaceLeft: v.ends.space.left,
  spaceRight: v.ends.space.right,
  seat: of('shaft.bearing'),
  et: v.et,
});

const threadName = ({ facts }: Plan): string =>
  facts['new.studThread']?.value ?? facts['donor.studThread']?.value ?? '';

/** Inputs of the patterns one level deep; the stage takes them together again. */
export const flatPatterns = (plan: Plan, figures: Figures) => {
  const limit = (id: LimitId) => limitValue(plan.limits, id);
  return {
    patterns: plan.patterns,
    keepOuts: plan.keepOuts,
    jig: plan.choices.jig,
    agree: limit('pattern.agree'),
    ligament: limit('pattern.ligament'),
    ligamentShare: limit('pattern.ligamentShare'),
    edgeShare: limit('pattern.rim'),
    figures,
    stud: threadOf(plan.facts['donor.studThread']?.value ?? '')?.diameter,
  };
};

export const patternInputs = (v: ReturnType<typeof flatPatterns>): PatternInput => ({
  ...v,
  limits: { agree: v.agree, ligament: v.ligament, ligamentShare: v.ligamentShare, edgeShare: v.edgeShare },
});

export const studInputs = (plan: Plan, of: Of, demand: Figure | undefined) => ({
  thread: threadName(plan),
  frontThread: plan.facts['car.studThread']?.value ?? '',
  seat: plan.facts['new.seat']?.value ?? '',
  wheelSeat: plan.facts['car.seat']?.value ?? '',
  spacer: plan.choices.spacer,
  length: of('stud.length'),
  hat: of('stud.hat'),
  pad: of('stud.pad'),
  nut: of('stud.nut'),
  knurl: of('stud.knurl'),
  hole: of('redrill.hole') ?? of('donor.flangeHole'),
  torque: of('stud.torque'),
  spacerThick: of('spacer.thick'),
  studs: of('car.wheelHoles') ?? of('donor.flangeHoles'),
  pcd: of('car.wheelPcd') ?? of('donor.flangePcd'),
  demand,
});

export const brakeInputs = (of: Of, ends: EndsResult) => ({
  spaceLeft: ends.space.left,
  spaceRight: ends.space.right,
  diameter: of('rotor.diameter'),
  offset: of('rotor.offset'),
  caliper: of('caliper.middle'),
  pad: of('pad.height'),
  rimInside: of('rim.inside'),
  hoseReach: of('car.hoseReach'),
  hoseDroop: of('hose.droop'),
});

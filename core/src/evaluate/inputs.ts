import type { BriefInput } from '../brief';
import { limitValue } from '../checks';
import { marksStage, type SchoolPlan } from '../cut';
import type { ShaftMaterial } from '../donor';
import type { MatingInput } from '../mating';
import type { Figure } from '../measure';
import { ANGLE_IDS, type Plan } from '../plan';
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
export function flatMarks(plan: Plan, of: Of, school: SchoolPlan | undefined) {
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

export function shaftInputs(plan: Plan, of: Of, schools: Results['schools']): ShaftsInput {
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

export const matingInputs = (plan: Plan, figures: MatingInput['figures']): MatingInput => ({
  figures,
  facts: plan.facts,
  notes: plan.joints,
  searches: plan.searches,
  buying: plan.choices.shaftRoute === 'buy',
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

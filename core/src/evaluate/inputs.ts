import type { BriefInput } from '../stages/brief';
import { limitValue, type LimitId } from '../checks';
import {
  marksStage,
  shrinkOf,
  type EndsResult,
  type SchoolPlan,
  type StandInput,
  type StandResult,
} from '../stages/cut';
import type { ShaftMaterial, Steel } from '../stages/donor';
import { bySide, type Sided } from '../geometry';
import { threadOf, type PatternInput } from '../stages/hubs';
import type { MatingInput } from '../stages/mating';
import { derive, type Figure } from '../measure';
import { ANGLE_IDS, type Plan } from '../plan';
import { strengthStage, type ShaftsInput } from '../stages/shafts';
import { stockTaken, takenNumbers, type InUse, type PairFigures } from './in-use';
import type { Results } from './results';

/** Finds what is known of a quantity. */
export type Of = (id: string) => Figure | undefined;

export function briefInputs({ brief, choices }: Plan, of: Of, track: Figure | undefined): BriefInput {
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
    hop: of('brief.hop'),
    reaction: choices.reaction,
    track,
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

/** What one butt of each side pulls: as planned once its side is begun, as learned from other welds before that. */
export const shrinks = (of: Of): Sided<Figure | undefined> =>
  bySide((side) =>
    shrinkOf(of('cut.shrink'), of('cut.pull'), !!(of(`after.tacked.${side}`) ?? of(`after.welded.${side}`))),
  );

/** Inputs of the marks one level deep, so that the stage can tell by identity what changed. */
export function flatMarks(
  plan: Plan,
  of: Of,
  school: SchoolPlan | undefined,
  ends: EndsResult,
  piece: Sided<Figure | undefined>,
) {
  const shrink = shrinks(of);
  return {
    plan: school,
    method: plan.choices.method,
    datum: plan.choices.datum,
    kerf: of('cut.kerf'),
    gap: of('cut.gap'),
    insert: of('tube.insert'),
    shrinkLeft: shrink.left,
    shrinkRight: shrink.right,
    pieceLeft: piece.left,
    pieceRight: piece.right,
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
    left: {
      half: v.halfLeft,
      casting: v.castingLeft,
      tube: v.tubeLeft,
      mark: v.markLeft,
      endPiece: v.endLeft,
      shrink: v.shrinkLeft,
      piece: v.pieceLeft,
    },
    right: {
      half: v.halfRight,
      casting: v.castingRight,
      tube: v.tubeRight,
      mark: v.markRight,
      endPiece: v.endRight,
      shrink: v.shrinkRight,
      piece: v.pieceRight,
    },
  });
}

/** What the axle stands by, side by side. */
export function standInputs(
  plan: Plan,
  of: Of,
  v: {
    readonly school: SchoolPlan | undefined;
    readonly ends: EndsResult;
    readonly expected: Sided<Figure | undefined>;
    readonly running: Sided<Figure | undefined>;
    readonly received: Sided<boolean>;
  },
): StandInput {
  const pair = (id: string) => bySide((side) => of(`${id}.${side}`));
  return {
    plan: v.school,
    clip: plan.choices.retentionTo === 'cClip',
    half: v.ends.half,
    shaft: v.ends.shaft,
    space: v.ends.space,
    tube: pair('donor.tube'),
    expected: v.expected,
    tacked: pair('after.tacked'),
    welded: pair('after.welded'),
    shrink: shrinks(of),
    running: v.running,
    received: v.received,
  };
}

/** What shafts rest on before anything was measured after the work. */
export function needInputs(
  plan: Plan,
  of: Of,
  schools: Results['schools'],
  ends: EndsResult,
  pair: PairFigures,
) {
  return {
    schools,
    chosen: plan.choices.school,
    route: plan.choices.shaftRoute,
    shaftLeft: ends.shaft.left,
    shaftRight: ends.shaft.right,
    halfLeft: ends.half.left,
    halfRight: ends.half.right,
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
    made: of('shaft.made'),
    pairLeft: pair.left,
    pairRight: pair.right,
    pairSplineLeft: pair.splineLeft,
    pairSplineRight: pair.splineRight,
    clip: plan.choices.retentionTo === 'cClip',
    receivedLeft: of('shaft.received.left'),
    receivedRight: of('shaft.received.right'),
    standLeft: undefined,
    standRight: undefined,
    workedLeft: false,
    workedRight: false,
  };
}

/** The same with the axle as it stands by now. */
export const shaftInputs = (needs: ReturnType<typeof needInputs>, stand: StandResult): ShaftsInput => ({
  ...needs,
  standLeft: stand.half.left,
  standRight: stand.half.right,
  workedLeft: stand.tube.left !== undefined,
  workedRight: stand.tube.right !== undefined,
});

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
  buying: plan.choices.shaftRoute === 'buy' && !stockTaken(plan),
  journalUnder: limitValue(plan.limits, 'cond.journal'),
  taken: takenNumbers(plan),
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

const materialOf = ({ facts }: Plan) => facts['donor.material']?.value as ShaftMaterial | undefined;

/** Strength of the steel that is named, or as its maker says. */
export const steelInputs = (plan: Plan, of: Of) => ({
  material: materialOf(plan),
  yield: of('shaft.yield'),
  tensile: of('shaft.tensile'),
});

export const capacityInputs = (
  of: Of,
  v: {
    readonly demand: Figure | undefined;
    readonly minor: Figure | undefined;
    readonly shearYield: Figure | undefined;
  },
) => ({
  demand: v.demand,
  splineMinor: v.minor,
  bodyLeft: of('donor.shaftBody.left'),
  bodyRight: of('donor.shaftBody.right'),
  shearYield: v.shearYield,
});

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

export const stanceInputs = (
  plan: Plan,
  figures: Figures,
  width: Figure | undefined,
  camber: Sided<Figure | undefined>,
) => ({
  width,
  figures,
  facts: plan.facts,
  tyre: plan.choices.tyre,
  spacer: plan.choices.spacer,
  camberLeft: camber.left,
  camberRight: camber.right,
  inboard: limitValue(plan.limits, 'stance.inboard'),
  spring: limitValue(plan.limits, 'stance.spring'),
  outboard: limitValue(plan.limits, 'stance.outboard'),
  radial: limitValue(plan.limits, 'stance.radial'),
});

/** Camber that the wheels stand at: built into full-float ends, and left by the cut where that was read. */
export function camberOf(v: {
  readonly float: boolean;
  readonly builtLeft: Figure | undefined;
  readonly builtRight: Figure | undefined;
  readonly cutLeft: Figure | undefined;
  readonly cutRight: Figure | undefined;
}): Sided<Figure | undefined> {
  return bySide((side) => {
    const [own, cut] = side === 'left' ? [v.builtLeft, v.cutLeft] : [v.builtRight, v.cutRight];
    const built = v.float ? own : undefined;
    if (!built || !cut) return built ?? cut;
    return derive({
      id: `stance.camber.${side}`,
      label: `Camber the wheel stands at, ${side}`,
      unit: 'rad',
      formula: '{γ_b} + {γ_c}',
      source: 'What is built into the end, and what the cut left',
      inputs: { γ_b: built, γ_c: cut },
    });
  });
}

export const strengthInputs = (
  plan: Plan,
  of: Of,
  v: {
    readonly shafts: Results['shafts'];
    readonly school: SchoolPlan | undefined;
    readonly demand: Figure | undefined;
    readonly steel: Steel;
    readonly space: Sided<Figure | undefined>;
    readonly et: Figure | undefined;
    readonly track: Figure | undefined;
    readonly inUse: InUse;
  },
) => {
  const body = bySide((side) => of(`donor.shaftBody.${side}`));
  const [teeth, pitch, journal] = [of('donor.splineTeeth'), of('donor.splinePitch'), of('donor.journal')];
  const newBody = of('shaft.body');
  const stockBody = v.inUse['shaft.body'];
  return {
    shafts: v.shafts,
    school: v.school,
    shearYield: v.steel.yield,
    tensile: v.steel.tensile,
    to: plan.choices.retentionTo,
    demand: v.demand,
    ownTeeth: teeth,
    ownPitch: pitch,
    ownBody: body,
    ownJournal: journal,
    orderedTeeth: of('new.teeth') ?? teeth,
    orderedPitch: of('new.pitch') ?? pitch,
    orderedBody: { left: newBody, right: newBody },
    orderedJournal: of('new.journal') ?? journal,
    stockTeeth: v.inUse['new.teeth'],
    stockPitch: v.inUse['new.pitch'],
    stockBody: { left: stockBody, right: stockBody },
    stockJournal: v.inUse['new.journal'],
    rearAxle: of('brief.rear'),
    tyreDiameter: of('brief.tyreDiameter'),
    cgHeight: of('brief.cgHeight'),
    corner: of('shaft.corner'),
    track: v.track,
    spaceLeft: v.space.left,
    spaceRight: v.space.right,
    seat: of('shaft.bearing'),
    et: v.et,
  };
};

/** Strength from its inputs one level deep. */
export function strengthOf(v: ReturnType<typeof strengthInputs>) {
  return strengthStage({
    ...v,
    steel: { yield: v.shearYield, tensile: v.tensile },
    own: { teeth: v.ownTeeth, pitch: v.ownPitch, body: v.ownBody, journal: v.ownJournal },
    ordered: {
      teeth: v.orderedTeeth,
      pitch: v.orderedPitch,
      body: v.orderedBody,
      journal: v.orderedJournal,
    },
    stock: { teeth: v.stockTeeth, pitch: v.stockPitch, body: v.stockBody, journal: v.stockJournal },
  });
}

/** Thread of the studs that will be used; that of a stock shaft’s flange is not the donor’s. */
const threadName = (plan: Plan): string =>
  plan.facts['new.studThread']?.value ?? (stockTaken(plan) ? '' : plan.facts['donor.studThread']?.value) ?? '';

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
    stud: threadOf(stockTaken(plan) ? '' : (plan.facts['donor.studThread']?.value ?? ''))?.diameter,
  };
};

export const patternInputs = (v: ReturnType<typeof flatPatterns>): PatternInput => ({
  ...v,
  limits: { agree: v.agree, ligament: v.ligament, ligamentShare: v.ligamentShare, edgeShare: v.edgeShare },
});

export const studInputs = (plan: Plan, of: Of, demand: Figure | undefined) => ({
  thread: threadName(plan),
  frontThread: plan.facts['car.studThread']?.value ?? '',
  studClass: plan.facts['new.studClass']?.value ?? '',
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
  adapterFloor: of('adapter.floor'),
  adapterNut: of('adapter.nut'),
  adapterStud: of('adapter.stud'),
  studs: of('car.wheelHoles') ?? of('donor.flangeHoles'),
  pcd: of('car.wheelPcd') ?? of('donor.flangePcd'),
  flangeStuds: of('donor.flangeHoles'),
  flangePcd: of('donor.flangePcd'),
  demand,
});

export const brakeInputs = (of: Of, space: Sided<Figure | undefined>) => ({
  spaceLeft: space.left,
  spaceRight: space.right,
  diameter: of('rotor.diameter'),
  offset: of('rotor.offset'),
  caliper: of('caliper.middle'),
  pad: of('pad.height'),
  rimInside: of('rim.inside'),
  hoseReach: of('car.hoseReach'),
  hoseDroop: of('hose.droop'),
});

import { type PlaceId, unless } from '../../stage';
import { bySide, type Side, type Sided } from '../../geometry';
import { derive, given, renamed, type Figure, type Maybe } from '../../measure';
import type { EndsResult } from './ends-stage';
import { SCHOOLS, type School } from './choices';

export interface SchoolsInput {
  readonly halfLeft: Maybe;
  readonly halfRight: Maybe;
  readonly targetWidth: Maybe;
  /** Where the driveline wants the pinion, if said. */
  readonly pinionWanted: Maybe;
  /** Gearbox output from the centreline; used where no place is said. */
  readonly gearbox: Maybe;
  /** Middle of the axle from the centreline, where it is set off on purpose. */
  readonly offCentre: Maybe;
  /** Quantities without which half and shaft of a side are not known. */
  readonly lacks: EndsResult['lacks'];
  /** Shafts in the donor now, and the pair that was chosen from stock. */
  readonly shaftLeft: Maybe;
  readonly shaftRight: Maybe;
  readonly pairLeft: Maybe;
  readonly pairRight: Maybe;
}

/** What a side asks for: less tube, none, or more than there is. */
export type SideWork = 'shorten' | 'leave' | 'widen';

/** One way to cut. */
export interface SchoolPlan {
  readonly school: School;
  readonly width: Figure;
  readonly pinion: Figure;
  readonly half: Sided<Figure>;
  readonly cut: Sided<Figure>;
  readonly work: Sided<SideWork>;
}

/** A way to cut that cannot be worked out yet, and what it lacks (quantity ids). */
export interface SchoolGap {
  readonly school: School;
  readonly lacks: readonly PlaceId[];
}

export type SchoolResult = SchoolPlan | SchoolGap;
export const isPlanned = (s: SchoolResult): s is SchoolPlan => 'width' in s;

/** Cuts smaller than this, either way, are no cut. Absolute, mm. */
export const NO_CUT = 0.05;

/** All ways to cut, side by side. */
export function schoolsStage(input: SchoolsInput): readonly SchoolResult[] {
  return SCHOOLS.map((school) => {
    const lacks = lackedBy(school, input);
    return lacks.length ? { school, lacks } : planOne(school, input);
  });
}

function lackedBy(school: School, input: SchoolsInput): PlaceId[] {
  const { lacks: of } = input;
  const halves: readonly PlaceId[] = [...of.left.half, ...of.right.half];
  if (school === 'stockShafts') {
    const pair = unless(input.pairLeft && input.pairRight, 'shaft.pair');
    return [...new Set([...halves, ...of.left.shaft, ...of.right.shaft, ...pair])];
  }
  const lacks = [...new Set(halves)];
  if (school !== 'shortShaft' && !input.targetWidth) lacks.push('brief.targetWidth');
  if (school === 'driveline' && !input.pinionWanted && !input.gearbox) lacks.push('cut.pinion');
  return lacks;
}

/** Halves follow from the shafts that can be bought, width and pinion from the halves. */
function planStock(input: SchoolsInput): SchoolPlan {
  const school = 'stockShafts';
  const own = { left: input.halfLeft as Figure, right: input.halfRight as Figure };
  const shaft = { left: input.shaftLeft as Figure, right: input.shaftRight as Figure };
  const pair = { left: input.pairLeft as Figure, right: input.pairRight as Figure };
  const half = bySide((side) =>
    derive({
      id: `${school}.half.${side}`,
      label: `New half, ${side}`,
      unit: 'mm',
      formula: '{H} + {L_stock} − {L}',
      source: 'Brake space and seat stay, so the half follows the shaft',
      inputs: { H: own[side], L_stock: pair[side], L: shaft[side] },
    }),
  );
  const width = derive({
    id: `${school}.width`,
    label: 'WMS width',
    unit: 'mm',
    formula: '{H_L} + {H_R}',
    source: 'Both halves as the shafts make them',
    inputs: { H_L: half.left, H_R: half.right },
  });
  const pinion = derive({
    id: `${school}.pinion`,
    label: 'Pinion from middle',
    unit: 'mm',
    formula: '({H_R} − {H_L})/2',
    source: 'Middle of the new width against the pinion axis',
    inputs: { H_L: half.left, H_R: half.right },
  });
  const cut = bySide((side) => cutOf(school, side, own[side], half[side]));
  return { school, width, pinion, half, cut, work: bySide((side) => workOf(cut[side].value)) };
}

function planOne(school: School, input: SchoolsInput): SchoolPlan {
  if (school === 'stockShafts') return planStock(input);
  const H_L = input.halfLeft as Figure;
  const H_R = input.halfRight as Figure;
  const width = widthOf(school, H_L, H_R, input.targetWidth);
  const pinion = pinionOf(school, H_L, H_R, input);
  const half = bySide((side) => halfOf(school, side, width, pinion));
  const cut = bySide((side) => cutOf(school, side, side === 'left' ? H_L : H_R, half[side]));
  const work = bySide((side) => workOf(cut[side].value));
  return { school, width, pinion, half, cut, work };
}

const workOf = (cut: number): SideWork => (cut > NO_CUT ? 'shorten' : cut < -NO_CUT ? 'widen' : 'leave');

function widthOf(school: School, H_L: Figure, H_R: Figure, target: Maybe): Figure {
  const id = `${school}.width`;
  const label = 'WMS width';
  if (school === 'shortShaft') {
    const source = 'Only the long side is cut; the width follows from the short half';
    return derive({ id, label, unit: 'mm', formula: '2·min({H_L}, {H_R})', source, inputs: { H_L, H_R } });
  }
  const W = target as Figure;
  return derive({ id, label, unit: 'mm', formula: '{W}', source: 'Target width', inputs: { W } });
}

function pinionOf(school: School, H_L: Figure, H_R: Figure, input: SchoolsInput): Figure {
  const id = `${school}.pinion`;
  const label = 'Pinion from middle';
  if (school === 'keepOffset') {
    const source = 'Both sides cut alike, so the offset stays';
    return derive({ id, label, unit: 'mm', formula: '({H_R} − {H_L})/2', source, inputs: { H_L, H_R } });
  }
  if (school === 'driveline') return drivelinePinion(id, label, input);
  return given(id, label, 0, 0, 'mm', 'This way puts the pinion in the middle');
}

/** A place that was said counts from the middle of the width; the gearbox is read from the car’s centreline. */
function drivelinePinion(
  id: string,
  label: string,
  { pinionWanted, gearbox, offCentre }: SchoolsInput,
): Figure {
  if (pinionWanted) return renamed(pinionWanted, id, label, 'Chosen place, from the middle of the WMS width');
  const g = gearbox as Figure;
  if (!offCentre)
    return renamed(g, id, label, 'In line with the gearbox output; the axle stands in the middle');
  return derive({
    id,
    label,
    unit: 'mm',
    formula: '{g} − {o}',
    source: 'Gearbox output from the centreline, less how far the axle’s middle is set off it',
    inputs: { g, o: offCentre },
  });
}

function halfOf(school: School, side: Side, W: Figure, y_p: Figure): Figure {
  const formula = side === 'left' ? '{W}/2 − {y_p}' : '{W}/2 + {y_p}';
  return derive({
    id: `${school}.half.${side}`,
    label: `New half, ${side}`,
    unit: 'mm',
    formula,
    source: 'Pinion axis to WMS after the cut',
    inputs: { W, y_p },
  });
}

function cutOf(school: School, side: Side, H: Figure, H_new: Figure): Figure {
  return derive({
    id: `${school}.cut.${side}`,
    label: `Cut, ${side}`,
    unit: 'mm',
    formula: '{H} − {H_new}',
    source: 'Donor half less new half',
    inputs: { H, H_new },
  });
}

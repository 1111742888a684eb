import { bySide, otherSide, SIDES, type Side, type Sided } from '../../geometry';
import { asMade, derive, type Figure, type Maybe } from '../../measure';
import { isPlanned, type SchoolPlan } from '../cut/school-stage';
import type { School } from '../cut/choices';
import {
  type ShaftsInput,
  type ShaftsResult,
  type ShaftNeed,
  type ShaftSource,
  type ShaftFit,
  BOUGHT_SHAFTS,
} from './shafts-result';

/** Shafts that every way to cut asks for. */
export function shaftNeeds(input: ShaftsInput): ShaftsResult['bySchool'] {
  const all: Partial<Record<School, Sided<ShaftNeed | undefined>>> = {};
  for (const plan of input.schools)
    if (isPlanned(plan)) all[plan.school] = bySide((side) => needOf(input, plan, side));
  return all;
}

/** Shafts for every way to cut, and how those of the chosen way sit. */
export function shaftsStage(input: ShaftsInput): ShaftsResult {
  const all = shaftNeeds(input);
  const plan = input.schools.find((s) => s.school === input.chosen);
  const needs = all[input.chosen] ?? { left: undefined, right: undefined };
  const fit = bySide((side) => fitOf(input, plan && isPlanned(plan) ? plan : undefined, needs[side], side));
  return { bySchool: all, needs, fit };
}

const shaftOf = (input: ShaftsInput, side: Side): Maybe =>
  side === 'left' ? input.shaftLeft : input.shaftRight;

function needOf(input: ShaftsInput, plan: SchoolPlan, side: Side): ShaftNeed | undefined {
  const L = shaftOf(input, side);
  // What a tube read after the work does to its shaft follows from what holds that.
  const worked = side === 'left' ? input.workedLeft : input.workedRight;
  if (!L || (worked && input.clip === undefined)) return undefined;
  const needed = neededOf(input, plan, side, L);
  return { needed, ...fitted(input, plan, side, L, needed) };
}

function neededOf(input: ShaftsInput, plan: SchoolPlan, side: Side, L: Figure): Figure {
  const base = {
    id: `${plan.school}.shaft.${side}`,
    label: `Shaft length needed, ${side}`,
    unit: 'mm' as const,
  };
  const [H, now, worked] =
    side === 'left'
      ? [input.halfLeft, input.standLeft, input.workedLeft]
      : [input.halfRight, input.standRight, input.workedRight];
  // A clip sets the wheel by the shaft alone; the housing that was welded moves only the brake.
  if (worked && !input.clip && plan.school === input.chosen && H && now)
    return derive({
      formula: '{L} + {H_now} − {H}',
      source: 'Old length, and what the half as measured after the work is longer or shorter',
      inputs: { L, H_now: now, H },
      ...base,
    });
  return derive({
    formula: '{L} − {c}',
    source: 'Old length less the cut: brake space and seat stay',
    inputs: { L, c: plan.cut[side] },
    ...base,
  });
}

function fitted(input: ShaftsInput, plan: SchoolPlan, side: Side, own: Figure, needed: Figure) {
  const base = { id: `${plan.school}.fitted.${side}`, label: `Shaft length, ${side}`, unit: 'mm' as const };
  const pair = side === 'left' ? input.pairLeft : input.pairRight;
  if (plan.school === 'stockShafts' && pair)
    return {
      source: 'stockPair' as const,
      fitted: derive({
        formula: '{L_stock}',
        source: 'The shaft that can be bought, as it is',
        inputs: { L_stock: pair },
        ...base,
      }),
    };
  return fittedAlone(input, plan, side, own, needed);
}

function fittedAlone(input: ShaftsInput, plan: SchoolPlan, side: Side, own: Figure, needed: Figure) {
  const base = { id: `${plan.school}.fitted.${side}`, label: `Shaft length, ${side}`, unit: 'mm' as const };
  const work = plan.work[side];
  if (work === 'leave')
    return {
      source: 'own' as const,
      fitted: derive({ formula: '{L}', source: 'The donor’s own shaft stays', inputs: { L: own }, ...base }),
    };
  const short = shaftOf(input, otherSide(side));
  if (plan.school === 'shortShaft' && short)
    return {
      source: 'stockShort' as const,
      fitted: derive({
        formula: '{L_short}',
        source: 'A second stock short shaft, as long as the other side’s',
        inputs: { L_short: short },
        ...base,
      }),
    };
  const source: ShaftSource = work === 'widen' ? 'other' : input.route === 'shorten' ? 'shortened' : 'new';
  const step = input.step;
  if (!step || step.value === 0)
    return {
      source,
      fitted: derive({
        formula: '{L_new}',
        source: 'Length needed, not rounded',
        inputs: { L_new: needed },
        ...base,
      }),
    };
  return {
    source,
    fitted: derive({
      formula: 'round({L_new}/{q})·{q}',
      source: 'Length needed, rounded to the step the shaft maker works to',
      inputs: { L_new: needed, q: step },
      ...base,
    }),
  };
}

function fitOf(
  input: ShaftsInput,
  plan: SchoolPlan | undefined,
  need: ShaftNeed | undefined,
  side: Side,
): ShaftFit {
  const none = {
    engagedMin: undefined,
    engagedMax: undefined,
    share: undefined,
    gap: undefined,
    spline: undefined,
  };
  const H_now = (side === 'left' ? input.standLeft : input.standRight) ?? plan?.half[side];
  if (!plan || !need || !H_now || input.clip === undefined) return none;
  const end = endOf(input, need, H_now, side);
  return {
    gap: gapOf(input, end, side),
    spline: splineOf(input, need, side),
    ...engaged(input, need, end, side),
  };
}

/** Inner end of the shaft from the pinion axis, mm. */
function endOf(input: ShaftsInput, need: ShaftNeed, H_now: Figure, side: Side): Figure {
  const base = { id: `shaft.end.${side}`, label: `Shaft’s inner end, ${side}`, unit: 'mm' as const };
  const [H, L] = side === 'left' ? [input.halfLeft, input.shaftLeft] : [input.halfRight, input.shaftRight];
  if (input.clip && H && L)
    return derive({
      formula: '{H} − {L}',
      source: 'From the pinion axis: the clip stays where the donor had it, whatever the shaft’s length',
      inputs: { H, L },
      ...base,
    });
  return derive({
    formula: '{H_now} − {L}',
    source: 'From the pinion axis, shaft pushed fully home',
    inputs: { H_now, L: runningShaft(input, need, side) },
    ...base,
  });
}

/** Standard uncertainty of a shaft that is cut and splined again by hand, mm. */
const SHORTENED_U = 0.25 / Math.sqrt(3);

/**
 * The shaft that will run: what arrived as it was measured, what is ordered as its maker holds it, else the shaft that
 * is there. Under a clip what arrived moves the wheel, not the inner end, so it stands in the half already.
 */
export function runningShaft(
  input: Pick<ShaftsInput, 'receivedLeft' | 'receivedRight' | 'made'>,
  { source, fitted }: ShaftNeed,
  side: Side,
): Figure {
  const came = side === 'left' ? input.receivedLeft : input.receivedRight;
  if (came && BOUGHT_SHAFTS.includes(source)) return came;
  if (source === 'own' || source === 'stockShort' || source === 'stockPair') return fitted;
  const u = source === 'shortened' ? SHORTENED_U : (input.made?.value ?? 0) / Math.sqrt(3);
  return asMade(fitted, {
    id: `shaft.asMade.${side}`,
    label: `Shaft as made, ${side}`,
    u,
    source: source === 'shortened' ? 'Shortened by hand' : 'As ordered, as its maker holds it',
    ...(source !== 'shortened' && input.made ? { by: input.made } : {}),
  });
}

/** Spline length of the shaft that is fitted: bought ones as ordered, else the donor's. */
export function splineOf(input: ShaftsInput, need: ShaftNeed, side: Side): Maybe {
  const own = side === 'left' ? input.splineLeft : input.splineRight;
  if (need.source === 'own') return own;
  if (need.source === 'stockPair') return side === 'left' ? input.pairSplineLeft : input.pairSplineRight;
  if (need.source === 'stockShort') return side === 'left' ? input.splineRight : input.splineLeft;
  return input.newSpline ?? own;
}

function engaged(input: ShaftsInput, need: ShaftNeed, p: Figure, side: Side) {
  const l = splineOf(input, need, side);
  const y_g = side === 'left' ? input.gearLeft : input.gearRight;
  const l_g = input.gearSpline;
  if (!l || !y_g || !l_g || !input.floatMin || !input.floatMax)
    return { engagedMin: undefined, engagedMax: undefined, share: undefined };
  const at = (name: string, label: string, e: Figure) =>
    derive({
      id: `engaged.${name}.${side}`,
      label: `${label}, ${side}`,
      unit: 'mm',
      formula: 'max(0, min({p} + {e} + {l}, {y_g} + {l_g}) − max({p} + {e}, {y_g}))',
      source: 'Overlap of the shaft’s and the side gear’s full-depth splines',
      inputs: { p, e, l, y_g, l_g },
    });
  const engagedMin = at('in', 'Engaged, shaft fully home', input.floatMin);
  const engagedMax = at('out', 'Engaged, shaft fully out', input.floatMax);
  const share = derive({
    id: `engaged.share.${side}`,
    label: `Share of the side gear engaged, ${side}`,
    unit: 'ratio',
    formula: 'min({l_in}, {l_out})/{l_g}',
    source: 'The lesser engagement over the side gear’s spline length',
    inputs: { l_in: engagedMin, l_out: engagedMax, l_g },
  });
  return { engagedMin, engagedMax, share };
}

function gapOf({ crossShaft: d }: ShaftsInput, p: Figure, side: Side): Maybe {
  if (!d) return undefined;
  return derive({
    id: `shaft.gap.${side}`,
    label: `Gap to the cross shaft, ${side}`,
    unit: 'mm',
    formula: '{p} − {d}/2',
    source: 'Inner end to the cross shaft’s side, shaft fully home: no end-float added',
    inputs: { p, d },
  });
}

/** What has to be bought, in words: `2 shafts`, `1 short shaft`, `nothing`. */
export function toBuy(needs: Sided<ShaftNeed | undefined> | undefined, plan: SchoolPlan): string {
  const sources = SIDES.map((side) => needs?.[side]?.source ?? guess(plan, side));
  const count = (s: ShaftSource) => sources.filter((x) => x === s).length;
  const parts = [
    counted(count('new'), 'shaft'),
    counted(count('stockShort'), 'short shaft'),
    counted(count('stockPair'), 'stock shaft'),
    counted(count('other'), 'tube and shaft', 'tubes and shafts'),
  ].filter(Boolean);
  if (parts.length) return parts.join(', ');
  return count('shortened') ? 'spline work' : 'nothing';
}

function guess(plan: SchoolPlan, side: Side): ShaftSource {
  if (plan.school === 'stockShafts') return 'stockPair';
  if (plan.work[side] === 'widen') return 'other';
  if (plan.work[side] === 'leave') return 'own';
  return plan.school === 'shortShaft' ? 'stockShort' : 'new';
}

const counted = (n: number, one: string, many = `${one}s`): string =>
  n === 0 ? '' : `${n} ${n === 1 ? one : many}`;

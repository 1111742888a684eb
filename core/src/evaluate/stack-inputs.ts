import { limitValue } from '../checks';
import { isPlanned } from '../cut';
import type { Side } from '../geometry';
import { standardUncertainty, type Figure } from '../measure';
import type { Plan } from '../plan';
import {
  BOUGHT_SHAFTS,
  STACK_KEYS,
  type ShaftSource,
  type StackKey,
  type StackLimits,
  type StackPart,
  type StackSide,
} from '../shafts';
import { tightest } from '../stance';
import type { Results } from './results';

type Maybe = Figure | undefined;
type Parts = Partial<Record<StackKey, StackPart>>;

/** Two rule-set marks: standard uncertainty, mm. */
const SCRIBE_U = (0.25 / Math.sqrt(3)) * Math.SQRT2;
/** Shims are had in steps of this, mm. */
const SHIM_STEP = 0.5;

/** A figure as a part: the reading it is, or what it is called. */
const of = (figure: Maybe, shape: StackPart['shape'] = 'normal'): StackPart | undefined =>
  figure && { id: figure.id, label: figure.label, value: figure.value, u: standardUncertainty(figure), shape };

/** The nominal size with the uncertainty of the reading that it is made from. */
const sized = (value: number | undefined, from: Maybe, label?: string): StackPart | undefined => {
  const part = of(from);
  return value === undefined || !part ? undefined : { ...part, value, label: label ?? part.label };
};

/**
 * What the tolerance stack of one side draws: the half as planned with the donor’s own uncertainty, the scribing and
 * the weld, the shaft with its maker’s, the differential, wheel, room and brake.
 */
export function stackSide(plan: Plan, results: Results, side: Side): StackSide {
  const reading = (id: string) => results.known[id]?.figure;
  const school = results.schools.find((s) => s.school === plan.choices.school);
  const planned = school && isPlanned(school) ? school : undefined;
  const clip = plan.choices.retentionTo === 'cClip';
  const parts: Readonly<Partial<Record<StackKey, StackPart | undefined>>> = {
    half: sized(planned?.half[side].value, reading(`donor.half.${side}`)),
    ...(planned?.work[side] === 'shorten' ? cutParts(results, side) : {}),
    ...shaftParts(results, side, clip),
    gearStart: of(reading(`donor.sideGear.${side}`)),
    gearSpline: of(reading('donor.sideGearSpline')),
    crossShaft: of(reading('donor.crossShaft')),
    float: of(reading('donor.endFloatMax')),
    ...wheelParts(plan, results, side, planned?.half[side].value),
    ...brakeParts(results, side),
  };
  return {
    clip,
    parts: Object.fromEntries(STACK_KEYS.flatMap((key) => (parts[key] ? [[key, parts[key]]] : []))),
  };
}

const cutParts = ({ known }: Results, side: Side) => ({
  scribe: { id: `scribed.${side}`, label: 'Scribing the marks', value: 0, u: SCRIBE_U, shape: 'flat' as const },
  weld: sized(0, known['cut.shrink']?.figure, 'What the weld pulls'),
});

/** Sources whose length is what a maker holds, not what was read. */
const BOUGHT: readonly ShaftSource[] = ['new', 'stockPair', 'other'];

function shaftParts(
  { shafts, known }: Results,
  side: Side,
  clip: boolean,
): Partial<Record<StackKey, StackPart | undefined>> {
  const need = shafts.needs[side];
  const own = known[`donor.shaftSpline.${side}`]?.figure;
  if (!need) return {};
  const came = BOUGHT_SHAFTS.includes(need.source) ? known[`shaft.received.${side}`]?.figure : undefined;
  const shaftSpline = of(need.source === 'own' ? own : (known['shaft.spline']?.figure ?? own));
  const planned = nominal(need.fitted);
  // By a clip the inner end stands where it is planned, whatever came.
  if (came && clip) return { shaft: planned, made: sized(came.value - need.fitted.value, came), shaftSpline };
  if (came) return { shaft: of(came), shaftSpline };
  if (!BOUGHT.includes(need.source))
    return { shaft: { ...planned, u: standardUncertainty(need.fitted) }, shaftSpline };
  const holds = known['shaft.made']?.figure;
  const made = holds && { ...nominal(holds), value: 0, u: holds.value / Math.sqrt(3), shape: 'flat' as const };
  return { shaft: planned, made, shaftSpline };
}

const nominal = ({ id, label, value }: Figure): StackPart => ({ id, label, value, u: 0, shape: 'normal' });

/** Wheel and what stands beside it, set so that the gaps come out as the tightest clearances say. */
function wheelParts({ limits }: Plan, { stance, known }: Results, side: Side, half: number | undefined): Parts {
  const { et, section, clearances } = stance;
  if (half === undefined || !et || !section) return {};
  const beside = (from: 'inboard' | 'outboard'): StackPart | undefined => {
    const worst = tightest(clearances, side, from, limits);
    if (!worst) return undefined;
    const reading = known[worst.place]?.figure;
    const middle = half - et.value;
    const value =
      from === 'inboard'
        ? middle - section.value / 2 - worst.gap.value
        : middle + section.value / 2 + worst.gap.value;
    return sized(value, reading);
  };
  const [inboard, outboard] = [beside('inboard'), beside('outboard')];
  return {
    et: nominal(et),
    ...(of(section) ? { section: of(section) as StackPart } : {}),
    ...(inboard ? { inboard } : {}),
    ...(outboard ? { outboard } : {}),
  };
}

/** Caliper over rotor, with shims to the nearest half millimetre where there is room for them. */
function brakeParts({ hubs, known }: Results, side: Side): Parts {
  const [rotor, shim, caliper] = [
    hubs.brakes.rotor[side],
    hubs.brakes.shim[side],
    known['caliper.middle']?.figure,
  ];
  const [r, c] = [of(rotor), of(caliper)];
  if (!r || !c || !shim) return {};
  const shims = Math.max(0, Math.round(shim.value / SHIM_STEP) * SHIM_STEP);
  return { rotor: r, caliper: { ...c, value: c.value + shims } };
}

/** Least that must hold on one side; inboard as the nearest thing there asks, a spring for more than a rail. */
export const stackLimits = ({ limits }: Plan, { stance }: Results, side: Side): StackLimits => ({
  engagement: limitValue(limits, 'shaft.engagement'),
  gap: limitValue(limits, 'shaft.gap'),
  inboard: limitValue(
    limits,
    `stance.${tightest(stance.clearances, side, 'inboard', limits)?.limit ?? 'inboard'}`,
  ),
  outboard: limitValue(limits, 'stance.outboard'),
  align: limitValue(limits, 'brake.align'),
});

import { limitValue } from '../checks';
import { isPlanned, type SchoolPlan } from '../stages/cut';
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
} from '../stages/shafts';
import { tightest } from '../stages/stance';
import type { Results } from './results';

type Maybe = Figure | undefined;
type Parts = Partial<Record<StackKey, StackPart>>;
type MaybeParts = Partial<Record<StackKey, StackPart | undefined>>;

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
  const parts: MaybeParts = {
    ...halfParts(results, planned, side),
    ...shaftParts(results, side, clip),
    gearStart: of(reading(`donor.sideGear.${side}`)),
    gearSpline: of(reading('donor.sideGearSpline')),
    crossShaft: of(reading('donor.crossShaft')),
    float: of(reading('donor.endFloatMax')),
    ...wheelParts(plan, results, side),
    ...brakeParts(results, side),
  };
  return {
    clip,
    parts: Object.fromEntries(STACK_KEYS.flatMap((key) => (parts[key] ? [[key, parts[key]]] : []))),
  };
}

/** The half as planned, with what scribing and welding do to it; one that was measured after the work is that. */
function halfParts(results: Results, planned: SchoolPlan | undefined, side: Side): MaybeParts {
  const { stand, known } = results;
  const measured = stand.by[side];
  const half = stand.half[side];
  if (half && (measured === 'welded' || measured === 'tacked')) return { half: of(half) };
  return {
    half: sized(planned?.half[side].value, known[`donor.half.${side}`]?.figure),
    ...(planned?.work[side] === 'shorten' ? cutParts(results, side) : {}),
  };
}

const cutParts = ({ known }: Results, side: Side) => ({
  scribe: { id: `scribed.${side}`, label: 'Scribing the marks', value: 0, u: SCRIBE_U, shape: 'flat' as const },
  weld: sized(0, known['cut.shrink']?.figure, 'What the weld pulls'),
});

/** Sources whose length is what a maker holds, not what was read. */
const BOUGHT: readonly ShaftSource[] = ['new', 'stockPair', 'other'];

function shaftParts({ shafts, known }: Results, side: Side, clip: boolean): MaybeParts {
  const need = shafts.needs[side];
  if (!need) return {};
  const reading = (id: string): Maybe => known[id]?.figure;
  const shaftSpline = of(shafts.fit[side].spline);
  const came = BOUGHT_SHAFTS.includes(need.source) ? reading(`shaft.received.${side}`) : undefined;
  const planned = nominal(need.fitted);
  if (came && !clip) return { shaft: of(came), shaftSpline };
  if (!came && !BOUGHT.includes(need.source))
    return { shaft: { ...planned, u: standardUncertainty(need.fitted) }, shaftSpline };
  // A clip stands where the donor’s shaft had it, whatever came.
  const held = clip
    ? { shaft: sized(planned.value, reading(`donor.shaft.${side}`)), ordered: planned }
    : { shaft: planned };
  const made = came ? sized(came.value - planned.value, came) : holding(reading('shaft.made'));
  return { ...held, made, shaftSpline };
}

/** What a maker holds either way, drawn evenly. */
const holding = (made: Maybe): StackPart | undefined =>
  made && { ...nominal(made), value: 0, u: made.value / Math.sqrt(3), shape: 'flat' };

const nominal = ({ id, label, value }: Figure): StackPart => ({ id, label, value, u: 0, shape: 'normal' });

/** Wheel and what stands beside it, set so that the gaps come out as the tightest clearances say. */
function wheelParts({ limits }: Plan, { stance, known, stand }: Results, side: Side): Parts {
  const { et, section, clearances } = stance;
  const half = stand.half[side]?.value;
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

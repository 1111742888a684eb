import { school } from '../../cut/figures/schools';
import { stand } from '../../cut/figures/stand';
import { bySide, type Side } from '../../../geometry';
import { brakes } from '../../hubs/figures/hub-ends';
import { standardUncertainty, type Figure, type Maybe } from '../../../measure';
import { stance } from '../../stance/figures/stance';
import { tightest } from '../../stance/stance-checks';
import { clipAfter } from '../../hubs/retention';
import { node, type Reads } from '../node';
import { BOUGHT_SHAFTS, type ShaftSource } from '../shafts-result';
import { shafts } from './shafts';
import { STACK_KEYS, type StackKey, type StackLimits, type StackPart, type StackSide } from '../stack-parts';

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
function stackOf(r: Reads, side: Side): StackSide {
  const clip = clipAfter(r);
  if (clip === undefined) return { parts: {} };
  const parts: MaybeParts = {
    ...halfParts(r, side),
    ...shaftParts(r, side, clip),
    gearStart: of(r.figure(`donor.sideGear.${side}`)),
    gearSpline: of(r.figure('donor.sideGearSpline')),
    crossShaft: of(r.figure('donor.crossShaft')),
    float: of(r.figure('donor.endFloatMax')),
    ...wheelParts(r, side),
    ...brakeParts(r, side),
  };
  return {
    clip,
    parts: Object.fromEntries(STACK_KEYS.flatMap((key) => (parts[key] ? [[key, parts[key]]] : []))),
  };
}

/** The half as planned, with what scribing and welding do to it; one that was measured after the work is that. */
function halfParts(r: Reads, side: Side): MaybeParts {
  const { by, half: halves } = r.of(stand);
  const planned = r.of(school);
  const measured = by[side];
  const half = halves[side];
  if (half && (measured === 'welded' || measured === 'tacked')) return { half: of(half) };
  return {
    half: sized(planned?.half[side].value, r.figure(`donor.half.${side}`)),
    ...(planned?.work[side] === 'shorten' ? cutParts(r, side) : {}),
  };
}

const cutParts = (r: Reads, side: Side) => ({
  scribe: { id: `scribed.${side}`, label: 'Scribing the marks', value: 0, u: SCRIBE_U, shape: 'flat' as const },
  weld: sized(0, r.figure('cut.shrink'), 'What the weld pulls'),
});

/** Sources whose length is what a maker holds, not what was read. */
const BOUGHT: readonly ShaftSource[] = ['new', 'stockPair', 'other'];

function shaftParts(r: Reads, side: Side, clip: boolean): MaybeParts {
  const { needs, fit } = r.of(shafts);
  const need = needs[side];
  if (!need) return {};
  const shaftSpline = of(fit[side].spline);
  const came = BOUGHT_SHAFTS.includes(need.source) ? r.figure(`shaft.received.${side}`) : undefined;
  const planned = nominal(need.fitted);
  if (came && !clip) return { shaft: of(came), shaftSpline };
  if (!came && !BOUGHT.includes(need.source))
    return { shaft: { ...planned, u: standardUncertainty(need.fitted) }, shaftSpline };
  // A clip stands where the donor’s shaft had it, whatever came.
  const held = clip
    ? { shaft: sized(planned.value, r.figure(`donor.shaft.${side}`)), ordered: planned }
    : { shaft: planned };
  const made = came ? sized(came.value - planned.value, came) : holding(r.figure('shaft.made'));
  return { made, shaftSpline, ...held };
}

/** What a maker holds either way, drawn evenly. */
const holding = (made: Maybe): StackPart | undefined =>
  made && { ...nominal(made), value: 0, u: made.value / Math.sqrt(3), shape: 'flat' };

const nominal = ({ id, label, value }: Figure): StackPart => ({ id, label, value, u: 0, shape: 'normal' });

/** Wheel and what stands beside it, set so that the gaps come out as the tightest clearances say. */
function wheelParts(r: Reads, side: Side): Parts {
  const { et, section, clearances } = r.of(stance);
  const half = r.of(stand).half[side]?.value;
  if (half === undefined || !et || !section) return {};
  const beside = (from: 'inboard' | 'outboard'): StackPart | undefined => {
    const worst = tightest(clearances, side, from, r.limit);
    if (!worst) return undefined;
    const reading = r.figure(worst.place);
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
function brakeParts(r: Reads, side: Side): Parts {
  const found = r.of(brakes);
  const [rotor, shim, caliper] = [found.rotor[side], found.shim[side], r.figure('caliper.middle')];
  const [disc, pads] = [of(rotor), of(caliper)];
  if (!disc || !pads || !shim) return {};
  const shims = Math.max(0, Math.round(shim.value / SHIM_STEP) * SHIM_STEP);
  return { rotor: disc, caliper: { ...pads, value: pads.value + shims } };
}

/** Least that must hold on one side; inboard as the nearest thing there asks, a spring for more than a rail. */
function limitsFor(r: Reads, side: Side): StackLimits {
  const nearest = tightest(r.of(stance).clearances, side, 'inboard', r.limit)?.limit ?? 'inboard';
  return {
    engagement: r.limit('shaft.engagement').value,
    gap: r.limit('shaft.gap').value,
    inboard: r.limit(`stance.${nearest}`).value,
    outboard: r.limit('stance.outboard').value,
    align: r.limit('brake.align').value,
  };
}

/** What the tolerance stack draws, side by side. */
export const stackSides = node('stackSides', (r) => bySide((side) => stackOf(r, side)));
/** Least that must hold, side by side. */
export const stackLimits = node('stackLimits', (r) => bySide((side) => limitsFor(r, side)));

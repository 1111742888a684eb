import { derive, given, type Figure, type Maybe } from '../../../measure';
import { pinionSlopes, type SlopeAnswer, type SlopeQuestion, type Vector } from '../../../mechanics';
import { type Node, type PlaceId, unless } from '../../../stage';
import { WAYS, type AimWay } from '../choices';
import { lineAt, type Line, type LineAt } from '../line-at';
import { node, type Reads } from '../node';
import { fastest, line } from './line';

/** One way to aim the pinion, worked out. Slopes in rad, front higher +. */
export interface WayResult {
  readonly way: AimWay;
  /** What the pinion has while it drives, at best; undefined where no slope keeps every joint at its least angle. */
  readonly running?: Figure;
  /** What is set at rest for that. */
  readonly set?: Figure;
  /** Slopes at rest that keep every limit while it drives. */
  readonly allowed: readonly (readonly [from: number, to: number])[];
  /** Quantities that are missing. */
  readonly lacks: readonly PlaceId[];
}

const isEven = (way: AimWay): boolean => way === 'cv';

/** What the best slope is asked of; undefined while something is missing. */
export function questionOf(r: Reads, way: AimWay): SlopeQuestion | undefined {
  const [known, rpm] = [r.of(line).line, r.of(fastest)];
  if (!known) return undefined;
  return {
    ...placesOf(known),
    rpm: rpm && rpm.value > 0 ? rpm.value : undefined,
    aim: isEven(way) ? 'cv' : 'parallel',
    limits: {
      torsional: r.limit('drive.torsional').value,
      inertia: r.limit('drive.inertia').value,
      evenPinion: r.limit('drive.evenPinion').value,
    },
  };
}

/** A driveline as plain numbers: x forward from the axle, y left, z up. */
export function placesOf(
  known: Line,
): Pick<SlopeQuestion, 'gearbox' | 'centres' | 'last' | 'pinionPlan' | 'phases'> {
  const { gearbox, centre, nose, drop, axleHeight, pinionSide, pinionPlan, phase } = known;
  const at = ({ along, side, height }: Line['gearbox']): Vector => [along.value, side.value, height.value];
  const [N, d, H] = [nose.value, drop.value, axleHeight.value];
  const side = pinionSide.value - N * Math.tan(pinionPlan.value);
  return {
    gearbox: { slope: known.gearboxSlope.value, plan: known.gearboxPlan.value },
    centres: [at(gearbox), ...(centre ? [at(centre)] : [])],
    last: (s) => [N * Math.cos(s) + d * Math.sin(s), side, H + N * Math.sin(s) - d * Math.cos(s)],
    pinionPlan: pinionPlan.value,
    phases: [...(centre ? [0] : []), phase.value],
  };
}

/** Nose-down of a way at rest. */
const presetOf = (r: Reads, way: AimWay): Maybe =>
  way === 'parallel'
    ? given('drive.noPreset', 'Nose down at rest', 0, 0, 'rad', 'Parallel at rest: nothing is taken off')
    : r.figure('drive.preset');

/** What the search finds for both ends alike, and behind an even joint: only where somebody asks for it. */
const solved = {
  parallel: node('solvedParallel', (r) => answerTo(r, 'parallel')),
  cv: node('solvedCv', (r) => answerTo(r, 'cv')),
};

const answerTo = (r: Reads, way: AimWay): SlopeAnswer | undefined => {
  const question = questionOf(r, way);
  return question && pinionSlopes(question);
};

function wayOf(r: Reads, way: AimWay): WayResult {
  const { line: known, lacks } = r.of(line);
  const answer = r.of(isEven(way) ? solved.cv : solved.parallel);
  const preset = presetOf(r, way);
  // What is allowed is of a speed; how it is aimed is not.
  const speed = unless(r.of(fastest), 'drive.rpm');
  if (!known || !answer || !preset)
    return { way, allowed: [], lacks: [...lacks, ...speed, ...unless(preset, 'drive.preset')] };
  const allowed = answer.allowed.map(([from, to]) => [from - preset.value, to - preset.value] as const);
  const running = runningOf(known, way, answer);
  if (!running) return { way, allowed, lacks: speed };
  const set = derive({
    id: `drive.${way}.set`,
    label: 'Pinion slope to set at rest',
    unit: 'rad',
    formula: '{s} − {δ}',
    source: 'What the pinion has while it drives, less what its nose lifts by under load',
    inputs: { s: running, δ: preset },
  });
  return { way, running, set, allowed, lacks: speed };
}

/** The best slope as a figure: the gearbox’s own, or the shaft’s, with what the search for the best adds to it. */
function runningOf(known: Line, way: AimWay, { best }: SlopeAnswer): Maybe {
  if (best === undefined) return undefined;
  const from = isEven(way) ? lastSlope(known, best) : known.gearboxSlope;
  const searched = isEven(way)
    ? 'Solved: the pinion lies in line with the shaft that swings with it'
    : 'Solved: least unevenness, both joints alike';
  return derive({
    id: `drive.${way}.running`,
    label: 'Pinion slope while it drives',
    unit: 'rad',
    formula: '{s} + {Δ}',
    source: isEven(way)
      ? 'In line with the last shaft'
      : 'As the gearbox’s output, where both joints then bend alike',
    inputs: {
      s: from,
      Δ: given(`drive.${way}.solved`, 'What the search adds', best - from.value, 0, 'rad', searched),
    },
  });
}

function lastSlope(known: Line, best: number): Figure {
  const slope = given(
    'drive.cv.aim',
    'Pinion slope that was solved',
    best,
    0,
    'rad',
    'Solved: in line with the shaft',
  );
  return (lineAt(known, slope, '.aim').shafts.at(-1) as LineAt['shafts'][number]).slope;
}

const each: Readonly<Record<AimWay, Node<WayResult>>> = {
  parallel: node('wayParallel', (r) => wayOf(r, 'parallel')),
  cv: node('wayCv', (r) => wayOf(r, 'cv')),
  preset: node('wayPreset', (r) => wayOf(r, 'preset')),
};

/** Each way to aim the pinion. */
export const aimWays = node('ways', (r): readonly WayResult[] => WAYS.map((way) => r.of(each[way])));

/** The chosen way. */
export const aimWay = node('way', (r): WayResult | undefined => {
  const aim = r.choice('aim');
  return aim === 'undecided' ? undefined : r.of(each[aim]);
});

/** The slope that the pinion is wanted to have at rest: as chosen, or the best of the chosen way. */
export const wantedSlope = node('wantedSlope', (r): Maybe => r.figure('drive.slope') ?? r.of(aimWay)?.set);

/** The slope that the pinion has at rest: as it was welded, until then as it is wanted. */
export const setSlope = node('setSlope', (r): Maybe => r.figure('bench.welded') ?? r.of(wantedSlope));

/** The slope it has while it drives. */
export const runningSlope = node('runningSlope', (r): Maybe => {
  const [set, aim] = [r.of(setSlope), r.choice('aim')];
  const preset = aim === 'undecided' ? undefined : presetOf(r, aim);
  if (!set || !preset) return undefined;
  return derive({
    id: 'drive.running',
    label: 'Pinion slope while it drives',
    unit: 'rad',
    formula: '{s} + {δ}',
    source: 'As set at rest, and what its nose lifts by under load',
    inputs: { s: set, δ: preset },
  });
});

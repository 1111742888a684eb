import { COMPARE_SLACK, type Check } from '../../stage';
import { derive, given, type Figure, type Maybe } from '../../measure';

export interface RatioInput {
  readonly ring: Maybe;
  readonly pinion: Maybe;
  readonly wheelTurns: Maybe;
  readonly pinionTurns: Maybe;
  /** With which wheels it was turned; undefined where that is not known. */
  readonly how: 'both' | 'held' | undefined;
  /** Ratio the brief reckons with. */
  readonly planned: Maybe;
}

export interface RatioResult {
  readonly byTeeth?: Figure;
  readonly byTurns?: Figure;
  /** The ratio to use: by teeth where they are counted, else by turns. */
  readonly ratio?: Figure;
  readonly impossible?: string;
}

/** Ratios that gear sets of road axles have. */
const LEAST = 1.5;
const MOST = 8;
/** What counted turns may be off by: a quarter of a turn at the pinion. */
const QUARTER_TURN = 0.25;

/**
 * Ratio by tooth count and by turns counted. With one wheel held, the differential turns the other twice as far
 * as the ring gear.
 *
 * @example ratioStage({ ring: 43, pinion: 11, … }).byTeeth // 3.909
 * @source Ratio of tooth counts; a bevel differential’s ring gear runs at the mean of both wheels
 */
export function ratioStage(input: RatioInput): RatioResult {
  const byTeeth = teeth(input);
  const byTurns = turns(input);
  const ratio = byTeeth ?? byTurns;
  const impossible = impossibleTeeth(input);
  return {
    ...(byTeeth ? { byTeeth } : {}),
    ...(byTurns ? { byTurns } : {}),
    ...(ratio ? { ratio } : {}),
    ...(impossible ? { impossible } : {}),
  };
}

function teeth({ ring, pinion }: RatioInput): Maybe {
  if (!ring || !pinion) return undefined;
  return derive({
    id: 'ratio.byTeeth',
    label: 'Ratio by teeth',
    unit: 'count',
    formula: '{z_ring}/{z_pinion}',
    source: 'Tooth counts of ring gear and pinion',
    inputs: { z_ring: ring, z_pinion: pinion },
  });
}

function turns({ wheelTurns, pinionTurns, how }: RatioInput): Maybe {
  if (!wheelTurns || !pinionTurns || !how) return undefined;
  const quarter = given(
    'ratio.quarter',
    'Counted to a quarter turn',
    0,
    QUARTER_TURN / Math.sqrt(3),
    'count',
    'What counted turns may be off by',
  );
  return derive({
    id: 'ratio.byTurns',
    label: 'Ratio by turns',
    unit: 'count',
    formula: how === 'held' ? '2·({n_pinion} + {δ})/{n_wheel}' : '({n_pinion} + {δ})/{n_wheel}',
    source: how === 'held' ? 'One wheel held: the ring gear turns half as far' : 'Both wheels turned together',
    inputs: { n_pinion: pinionTurns, δ: quarter, n_wheel: wheelTurns },
  });
}

function impossibleTeeth({ ring, pinion }: RatioInput): string | undefined {
  if (!ring || !pinion) return undefined;
  const ratio = ring.value / pinion.value;
  if (ratio >= LEAST && ratio <= MOST) return undefined;
  return `${ring.value} over ${pinion.value} is ${ratio.toFixed(2)}; road axles have ${LEAST} to ${MOST}`;
}

/** Checks of the ratio: possible, the same both ways, and the one the brief reckons with. */
export const ratioChecks = ({ byTeeth, byTurns, ratio, impossible }: RatioResult, planned: Maybe): Check[] => [
  ...teethCheck(impossible),
  ...(byTeeth && byTurns ? [agreeCheck(byTeeth, byTurns)] : []),
  ...(ratio && planned ? [plannedCheck(ratio, planned)] : []),
];

function teethCheck(impossible: RatioResult['impossible']): Check[] {
  if (!impossible) return [];
  return [
    {
      id: 'ratio.teeth',
      stage: 'donor',
      level: 'stop',
      title: 'No gear set has these teeth',
      reason: `${impossible}.`,
      todo: 'Count ring gear and pinion again, from a mark.',
      at: 'ratio.ring',
    },
  ];
}

/** Turns counted to a quarter say this much and no more. */
function agreeCheck(byTeeth: Figure, byTurns: Figure): Check {
  const apart = Math.abs(byTeeth.value - byTurns.value);
  const allowed = (QUARTER_TURN * byTurns.value) / (byTurns.working.inputs['n_pinion']?.value ?? 1);
  const over = apart > allowed + COMPARE_SLACK.count;
  return {
    id: 'ratio.agree',
    stage: 'donor',
    level: over ? 'stop' : 'ok',
    title: over ? 'Teeth and turns give different ratios' : 'Teeth and turns agree',
    figure: { value: byTurns.value - byTeeth.value, unit: 'count', figureId: byTurns.id },
    reason: `Turns counted to a quarter tell the ratio within ${allowed.toFixed(2)}.`,
    todo: over ? 'Turn it again; was one wheel held, and was it noted so? Count the teeth again.' : '',
    at: 'ratio.pinionTurns',
    ...(over ? { contradicts: ['ratio.ring', 'ratio.pinion', 'ratio.wheelTurns', 'ratio.pinionTurns'] } : {}),
  };
}

function plannedCheck(ratio: Figure, planned: Figure): Check {
  const off = Math.abs(ratio.value / planned.value - 1) > 0.02;
  return {
    id: 'ratio.planned',
    stage: 'donor',
    level: off ? 'caution' : 'ok',
    title: off ? 'The donor’s ratio is not the one the brief reckons with' : 'Ratio as the brief has it',
    figure: { value: ratio.value, unit: 'count', figureId: ratio.id },
    reason: `The brief reckons with ${planned.value}; torque and revolutions follow from it.`,
    todo: off ? 'Change the ratio in the brief, or count another gear set into the money.' : '',
    at: 'brief.axleRatio',
  };
}

import { type Check, judgeFact, judgeClosure } from '../../stage';
import { derive, given, type Figure, type Maybe, expandedUncertainty } from '../../measure';

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
const agreeCheck = (byTeeth: Figure, byTurns: Figure): Check =>
  judgeClosure(
    {
      id: 'ratio.agree',
      stage: 'donor',
      figure: derive({
        id: 'ratio.apart',
        label: 'Ratio by turns less ratio by teeth',
        unit: 'count',
        formula: '{i_turns} − {i_teeth}',
        source: 'Both are of one gear set',
        inputs: { i_turns: byTurns, i_teeth: byTeeth },
      }),
      limit: 0,
      holds: 'Teeth and turns agree',
      fails: 'Teeth and turns give different ratios',
      unknown: '',
      reason: `Turns counted to a quarter tell the ratio within ${expandedUncertainty(byTurns).toFixed(2)}.`,
      todo: 'Turn it again; was one wheel held, and was it noted so? Count the teeth again.',
      at: 'ratio.pinionTurns',
    },
    ['ratio.ring', 'ratio.pinion', 'ratio.wheelTurns', 'ratio.pinionTurns'],
  );

function plannedCheck(ratio: Figure, planned: Figure): Check {
  const off = Math.abs(ratio.value / planned.value - 1) > 0.02;
  return judgeFact({
    id: 'ratio.planned',
    stage: 'donor',
    rests: { [ratio.id]: ratio, 'brief.axleRatio': planned },
    fault: off
      ? {
          level: 'caution',
          title: 'The donor’s ratio is not the one the brief reckons with',
          todo: 'Change the ratio in the brief, or count another gear set into the money.',
        }
      : undefined,
    figure: ratio,
    holds: 'Ratio as the brief has it',
    unknown: '',
    reason: `The brief reckons with ${planned.value}; torque and revolutions follow from it.`,
    at: 'brief.axleRatio',
  });
}

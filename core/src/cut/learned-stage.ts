import { bySide, SIDES, type Side, type Sided } from '../geometry';
import { derive, type Figure } from '../measure';
import type { MarksResult } from './marks-stage';

type Maybe = Figure | undefined;

export interface LearnedInput {
  readonly marks: MarksResult;
  readonly tackedLeft: Maybe;
  readonly tackedRight: Maybe;
  readonly weldedLeft: Maybe;
  readonly weldedRight: Maybe;
}

/** What was read after the work against what was expected, and what this welder’s welds pull. */
export interface LearnedResult {
  /** Read less expected, mm. */
  readonly tackedOff: Sided<Maybe>;
  readonly weldedOff: Sided<Maybe>;
  /** Tacked less welded, mm: this weld. */
  readonly pull: Sided<Maybe>;
  /** Mean of the welds read: what the next butt is reckoned with. */
  readonly shrink: Maybe;
}

/** Compares the tube after tacking and welding with what the marks promised, and learns the pull of a butt. */
export function learnedStage(input: LearnedInput): LearnedResult {
  const tacked = { left: input.tackedLeft, right: input.tackedRight };
  const welded = { left: input.weldedLeft, right: input.weldedRight };
  const pull = bySide((side) => pullOf(tacked[side], welded[side], side));
  return {
    tackedOff: bySide((side) => offOf('tacked', tacked[side], input.marks.marks[side]?.tubeTacked, side)),
    weldedOff: bySide((side) => offOf('welded', welded[side], input.marks.marks[side]?.tubeWelded, side)),
    pull,
    shrink: meanOf(pull),
  };
}

function offOf(phase: string, read: Maybe, expected: Maybe, side: Side): Maybe {
  if (!read || !expected) return undefined;
  return derive(
    {
      id: `after.${phase}Off.${side}`,
      label: `Tube ${phase}, against expected, ${side}`,
      unit: 'mm',
      formula: '{T_read} − {T_exp}',
      source: 'Plus is longer than expected',
      inputs: { T_read: read, T_exp: expected },
    },
    (v) => v.T_read - v.T_exp,
  );
}

function pullOf(tacked: Maybe, welded: Maybe, side: Side): Maybe {
  if (!tacked || !welded) return undefined;
  return derive(
    {
      id: `after.pull.${side}`,
      label: `This weld pulled, ${side}`,
      unit: 'mm',
      formula: '{T_tacked} − {T_welded}',
      source: 'Read cold, before and after',
      inputs: { T_tacked: tacked, T_welded: welded },
    },
    (v) => v.T_tacked - v.T_welded,
  );
}

function meanOf(pull: Sided<Maybe>): Maybe {
  const inputs: Record<string, Figure> = {};
  for (const side of SIDES) {
    const figure = pull[side];
    if (figure) inputs[side === 'left' ? 'p_L' : 'p_R'] = figure;
  }
  const symbols = Object.keys(inputs);
  if (symbols.length === 0) return undefined;
  return derive(
    {
      id: 'after.shrink',
      label: 'This welder’s butt pulls',
      unit: 'mm',
      formula: symbols.length === 2 ? '({p_L} + {p_R})/2' : `{${symbols[0] ?? ''}}`,
      source: 'Mean of the welds read on this axle',
      inputs,
    },
    (v: Readonly<Record<string, number>>) =>
      Object.values(v).reduce((sum, p) => sum + p, 0) / Object.keys(v).length,
  );
}

import { bySide, SIDES, type Side, type Sided } from '../../geometry';
import { derive, meanOf, type Maybe } from '../../measure';

export interface LearnedInput {
  /** Casting to housing end as wanted, mm. */
  readonly wantedLeft: Maybe;
  readonly wantedRight: Maybe;
  readonly shrinkLeft: Maybe;
  readonly shrinkRight: Maybe;
  readonly tackedLeft: Maybe;
  readonly tackedRight: Maybe;
  readonly weldedLeft: Maybe;
  readonly weldedRight: Maybe;
}

/** What was read after the work against what was wanted, and what this welder’s welds pull. */
export interface LearnedResult {
  /** Read less expected, mm. */
  readonly tackedOff: Sided<Maybe>;
  readonly weldedOff: Sided<Maybe>;
  /** Tacked less welded, mm: this weld. */
  readonly pull: Sided<Maybe>;
  /** Mean of the welds read: what the next butt is reckoned with. */
  readonly shrink: Maybe;
}

/** Compares the tube after tacking and welding with what is wanted, and learns the pull of a butt. */
export function learnedStage(input: LearnedInput): LearnedResult {
  const wanted = { left: input.wantedLeft, right: input.wantedRight };
  const shrink = { left: input.shrinkLeft, right: input.shrinkRight };
  const tacked = { left: input.tackedLeft, right: input.tackedRight };
  const welded = { left: input.weldedLeft, right: input.weldedRight };
  const pull = bySide((side) => pullOf(tacked[side], welded[side], side));
  return {
    tackedOff: bySide((side) => tackedOff(tacked[side], wanted[side], shrink[side], side)),
    weldedOff: bySide((side) => weldedOff(welded[side], wanted[side], side)),
    pull,
    shrink: meanOf(
      {
        id: 'after.shrink',
        label: 'This welder’s butt pulls',
        unit: 'mm',
        source: 'Mean of the welds read on this axle',
      },
      SIDES.flatMap((side) => pull[side] ?? []),
    ),
  };
}

function tackedOff(read: Maybe, wanted: Maybe, shrink: Maybe, side: Side): Maybe {
  if (!read || !wanted || !shrink) return undefined;
  return derive({
    id: `after.tackedOff.${side}`,
    label: `Tube tacked, against expected, ${side}`,
    unit: 'mm',
    formula: '{T_read} − ({T_new} + {w})',
    source: 'Plus is longer than what is wanted and what the weld will pull',
    inputs: { T_read: read, T_new: wanted, w: shrink },
  });
}

function weldedOff(read: Maybe, wanted: Maybe, side: Side): Maybe {
  if (!read || !wanted) return undefined;
  return derive({
    id: `after.weldedOff.${side}`,
    label: `Tube welded, against wanted, ${side}`,
    unit: 'mm',
    formula: '{T_read} − {T_new}',
    source: 'Plus is longer than wanted',
    inputs: { T_read: read, T_new: wanted },
  });
}

function pullOf(tacked: Maybe, welded: Maybe, side: Side): Maybe {
  if (!tacked || !welded) return undefined;
  return derive({
    id: `after.pull.${side}`,
    label: `This weld pulled, ${side}`,
    unit: 'mm',
    formula: '{T_tacked} − {T_welded}',
    source: 'Read cold, before and after',
    inputs: { T_tacked: tacked, T_welded: welded },
  });
}

import { type PlaceId, unless } from '../../stage';
import { bySide, type Side, type Sided } from '../../geometry';
import { derive, type Figure, type Maybe } from '../../measure';
import type { HeldBy } from '../donor/choices';

export interface EndsInput {
  readonly from: HeldBy;
  readonly to: HeldBy;
  readonly halfLeft: Maybe;
  readonly halfRight: Maybe;
  readonly shaftLeft: Maybe;
  readonly shaftRight: Maybe;
  readonly spaceLeft: Maybe;
  readonly spaceRight: Maybe;
  /** Brake space of other ends, and how much farther out a full-float hub’s face stands. */
  readonly newSpace: Maybe;
  readonly floatShift: Maybe;
}

/** The axle with the ends it will have: what is cut and made is worked out from these. */
export interface EndsResult {
  readonly half: Sided<Maybe>;
  readonly shaft: Sided<Maybe>;
  readonly space: Sided<Maybe>;
  /** How much farther out the WMS stands than with the donor’s own ends, mm; undefined where nothing changes. */
  readonly moved: Sided<Maybe>;
  /** The donor’s own ends go, by another retention or another brake space. */
  readonly changed: boolean;
  /** Quantities without which half, shaft and space of a side are not known. */
  readonly lacks: Sided<{
    readonly half: readonly PlaceId[];
    readonly shaft: readonly PlaceId[];
    readonly ends: readonly PlaceId[];
  }>;
}

/** What the new ends do to one side: nothing, a known move, or a move that is not known yet. */
type Move = { readonly kept: true } | { readonly by: Figure } | { readonly lacks: readonly PlaceId[] };

/**
 * Halves, shafts and brake space after the ends are changed: other ends set the WMS farther out or in, and the
 * shaft grows or shrinks by as much. The tube is then cut by the difference, which the halves carry on. While the
 * size of the new ends is not known, nothing that rests on them is.
 */
export function endsStage(input: EndsInput): EndsResult {
  const own = {
    half: { left: input.halfLeft, right: input.halfRight },
    shaft: { left: input.shaftLeft, right: input.shaftRight },
    space: { left: input.spaceLeft, right: input.spaceRight },
  };
  const moves = bySide((side) => moveOf(input, own.space[side], side));
  const after = (id: keyof typeof own, label: string) =>
    bySide((side) => further(id, `${label} with the new ends`, own[id][side], moves[side], side));
  return {
    half: after('half', 'Pinion axis to WMS'),
    shaft: after('shaft', 'Shaft length'),
    space: after('space', 'Brake space'),
    moved: bySide((side) => ('by' in moves[side] ? moves[side].by : undefined)),
    changed: !('kept' in moves.left),
    lacks: bySide((side) => {
      const move = 'lacks' in moves[side] ? moves[side].lacks : [];
      const missing = (id: 'half' | 'shaft') => [...unless(own[id][side], `donor.${id}.${side}`), ...move];
      return { half: missing('half'), shaft: missing('shaft'), ends: move };
    }),
  };
}

function moveOf(input: EndsInput, space: Maybe, side: Side): Move {
  return input.to === 'fullFloat' ? floatMove(input, side) : spaceMove(input, space, side);
}

const moved = (side: Side) => ({
  id: `ends.moved.${side}`,
  label: `WMS moves out by, ${side}`,
  unit: 'mm' as const,
});

/** What held the shafts before, where that is not said: whether the ends are others cannot be told. */
const before = (from: HeldBy) => unless(from !== 'unsaid', 'donor.retention');

function floatMove({ from, to, floatShift: Δ }: EndsInput, side: Side): Move {
  if (!Δ) return from === to ? { kept: true } : { lacks: ['float.shift', ...before(from)] };
  return {
    by: derive({
      formula: '{Δ}',
      source: 'The full-float hub’s face against the flange’s',
      inputs: { Δ },
      ...moved(side),
    }),
  };
}

/** A brake space that was typed counts whether the retention changes or only the ends. */
function spaceMove({ from, to, newSpace }: EndsInput, space: Maybe, side: Side): Move {
  if (!newSpace)
    return from === to || to === 'unsaid' ? { kept: true } : { lacks: [...before(from), 'convert.space'] };
  if (!space) return { lacks: [`donor.brakeSpace.${side}`] };
  return {
    by: derive({
      formula: '{B_new} − {B}',
      source: 'Brake space with the new ends less the donor’s own',
      inputs: { B_new: newSpace, B: space },
      ...moved(side),
    }),
  };
}

function further(id: string, label: string, own: Maybe, move: Move, side: Side): Maybe {
  if ('kept' in move) return own;
  if (!own || !('by' in move)) return undefined;
  return derive({
    id: `ends.${id}.${side}`,
    label: `${label}, ${side}`,
    unit: 'mm',
    formula: '{x} + {Δ}',
    source: 'As the donor has it, and what the new ends add',
    inputs: { x: own, Δ: move.by },
  });
}

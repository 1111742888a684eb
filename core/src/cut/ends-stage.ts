import { bySide, type Side, type Sided } from '../geometry';
import { derive, type Figure } from '../measure';
import type { Retention } from '../plan';

type Maybe = Figure | undefined;

export interface EndsInput {
  readonly from: Retention;
  readonly to: Retention;
  readonly halfLeft: Maybe;
  readonly halfRight: Maybe;
  readonly shaftLeft: Maybe;
  readonly shaftRight: Maybe;
  readonly spaceLeft: Maybe;
  readonly spaceRight: Maybe;
  /** Brake space of bolt-in ends, and how much farther out a full-float hub’s face stands. */
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
}

/**
 * Halves, shafts and brake space after the retention is changed: other ends set the WMS farther out or in, and the
 * shaft grows or shrinks by as much. The tube is then cut by the difference, which the halves carry on.
 */
export function endsStage(input: EndsInput): EndsResult {
  const own = {
    half: { left: input.halfLeft, right: input.halfRight },
    shaft: { left: input.shaftLeft, right: input.shaftRight },
    space: { left: input.spaceLeft, right: input.spaceRight },
  };
  const moved = bySide((side) => movedBy(input, own.space[side], side));
  return {
    half: bySide((side) =>
      further('half', 'Pinion axis to WMS with the new ends', own.half[side], moved[side], side),
    ),
    shaft: bySide((side) =>
      further('shaft', 'Shaft length with the new ends', own.shaft[side], moved[side], side),
    ),
    space: bySide((side) =>
      further('space', 'Brake space with the new ends', own.space[side], moved[side], side),
    ),
    moved,
  };
}

function movedBy({ from, to, newSpace, floatShift }: EndsInput, space: Maybe, side: Side): Maybe {
  if (from === to) return undefined;
  const base = { id: `ends.moved.${side}`, label: `WMS moves out by, ${side}`, unit: 'mm' as const };
  if (to === 'fullFloat')
    return (
      floatShift &&
      derive(
        {
          ...base,
          formula: '{Δ}',
          source: 'The full-float hub’s face against the flange’s',
          inputs: { Δ: floatShift },
        },
        (v) => v.Δ,
      )
    );
  if (!newSpace || !space) return undefined;
  return derive(
    {
      ...base,
      formula: '{B_new} − {B}',
      source: 'Brake space with the new ends less the donor’s own',
      inputs: { B_new: newSpace, B: space },
    },
    (v) => v.B_new - v.B,
  );
}

function further(id: string, label: string, own: Maybe, moved: Maybe, side: Side): Maybe {
  if (!own || !moved) return own;
  return derive(
    {
      id: `ends.${id}.${side}`,
      label: `${label}, ${side}`,
      unit: 'mm',
      formula: '{x} + {Δ}',
      source: 'As the donor has it, and what the new ends add',
      inputs: { x: own, Δ: moved },
    },
    (v) => v.x + v.Δ,
  );
}

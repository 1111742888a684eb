import { bySide, type Side, type Sided } from '../../geometry';
import { derive, least, type Figure, type Maybe } from '../../measure';

export interface PerchInput {
  /** Middle of one spring seat to the other, and how wide a spring is, mm. */
  readonly spacing: Maybe;
  readonly width: Maybe;
  /** Pinion axis to casting face, and the tube as it stands or will, mm. */
  readonly casting: Sided<Maybe>;
  readonly tube: Sided<Maybe>;
  /** Pinion from the middle of the WMS width, and that from the car’s centreline, mm, plus to the left. */
  readonly pinion: Maybe;
  readonly offCentre: Maybe;
}

/**
 * Tube left beside a spring seat, to the casting or to the housing end, whichever is less, mm; minus where the seat
 * hangs over. The seats stand about the car’s centreline, the tube about the pinion.
 */
export const perchStage = (input: PerchInput): Sided<Maybe> => bySide((side) => perchRoom(input, side));

/** Middle of a spring seat from the pinion axis, mm. */
function placeOf({ spacing: s, pinion: y, offCentre: o }: PerchInput, side: Side): Maybe {
  if (!s || !y || !o) return undefined;
  return derive({
    id: `perch.place.${side}`,
    label: `Spring seat from the pinion axis, ${side}`,
    unit: 'mm',
    formula: side === 'left' ? '{s}/2 − ({y} + {o})' : '{s}/2 + ({y} + {o})',
    source: 'Half of the seats’ spacing from the car’s centreline, and the pinion’s place from there',
    inputs: { s, y, o },
  });
}

/** Where a new spring seat will stand on the finished tube, mm from the casting face. */
export function seatOnTube(
  input: PerchInput,
  side: Side,
): { readonly from: Figure; readonly to: Figure } | undefined {
  const [p, b, K] = [placeOf(input, side), input.width, input.casting[side]];
  if (!p || !b || !K) return undefined;
  const edge = (id: string, label: string, formula: string) =>
    derive({
      id: `perch.${id}.${side}`,
      label: `Spring seat ${label}, from the casting, ${side}`,
      unit: 'mm',
      formula,
      source: 'The seat’s middle and half of its spring’s width, less the casting face',
      inputs: { p, b, K },
    });
  return { from: edge('begins', 'begins', '{p} − {b}/2 − {K}'), to: edge('ends', 'ends', '{p} + {b}/2 − {K}') };
}

function perchRoom(input: PerchInput, side: Side): Maybe {
  const { width: b } = input;
  const [K, T, place] = [input.casting[side], input.tube[side], placeOf(input, side)];
  if (!b || !K || !T || !place) return undefined;
  const to = (id: string, label: string, formula: string) =>
    derive({
      id: `perch.${id}.${side}`,
      label: `${label}, ${side}`,
      unit: 'mm',
      formula,
      source: 'Edge of the spring to the end of the tube',
      inputs: { p: place, b, K, ...(id === 'outer' ? { T } : {}) },
    });
  return least(
    {
      id: `perch.room.${side}`,
      label: `Tube beside the spring seat, ${side}`,
      unit: 'mm',
      source: 'The nearer of casting and housing end',
    },
    [
      to('inner', 'Spring to the casting', '{p} − {b}/2 − {K}'),
      to('outer', 'Spring to the housing end', '{K} + {T} − {p} − {b}/2'),
    ],
  );
}

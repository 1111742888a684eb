import { bySide, type Side, type Sided } from '../../geometry';
import { derive, least, type Maybe } from '../../measure';

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

function perchRoom(input: PerchInput, side: Side): Maybe {
  const { spacing: s, width: b, pinion: y, offCentre: o } = input;
  const [K, T] = [input.casting[side], input.tube[side]];
  if (!s || !b || !K || !T || !y || !o) return undefined;
  const place = derive({
    id: `perch.place.${side}`,
    label: `Spring seat from the pinion axis, ${side}`,
    unit: 'mm',
    formula: side === 'left' ? '{s}/2 − ({y} + {o})' : '{s}/2 + ({y} + {o})',
    source: 'Half of the seats’ spacing from the car’s centreline, and the pinion’s place from there',
    inputs: { s, y, o },
  });
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

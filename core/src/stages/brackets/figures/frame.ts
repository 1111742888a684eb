import { type PlaceId, unless } from '../../../stage';
import { bySide, type Side, type Sided } from '../../../geometry';
import { derive, type Figure, type Maybe } from '../../../measure';
import { stand } from '../../cut/figures/stand';
import { tubeOd, wanted } from '../../cut/figures/tubes';
import { pinionSide } from '../../driveline/figures/line';
import { setSlope } from '../../driveline/figures/slopes';
import { slopeOf } from '../../driveline/figures/bench';
import type { BracketDatum } from '../choices';
import { node, type Reads } from '../node';

/** Lateral places of an axle in the car, mm, left of the car’s centreline plus. */
export interface AxleFrame {
  readonly casting: Sided<Maybe>;
  readonly end: Sided<Maybe>;
  readonly seat: Sided<Maybe>;
}

/** + on the left, − on the right: how outboard runs. */
export const wayOf = (side: Side): '+' | '−' => (side === 'left' ? '+' : '−');
export const signOf = (side: Side): 1 | -1 => (side === 'left' ? 1 : -1);

/** Which axle a frame is of, as its figures’ ids and words say. */
interface Which {
  readonly id: 'old' | 'new';
  readonly name: 'old' | 'new';
}

function frameOf(which: Which, pinion: Maybe, casting: Sided<Maybe>, tube: Sided<Maybe>, r: Reads): AxleFrame {
  const face = bySide((side): Maybe => {
    const K = casting[side];
    if (!pinion || !K) return undefined;
    return derive({
      id: `frame.${which.id}.casting.${side}`,
      label: `Casting face of the ${which.name} axle from the car’s centreline, ${side}`,
      unit: 'mm',
      formula: `{P} ${wayOf(side)} {K}`,
      source: 'Pinion axis from the car’s centreline, and the casting face from there; left is plus',
      inputs: { P: pinion, K },
    });
  });
  const end = bySide((side): Maybe => {
    const [C, T] = [face[side], tube[side]];
    if (!C || !T) return undefined;
    return derive({
      id: `frame.${which.id}.end.${side}`,
      label: `Housing end of the ${which.name} axle from the car’s centreline, ${side}`,
      unit: 'mm',
      formula: `{C} ${wayOf(side)} {T}`,
      source: 'Casting face and the tube outside it; left is plus',
      inputs: { C, T },
    });
  });
  return { casting: face, end, seat: bySide((side) => seatOf(r, side)) };
}

/** Spring seats stand about the car’s centreline, whatever axle is in it. */
function seatOf(r: Reads, side: Side): Maybe {
  const s = r.figure('spring.spacing');
  if (!s) return undefined;
  return derive({
    id: `frame.seat.${side}`,
    label: `Spring seat’s middle from the car’s centreline, ${side}`,
    unit: 'mm',
    formula: side === 'left' ? '{s}/2' : '−{s}/2',
    source: 'Half of the seats’ spacing; left is plus',
    inputs: { s },
  });
}

/** The axle that comes out. */
export const oldFrame = node('oldFrame', (r): AxleFrame =>
  frameOf(
    { id: 'old', name: 'old' },
    r.figure('survey.pinion'),
    bySide((side) => r.figure(`old.casting.${side}`)),
    bySide((side) => r.figure(`old.tube.${side}`)),
    r,
  ),
);

/** Tube of the new axle as it stands by now, or is wanted. */
const newTube = node('newTube', (r): Sided<Maybe> => {
  const [now, want] = [r.of(stand), r.of(wanted)];
  return bySide((side) => now.tube[side] ?? want[side]);
});

/** The axle that goes in: as it stands by now, or is planned. */
export const newFrame = node('newFrame', (r): AxleFrame =>
  frameOf(
    { id: 'new', name: 'new' },
    r.of(pinionSide),
    bySide((side) => r.figure(`donor.casting.${side}`)),
    r.of(newTube),
    r,
  ),
);

/** Quantities without which a datum of an axle is not known. */
export function datumLacks(which: 'old' | 'new', datum: BracketDatum, side: Side): readonly PlaceId[] {
  if (datum === 'centre') return [];
  if (datum === 'seat') return ['spring.spacing'];
  if (which === 'old')
    return ['survey.pinion', `old.casting.${side}`, ...unless(datum !== 'end', `old.tube.${side}`)];
  return ['brief.targetWidth', `donor.casting.${side}`, ...unless(datum !== 'end', `donor.tube.${side}`)];
}

/** Slope of the old casting’s flat in the car, against level. */
export const oldFlat = node('oldFlat', (r): Maybe => slopeOf(r, 'angle.flat'));

/** Slope that the new casting’s flat will have in the car: with the pinion as it is set. */
export const newFlat = node('newFlat', (r): Maybe => {
  const [s, f, p] = [r.of(setSlope), slopeOf(r, 'donor.angle.flat'), slopeOf(r, 'donor.angle.pinion')];
  if (!s || !f || !p) return undefined;
  return derive({
    id: 'frame.newFlat',
    label: 'Flat of the new casting in the car',
    unit: 'rad',
    formula: '{s} + {f} − {p}',
    source: 'The pinion’s slope, and the flat against the pinion; front higher is plus',
    inputs: { s, f, p },
  });
});

/** Tubes’ outside. */
export const outside = node('outside', (r): Sided<Maybe> => r.of(tubeOd));

/** Half of a tube’s outside, mm; undefined while it is not known. */
export const radiusOf = (od: Figure | undefined): number | undefined => od && od.value / 2;

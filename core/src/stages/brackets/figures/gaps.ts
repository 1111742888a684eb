import type { Side } from '../../../geometry';
import { derive, given, type Figure, type Maybe } from '../../../measure';
import type { BracketDatum } from '../choices';
import { node, perBracket, type Reads } from '../node';
import { newFrame } from './frame';
import { placeOf, sidesOf, type PlacedBracket } from './places';
import { seams, sizeOf } from './tube-map';

/** How one bracket stands to what does not move, and to where it was wanted. */
interface OwnGaps {
  readonly ends: Readonly<Partial<Record<Side, Readonly<Partial<Record<'casting' | 'end', Maybe>>>>>>;
  /** To the weld of each tube it lies on. */
  readonly seams: Readonly<Partial<Record<Side, Figure>>>;
  /** As read after the work, less as planned. */
  readonly offPlace: Maybe;
  readonly offAngle: Maybe;
}

/** Room of a patch to the weld of its tube, mm; below 0 where it stands on it. */
function seamGap(p: PlacedBracket, side: Side, face: Figure, seam: Figure): Figure {
  return derive({
    id: `bracket.${p.id}.seam.${side}`,
    label: `${p.item.name} to the weld of the ${side} tube`,
    unit: 'mm',
    formula: side === 'left' ? '|{m} − {C} − {s}| − {w}/2' : '|{C} − {m} − {s}| − {w}/2',
    source: 'Its middle to the weld, less half of its width',
    inputs: { m: p.middle as Figure, C: face, s: seam, w: sizeOf(p, 'wide') },
  });
}

/** Room to the casting and to the housing end, mm; below 0 where it stands over either. */
function endGaps(
  p: PlacedBracket,
  side: Side,
  face: Maybe,
  end: Maybe,
): Readonly<Record<'casting' | 'end', Maybe>> {
  const of = (what: 'casting' | 'end', f: Maybe): Maybe => {
    if (!f || !p.middle) return undefined;
    const out = (side === 'left') === (what === 'casting');
    return derive({
      id: `bracket.${p.id}.${what}Room.${side}`,
      label: `${p.item.name} to the ${what === 'casting' ? 'casting' : 'housing end'}, ${side}`,
      unit: 'mm',
      formula: out ? '{m} − {f} − {w}/2' : '{f} − {m} − {w}/2',
      source: 'Its middle to the face, less half of its width',
      inputs: { m: p.middle, f, w: sizeOf(p, 'wide') },
    });
  };
  return { casting: of('casting', face), end: of('end', end) };
}

/** As it was read after the work, less as it was planned. */
function offOf(p: PlacedBracket, what: 'place' | 'angle', now: Maybe, want: Maybe): Maybe {
  if (!p.item.made || !now || !want) return undefined;
  return derive({
    id: `bracket.${p.id}.off.${what}`,
    label: `${p.item.name}, off its ${what} as ${p.item.made.by}`,
    unit: now.unit,
    formula: '{m} − {p}',
    source: 'As read, less as planned',
    inputs: { m: now, p: want },
  });
}

/** Room to the weld of each tube that it lies on; nothing for what is clamped and can be moved. */
function seamGaps(r: Reads, p: PlacedBracket): Readonly<Partial<Record<Side, Figure>>> {
  if (!p.middle || p.item.hold === 'clamped') return {};
  const gaps: Partial<Record<Side, Figure>> = {};
  for (const side of sidesOf(p)) {
    const [face, weld] = [r.of(newFrame).casting[side], r.of(seams)[side]];
    if (face && weld) gaps[side] = seamGap(p, side, face, weld);
  }
  return gaps;
}

/** Room of a bracket to casting, housing end and the tube’s weld, and how far it is off its place. */
export const gapsOf = perBracket('gaps', (r, id): OwnGaps | undefined => {
  const p = r.of(placeOf(id));
  if (!p) return undefined;
  const { casting, end } = r.of(newFrame);
  const ends: Partial<Record<Side, ReturnType<typeof endGaps>>> = {};
  for (const side of sidesOf(p)) ends[side] = endGaps(p, side, casting[side], end[side]);
  return {
    ends,
    seams: seamGaps(r, p),
    offPlace: offOf(p, 'place', p.fromCasting, p.planned?.fromCasting),
    offAngle: p.item.made?.clock === undefined ? undefined : offOf(p, 'angle', p.clock, p.planned?.clock),
  };
});

/** A datum’s place from the car’s centreline, and its distance to a kit’s datum. */
function kitDatum(r: Reads, side: Side, datum: BracketDatum, at: number, tag: string): Figure | undefined {
  const { casting, end, seat } = r.of(newFrame);
  const a = given(`kit.${tag}`, 'Kit’s datum', at, 0, 'mm', { source: 'Entered of the kit', byTape: true });
  const zero = given('frame.centre', 'Car’s centreline', 0, 0, 'mm', 'What left and right are measured from');
  const d = { casting: casting[side], end: end[side], seat: seat[side], centre: zero }[datum];
  if (!d) return undefined;
  const out = (side === 'left') === (datum !== 'end');
  return derive({
    id: `kit.${tag}.y`,
    label: 'Kit’s datum from the car’s centreline',
    unit: 'mm',
    formula: out ? '{d} + {a}' : '{d} − {a}',
    source: 'By one of its datums; left is plus',
    inputs: { d, a },
  });
}

/** A kit’s datum by one of the axle’s, less by the other: 0 where they agree. */
export const kitOffs = node('kitOffs', (r): Readonly<Record<string, Figure>> => {
  const all: Record<string, Figure> = {};
  for (const [id, kit] of Object.entries(r.part('bracketKits'))) {
    if (!kit.datum2 || kit.at2 === undefined) continue;
    const side: Side = kit.side === 'right' ? 'right' : 'left';
    const first = kitDatum(r, side, kit.datum, kit.at, `${id}.at`);
    const second = kitDatum(r, side, kit.datum2, kit.at2, `${id}.at2`);
    if (first && second)
      all[id] = derive({
        id: `kit.${id}.off`,
        label: `${kit.name}: both of its datums`,
        unit: 'mm',
        formula: '{a} − {b}',
        source: 'The same place by one datum and by the other',
        inputs: { a: first, b: second },
      });
  }
  return all;
});

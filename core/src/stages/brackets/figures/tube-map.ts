import { SIDES, type Side, type Sided } from '../../../geometry';
import { derive, given, type Figure, type Maybe } from '../../../measure';
import { patchPairs, wrapped, type TubePatch } from '../../../mechanics';
import { marks } from '../../cut/figures/marks';
import { school } from '../../cut/figures/schools';
import { COVERS } from '../names';
import { node, type Reads } from '../node';
import { newFrame, outside, radiusOf, signOf } from './frame';
import { places, sidesOf, type PlacedBracket } from './places';

/** A bracket as it lies on the skin of one tube: from the casting face outboard, mm; rad round it. */
export interface Patch extends TubePatch {
  readonly placed: PlacedBracket;
}

/** One tube with what stands on it. */
export interface TubeMap {
  readonly side: Side;
  readonly radius: number;
  /** Casting face to housing end, mm. */
  readonly length: number;
  readonly patches: readonly Patch[];
}

/** Two things on one tube nearer each other than a weld wants. */
export interface Meeting {
  readonly a: Patch;
  readonly b: Patch;
  readonly side: Side;
  /** Along the tube or round it, whichever is more, mm; below 0 where they lie on each other. */
  readonly gap: Figure;
}

function patchOf(
  p: PlacedBracket,
  side: Side,
  face: number,
  radius: number,
  margin: number,
): Patch | undefined {
  if (!p.middle || !p.clock) return undefined;
  const at = signOf(side) * (p.middle.value - face);
  const [from, to] = [at - p.item.wide / 2, at + p.item.wide / 2];
  const half = Math.min(Math.PI, p.item.round / 2 / radius);
  return { placed: p, from, to, clock: p.clock.value, half, margin };
}

function mapOf(r: Reads, side: Side): TubeMap | undefined {
  const { casting, end } = r.of(newFrame);
  const [face, far, radius] = [casting[side], end[side], radiusOf(r.of(outside)[side])];
  if (!face || !far || !radius) return undefined;
  // Half of the room on either one: together all of it.
  const margin = r.limit('bracket.margin').value / 2;
  return {
    side,
    radius,
    length: Math.abs(far.value - face.value),
    patches: r
      .of(places)
      .filter((p) => sidesOf(p).includes(side))
      .flatMap((p) => patchOf(p, side, face.value, radius, margin) ?? []),
  };
}

/** Both tubes; undefined for one whose length, place or outside is not known. */
export const tubeMaps = node('tubeMaps', (r): Sided<TubeMap | undefined> => ({
  left: mapOf(r, 'left'),
  right: mapOf(r, 'right'),
}));

const ownKit = (a: Patch, b: Patch): boolean =>
  a.placed.item.kit !== undefined && a.placed.item.kit === b.placed.item.kit;

/** What lies too near another thing on its tube; parts of one kit are as their maker set them. */
export const meetings = node('meetings', (r): readonly Meeting[] => {
  const maps = r.of(tubeMaps);
  return SIDES.flatMap((side) => {
    const map = maps[side];
    const od = r.of(outside)[side];
    if (!map || !od) return [];
    return patchPairs(map.patches, map.radius).flatMap(([i, j]): Meeting[] => {
      const [a, b] = [map.patches[i] as Patch, map.patches[j] as Patch];
      return ownKit(a, b) ? [] : [{ a, b, side, gap: gapOf(a, b, side, od) }];
    });
  });
});

export const sizeOf = (p: PlacedBracket, what: 'wide' | 'round'): Figure =>
  given(
    `bracket.${p.id}.${what}`,
    `${p.item.name}, ${what === 'wide' ? 'along' : 'round'} the tube`,
    p.item[what],
    0,
    'mm',
    {
      source: what === 'wide' ? 'Its own size along the axle' : 'Its own size round the tube',
      byTape: true,
    },
  );

/** Clear room between two patches: along the tube, or round it, whichever is more. */
function gapOf(a: Patch, b: Patch, side: Side, D: Figure): Figure {
  const [p, q] = [a.placed, b.placed];
  const id = `bracket.${p.id}.${q.id}.${side}`;
  const along = derive({
    id: `${id}.along`,
    label: `${p.item.name} to ${q.item.name}, along the tube`,
    unit: 'mm',
    formula: '|{x} − {y}| − ({u} + {v})/2',
    source: 'Middle to middle, less half of both widths',
    inputs: { x: p.middle as Figure, y: q.middle as Figure, u: sizeOf(p, 'wide'), v: sizeOf(q, 'wide') },
  });
  const turn = a.clock - b.clock - wrapped(a.clock - b.clock);
  const t = given(
    `${id}.turns`,
    'Whole turns between both',
    turn,
    0,
    'rad',
    'They come round to the same place',
  );
  const round = derive({
    id: `${id}.round`,
    label: `${p.item.name} to ${q.item.name}, round the tube`,
    unit: 'mm',
    formula: '|{c} − {e} − {t}|·{D}/2 − ({u} + {v})/2',
    source: 'On the skin: middle to middle, less half of what both take round it',
    inputs: {
      c: p.clock as Figure,
      e: q.clock as Figure,
      t,
      D,
      u: sizeOf(p, 'round'),
      v: sizeOf(q, 'round'),
    },
  });
  return derive({
    id: `${id}.gap`,
    label: `Room between ${p.item.name} and ${q.item.name}`,
    unit: 'mm',
    formula: 'max({a}, {r})',
    source: 'They are clear of each other by the greater of both',
    inputs: { a: along, r: round },
  });
}

/** Where the weld of a shortened tube lies, mm outboard of its casting face. */
export const seams = node('seams', (r): Sided<Maybe> => {
  const { marks: found } = r.of(marks);
  const of = (side: Side): Maybe => {
    const m = found[side];
    if (!m || r.of(school)?.work[side] !== 'shorten') return undefined;
    const { casting, end } = r.of(newFrame);
    const [C, E] = [casting[side], end[side]];
    if (!C || !E) return undefined;
    return derive({
      id: `bracket.seam.${side}`,
      label: `Weld of the tube from its casting face, ${side}`,
      unit: 'mm',
      formula: side === 'left' ? '{E} − {C} − {e}' : '{C} − {E} − {e}',
      source: 'The finished tube, less what lies from the weld to the housing end',
      inputs: { C, E, e: m.toEnd },
    });
  };
  return { left: of('left'), right: of('right') };
});

/** Something that covers a fitting. */
export const isCover = (p: PlacedBracket): boolean => COVERS.includes(p.item.kind);

import { marks as allMarks } from '../figures/marks';
import { windows } from '../figures/windows';
import { node, type Reads } from '../node';
import { bySide, type Side } from '../../../geometry';
import { markHandles } from './mark-handle';
import { markDatum } from '../mark-places';
import type { Mark, SideMarks } from '../marks-result';
import type { MarkDatum } from '../choices';
import { unrolledTube, type Unrolled } from './unrolled';
import { bar, type Caption, type Dimension, type Point, type Shape, type View } from '../../../drawing';

/** How much of the casting is drawn, and room beyond the housing end, mm. */
const CASTING = 34;
const BEYOND = 20;

/**
 * One tube along its length, casting face at u = 0, housing end outboard to the right for the right side
 * and to the left for the left side: marks, kerfs, slug and end piece, with the lengths to scribe.; nothing while the tube has not been measured.
 */
function tubeOf(r: Reads, side: Side): View | undefined {
  const [method, datum] = [r.choice('method'), r.choice('datum')];
  const T = r.figure(`donor.tube.${side}`)?.value;
  if (T === undefined) return undefined;
  const known = r.figure('donor.tubeOd')?.value;
  const od = known ?? 70;
  const d = side === 'left' ? -1 : 1;
  const marks = r.of(allMarks).marks[side];
  // While the diameter is not known its skin has no size.
  const flat = known === undefined ? NOT_UNROLLED : unrolledTube(T, od, d, marks);
  const shapes: Shape[] = [
    ...tubeShapes(T, d, od, `donor.tube.${side}`),
    ...standing(r, side, d, od),
    ...freeShapes(r, side, d, od),
    ...(marks ? markShapes(marks, d, od, r.figure('cut.kerf')?.value ?? 0) : []),
    ...flat.shapes,
  ];
  const left = Math.min(-d * CASTING, d * (T + BEYOND));
  return {
    title: `${side === 'left' ? 'Left' : 'Right'} tube, before the cut`,
    bounds: { left, right: left + T + CASTING + BEYOND, top: od, bottom: Math.min(flat.bottom, -od) },
    shapes,
    dimensions: [
      ...(marks ? markDimensions(marks, markDatum(method, datum), d, od, side) : []),
      whole(T, d, od, side),
    ],
    handles: markHandles(marks, { side, method, casting: 0, outboard: d, v: od * 0.72 }),
    captions: [
      ...itemNames(r, side, d, od),
      { text: 'casting', at: [-d * (CASTING / 2), od * 0.95], anchor: 'middle' },
      { text: 'housing end', at: [d * T, od * 0.95], anchor: d > 0 ? 'end' : 'start' },
      ...flat.captions,
    ],
  };
}

const NOT_UNROLLED: Unrolled = { shapes: [], captions: [], bottom: 0 };

/** Casting, tube and housing end along the tube’s axis. */
const tubeShapes = (T: number, d: number, od: number, at: string): readonly Shape[] => [
  { kind: 'outline', style: 'casting', points: bar(-d * CASTING, 0, od * 1.7) },
  { kind: 'outline', style: 'tube', points: bar(0, d * T, od), at },
  { kind: 'outline', style: 'flange', points: bar(d * (T - 8), d * T, od * 1.5), at },
  {
    kind: 'line',
    style: 'centreline',
    points: [
      [-d * CASTING, 0],
      [d * (T + BEYOND), 0],
    ],
  },
];

const itemNames = (r: Reads, side: Side, d: number, od: number): readonly Caption[] =>
  Object.values(r.part('tubeItems'))
    .filter((item) => item.side === side)
    .map(({ name, from, to }) => ({ text: name, at: [(d * (from + to)) / 2, od * 0.66], anchor: 'middle' }));

/** What is listed on the tube, as it stands out of it. */
const standing = (r: Reads, side: Side, d: number, od: number): Shape[] =>
  Object.values(r.part('tubeItems'))
    .filter((item) => item.side === side)
    .map(({ name, from, to }) => ({
      kind: 'outline',
      style: 'casting',
      name,
      points: bar(d * from, d * Math.max(to, from + 2), od * 1.25),
    }));

/** Stretches in which the first mark may stand, as a band along the tube. */
const freeShapes = (r: Reads, side: Side, d: number, od: number): Shape[] =>
  (r.of(windows)[side]?.free ?? []).map(({ from, to, between }) => ({
    kind: 'outline',
    style: 'window',
    name: `free for the first mark, between ${between[0]} and ${between[1]}`,
    points: [
      [d * from.value, -od * 0.62],
      [d * to.value, -od * 0.62],
      [d * to.value, -od * 0.54],
      [d * from.value, -od * 0.54],
    ],
  }));

function markShapes(marks: SideMarks, d: number, od: number, kerf: number): Shape[] {
  const [inner, outer] = [marks.inner.fromCasting.value, marks.outer.fromCasting.value];
  const at = `cut.mark.${sideOf(d)}`;
  const line = (u: number): Shape => ({
    kind: 'line',
    style: 'mark',
    at,
    points: [
      [u, -od * 0.72],
      [u, od * 0.72],
    ],
  });
  return [
    { kind: 'outline', style: 'slug', points: bar(d * inner, d * outer, od), at },
    { kind: 'outline', style: 'kerf', points: bar(d * inner, d * (inner + kerf), od) },
    { kind: 'outline', style: 'kerf', points: bar(d * (outer - kerf), d * outer, od) },
    line(d * inner),
    line(d * outer),
  ];
}

function whole(T: number, d: number, od: number, side: Side): Dimension {
  const id = `donor.tube.${side}`;
  return {
    id,
    label: `Casting to housing end, ${side}`,
    from: [0, od / 2],
    to: [d * T, od * 0.75],
    row: 1,
    value: T,
    figureId: id,
    quantityId: id,
  };
}

function markDimensions(marks: SideMarks, datum: MarkDatum, d: number, od: number, side: Side): Dimension[] {
  const [inner, outer] = [marks.inner.fromCasting.value, marks.outer.fromCasting.value];
  const start: Point = [datumPlace(datum, marks.tube.value, d), -od / 2];
  const low = (u: number): Point => [d * u, -od / 2];
  return [
    {
      id: `spacing.${side}`,
      label: `Between the marks, ${side}`,
      from: low(inner),
      to: low(outer),
      row: -1,
      value: marks.spacing.value,
      figureId: marks.spacing.id,
    },
    ...placed(`inner.${side}`, marks.inner, start, low(inner), -2, `cut.mark.${side}`),
    ...placed(`outer.${side}`, marks.outer, start, low(outer), -3),
  ];
}

/** A mark from the datum of the sheet; nothing while the datum’s own place is not known. */
function placed(id: string, mark: Mark, from: Point, to: Point, row: number, quantityId?: string): Dimension[] {
  const { fromDatum } = mark;
  if (!fromDatum) return [];
  const { label, value, id: figureId } = fromDatum;
  return [{ id, label, from, to, row, value, figureId, ...(quantityId ? { quantityId } : {}) }];
}

/** Where the datum lies here. The pinion axis lies off the picture: its dimensions start at the casting. */
function datumPlace(datum: MarkDatum, T: number, d: number): number {
  if (datum === 'housingEnd') return d * T;
  return datum === 'pinion' ? -d * CASTING : 0;
}

const sideOf = (d: number): Side => (d < 0 ? 'left' : 'right');

/** Both tubes. */
export const tubeViews = node('tubeViews', (r) => bySide((side) => tubeOf(r, side)));

import type { Side } from '../../../geometry';
import type { Caption, Dimension, MarkHandle, Point, Shape, View } from '../../../drawing';
import { wrapped } from '../../../mechanics';
import { donorThings } from '../figures/donor-things';
import { meetings, seams, tubeMaps, type Patch, type TubeMap } from '../figures/tube-map';
import { node, type Reads } from '../node';
import { placeOfBracket, rectangle } from './scene';

/** v of a clock angle on the unrolled tube: the top in the middle, forward up. */
const upOf = (clock: number, radius: number): number => radius * wrapped(clock);

function quarters({ radius, length }: TubeMap, way: 1 | -1): { shapes: Shape[]; captions: Caption[] } {
  const line = (name: string, at: number): Shape => ({
    kind: 'line',
    style: 'centreline',
    name,
    points: [
      [0, at],
      [way * length, at],
    ],
  });
  const word = (text: string, at: number): Caption => ({
    text,
    at: [way * length, at],
    anchor: way > 0 ? 'start' : 'end',
  });
  const quarter = (Math.PI / 2) * radius;
  return {
    shapes: [line('top', 0), line('front', quarter), line('rear', -quarter)],
    captions: [
      word('bottom', 2 * quarter - 4),
      word('front', quarter),
      word('top', 0),
      word('rear', -quarter),
      word('bottom', -2 * quarter + 4),
    ],
  };
}

/** Outlines of a patch: two where it runs over the edge at the bottom of the tube. */
function pieces(patch: Patch, radius: number, way: 1 | -1, grow = 0): readonly (readonly Point[])[] {
  const round = Math.PI * radius;
  const half = Math.min(round, patch.half * radius + grow);
  const middle = upOf(patch.clock, radius);
  const [u0, u1] = [way * (patch.from - grow), way * (patch.to + grow)];
  const cut = (low: number, high: number) => rectangle(u0, u1, Math.max(low, -round), Math.min(high, round));
  const all = [cut(middle - half, middle + half)];
  if (middle + half > round) all.push(cut(-round, middle + half - 2 * round));
  if (middle - half < -round) all.push(cut(middle - half + 2 * round, round));
  return all;
}

function shapesOf(patch: Patch, map: TubeMap, way: 1 | -1, bad: boolean, margin: number): readonly Shape[] {
  const { id, item } = patch.placed;
  const at = placeOfBracket(id);
  const welded = item.hold === 'welded';
  return [
    ...(welded
      ? pieces(patch, map.radius, way, margin).map((points): Shape => ({
          kind: 'outline',
          style: 'weldRoom',
          name: `${item.name}, room for its weld`,
          points,
        }))
      : []),
    ...pieces(patch, map.radius, way).map((points): Shape => ({
      kind: 'outline',
      style: bad ? 'clash' : item.hold === 'drilled' ? 'hole' : 'bracket',
      name: item.name,
      at,
      points,
    })),
  ];
}

/** Handles that move a bracket along its tube and round it; what was read after the work stays where it is. */
function handlesOf(patch: Patch, map: TubeMap, way: 1 | -1): readonly MarkHandle[] {
  const { placed } = patch;
  const { item, fromCasting, clock } = placed;
  if (item.made || item.side === 'across' || !fromCasting || !clock) return [];
  const at: Point = [way * ((patch.from + patch.to) / 2), upOf(patch.clock, map.radius)];
  return [
    {
      id: `bracket.${placed.id}`,
      quantityId: `bracket.${placed.id}.at`,
      place: placeOfBracket(placed.id),
      label: `${item.name}, ${map.side} tube`,
      at,
      value: fromCasting.value,
      min: -map.length,
      max: map.length,
      direction: way,
      other: {
        quantityId: `bracket.${placed.id}.clock`,
        value: clock.value,
        min: clock.value - Math.PI,
        max: clock.value + Math.PI,
        direction: map.radius,
      },
    },
  ];
}

function seamOf(r: Reads, map: TubeMap, way: 1 | -1): readonly Shape[] {
  const seam = r.of(seams)[map.side];
  if (!seam) return [];
  const keep = r.limit('bracket.seam').value;
  const round = Math.PI * map.radius;
  return [
    {
      kind: 'outline',
      style: 'slugFlat',
      name: 'weld of the tube, and its room',
      points: rectangle(way * (seam.value - keep), way * (seam.value + keep), -round, round),
    },
    {
      kind: 'line',
      style: 'mark',
      name: 'cut and weld of the tube',
      points: [
        [way * seam.value, -round],
        [way * seam.value, round],
      ],
    },
  ];
}

function dimensionsOf(map: TubeMap, way: 1 | -1): readonly Dimension[] {
  const round = Math.PI * map.radius;
  return map.patches.flatMap(({ placed }, i): Dimension[] => {
    const f = placed.fromCasting;
    if (!f || placed.item.side === 'across') return [];
    return [
      {
        id: `map.${placed.id}`,
        label: `${placed.item.name} from the casting face`,
        from: [0, round],
        to: [way * f.value, round],
        row: i + 1,
        value: f.value,
        figureId: f.id,
        name: placed.item.name,
      },
    ];
  });
}

/** What is on the tube from the donor: all the way round, for where it stands round it is not listed. */
const oldOnes = (r: Reads, map: TubeMap, way: 1 | -1): readonly Shape[] =>
  r
    .of(donorThings)
    .filter(({ side }) => side === map.side)
    .map(({ name, from, to }): Shape => ({
      kind: 'outline',
      style: 'ghost',
      name: `${name}, on the donor’s tube`,
      points: rectangle(way * from.value, way * to.value, -Math.PI * map.radius, Math.PI * map.radius),
    }));

/** Most dimensions that stand over a map: with more the drawing would be all rows. */
const MOST = 6;

function mapView(r: Reads, side: Side): View | undefined {
  const map = r.of(tubeMaps)[side];
  if (!map) return undefined;
  const way = side === 'left' ? -1 : 1;
  const bad = new Set(
    r
      .of(meetings)
      .flatMap(({ a, b, gap, side: at }) => (at === side && gap.value < 0 ? [a.placed.id, b.placed.id] : [])),
  );
  const round = Math.PI * map.radius;
  const { shapes, captions } = quarters(map, way);
  const margin = r.limit('bracket.margin').value;
  const dimensions = dimensionsOf(map, way);
  return {
    title: `${side === 'left' ? 'Left' : 'Right'} tube, unrolled`,
    bounds: {
      left: Math.min(0, way * map.length) - 8,
      right: Math.max(0, way * map.length) + 8,
      top: round + 4,
      bottom: -round - 4,
    },
    shapes: [
      {
        kind: 'outline',
        style: 'skin',
        name: 'tube, unrolled',
        points: rectangle(0, way * map.length, -round, round),
      },
      ...seamOf(r, map, way),
      ...oldOnes(r, map, way),
      ...shapes,
      ...map.patches.flatMap((p) => shapesOf(p, map, way, bad.has(p.placed.id), margin)),
    ],
    dimensions: dimensions.length > MOST ? [] : dimensions,
    handles: map.patches.flatMap((p) => handlesOf(p, map, way)),
    captions: [
      ...captions,
      ...map.patches.map((p): Caption => ({
        text: p.placed.item.name,
        at: [way * ((p.from + p.to) / 2), upOf(p.clock, map.radius) - 9],
        anchor: 'middle',
      })),
      { text: 'casting', at: [-way * 3, 0], anchor: way > 0 ? 'end' : 'start' },
    ],
  };
}

/** The left tube’s skin laid flat: the casting at the right, the housing end at the left, forward up. */
export const leftMap = node('leftMap', (r) => mapView(r, 'left'));
/** The right tube’s: the casting at the left. */
export const rightMap = node('rightMap', (r) => mapView(r, 'right'));

import type { Side } from '../../geometry';
import { notchDepth, saddleDepth, wrapped } from '../../mechanics';
import type { JigLayer, JigShape, Spot } from '../hubs/jig';
import { outside } from './figures/frame';
import { seams, tubeMaps, type Patch, type TubeMap } from './figures/tube-map';
import { places } from './figures/places';
import { node, type Reads } from './node';

/** Templates there are, by the last part of their address. */
export const TEMPLATES = ['wrap-left', 'wrap-right', 'saddles', 'notch', 'plate'] as const;
export type TemplateId = (typeof TEMPLATES)[number];
export const TEMPLATE_NAMES: Readonly<Record<TemplateId, string>> = {
  'wrap-left': 'Wrap of the left tube',
  'wrap-right': 'Wrap of the right tube',
  saddles: 'Bracket plates with their saddles',
  notch: 'Notch of the brace tube',
  plate: 'Spring plate',
};

/** A word on a template, mm. */
export interface TemplateWord {
  readonly text: string;
  readonly at: Spot;
}

/** Shapes in full size, or what they lack. */
export interface Template {
  readonly shapes: readonly JigShape[];
  readonly words: readonly TemplateWord[];
  /** Said under its title. */
  readonly said: string;
  /** Quantities without which it cannot be made; then there are no shapes. */
  readonly lacks: readonly string[];
}

const path = (layer: JigLayer, points: readonly Spot[], closed = false): JigShape => ({
  kind: 'path',
  layer,
  points,
  closed,
});
const rectangle = (layer: JigLayer, x0: number, x1: number, y0: number, y1: number): JigShape =>
  path(
    layer,
    [
      [x0, y0],
      [x1, y0],
      [x1, y1],
      [x0, y1],
    ],
    true,
  );
const lacking = (...lacks: readonly string[]): Template => ({ shapes: [], words: [], said: '', lacks });

/** Marks of a wrap: every 10 mm along both edges, every 15° along both ends, longer at each quarter. */
function marks(length: number, radius: number): readonly JigShape[] {
  const round = Math.PI * radius;
  const shapes: JigShape[] = [];
  for (let x = 0; x <= length; x += 10) {
    const tick = x % 50 === 0 ? 6 : 3;
    shapes.push(
      path('mark', [
        [x, -round],
        [x, -round + tick],
      ]),
      path('mark', [
        [x, round],
        [x, round - tick],
      ]),
    );
  }
  for (let degrees = -180; degrees <= 180; degrees += 15) {
    const y = (radius * degrees * Math.PI) / 180;
    const tick = degrees % 90 === 0 ? 12 : 5;
    shapes.push(
      path('mark', [
        [0, y],
        [tick, y],
      ]),
      path('mark', [
        [length, y],
        [length - tick, y],
      ]),
    );
  }
  return shapes;
}

/** A bracket on a wrap: its outline, twice where it runs over the edge, with a cross in its middle. */
function outlines(patch: Patch, radius: number): readonly JigShape[] {
  const round = Math.PI * radius;
  const half = Math.min(round, patch.half * radius);
  const y = radius * wrapped(patch.clock);
  const x = (patch.from + patch.to) / 2;
  const layer: JigLayer = patch.placed.item.hold === 'drilled' ? 'drill' : 'locate';
  const piece = (low: number, high: number) =>
    rectangle(layer, patch.from, patch.to, Math.max(low, -round), Math.min(high, round));
  return [
    piece(y - half, y + half),
    ...(y + half > round ? [piece(-round, y + half - 2 * round)] : []),
    ...(y - half < -round ? [piece(y - half + 2 * round, round)] : []),
    path('mark', [
      [x - 4, y],
      [x + 4, y],
    ]),
    path('mark', [
      [x, y - 4],
      [x, y + 4],
    ]),
  ];
}

function wrapOf(r: Reads, map: TubeMap): Template {
  const { radius, length, patches } = map;
  const round = Math.PI * radius;
  const seam = r.of(seams)[map.side]?.value;
  const on = patches.filter((p) => p.to > 0 && p.from < length);
  return {
    shapes: [
      rectangle('outline', 0, length, -round, round),
      ...marks(length, radius),
      ...(seam === undefined
        ? []
        : [
            path('keep', [
              [seam, -round],
              [seam, round],
            ]),
          ]),
      ...on.flatMap((p) => outlines(p, radius)),
    ],
    words: [
      { text: 'top', at: [14, 1] },
      { text: 'front', at: [14, round / 2 + 1] },
      { text: 'rear', at: [14, -round / 2 + 1] },
      { text: 'casting face', at: [1, -round + 8] },
      ...on.map((p): TemplateWord => ({
        text: p.placed.item.name,
        at: [Math.max(1, p.from + 1), radius * wrapped(p.clock) + 1.5],
      })),
    ],
    said: 'Printed side out, the end at the casting face, “top” on the line that the casting’s flat gives. Marks every 10 mm and 15°.',
    lacks: [],
  };
}

function wrap(r: Reads, side: Side): Template {
  const map = r.of(tubeMaps)[side];
  return map
    ? wrapOf(r, map)
    : lacking('brief.targetWidth', `donor.casting.${side}`, `donor.tube.${side}`, 'donor.tubeOd');
}

const ARC_STEPS = 48;
const PLATE_GAP = 12;

/** A plate on a tube: its hollow below, its bolt’s hole above, mm; u about its middle from `x`. */
function plateOf(
  x: number,
  radius: number,
  half: number,
  high: number,
  bolt: number | undefined,
): readonly JigShape[] {
  const depth = saddleDepth(radius, half);
  const sin = half / radius;
  const hollow = Array.from({ length: ARC_STEPS + 1 }, (_, i): Spot => {
    const t = Math.asin(sin) * ((2 * i) / ARC_STEPS - 1);
    return [x + radius * Math.sin(t), radius * Math.cos(t) - radius];
  });
  const top = high + (bolt === undefined ? 0 : 1.6 * bolt);
  return [
    path('outline', [...hollow, [x + half, top], [x - half, top]], true),
    path('mark', [
      [x, -depth],
      [x, top],
    ]),
    ...(bolt === undefined
      ? []
      : [
          { kind: 'circle' as const, layer: 'drill' as const, centre: [x, high] as Spot, radius: bolt / 2 },
          path('mark', [
            [x - bolt, high],
            [x + bolt, high],
          ]),
        ]),
  ];
}

/** Plates of every bracket that stands up from its tube, beside each other. */
const saddles = node('saddles', (r): Template => {
  const od = r.of(outside).left;
  if (!od) return lacking('donor.tubeOd');
  const radius = od.value / 2;
  const shapes: JigShape[] = [];
  const words: TemplateWord[] = [];
  let x = 0;
  for (const { item } of r.of(places)) {
    if (item.hold !== 'welded' || item.high === undefined || item.high <= 0) continue;
    // What it takes round the tube is an arc; its plate is as wide as the chord of that.
    const half = radius * Math.sin(Math.min(Math.PI / 2, item.round / 2 / radius));
    const middle = x + half;
    shapes.push(...plateOf(middle, radius, half, item.high, item.bolt));
    words.push({ text: item.name, at: [middle - half + 1, item.high / 2] });
    x = middle + half + PLATE_GAP;
  }
  return shapes.length
    ? {
        shapes,
        words,
        said: 'Each plate from the tube’s skin up; the hole stands as high off the skin as the bracket is listed.',
        lacks: [],
      }
    : lacking('bracket.list');
});

const NOTCH_STEP = 3;
/** Tube left behind the deepest place of a notch on its template, mm. */
const BEHIND = 25;

/** The brace’s skin laid flat: the cut by its outside, and dashed by marks the one by its inside. */
const notch = node('notch', (r): Template => {
  const D = r.of(outside).left;
  const [d, t, α, o] = [
    r.figure('brace.outside'),
    r.figure('brace.wall'),
    r.figure('brace.angle'),
    r.figure('brace.offset'),
  ];
  if (!D || !d || !t || !α || !o)
    return lacking(
      ...(D ? [] : ['donor.tubeOd']),
      ...(d ? [] : ['brace.outside']),
      ...(t ? [] : ['brace.wall']),
    );
  const radius = d.value / 2;
  const curve = (skin: number) =>
    Array.from({ length: 360 / NOTCH_STEP + 1 }, (_, i): readonly [number, number | undefined] => {
      const clock = ((i * NOTCH_STEP - 180) * Math.PI) / 180;
      const shape = { main: D.value / 2, branch: skin, angle: α.value, offset: o.value };
      return [radius * clock, notchDepth(shape, clock)];
    });
  const [outer, inner] = [curve(radius), curve(Math.max(0, radius - t.value))];
  if (outer.some(([, y]) => y === undefined)) return lacking('brace.offset', 'brace.outside');
  const spots = (all: typeof outer): Spot[] => all.map(([x, y]) => [x, y ?? 0]);
  const cut = spots(outer);
  const top = Math.max(...cut.map(([, y]) => y)) + BEHIND;
  const round = Math.PI * radius;
  return {
    shapes: [
      path('outline', [...cut, [round, top], [-round, top]], true),
      path('keep', spots(inner)),
      ...[-90, 0, 90].map((degrees) => {
        const x = (radius * degrees * Math.PI) / 180;
        return path('mark', [
          [x, top],
          [x, top - 8],
        ]);
      }),
    ],
    words: [
      { text: 'acute side', at: [1, top - 12] },
      { text: 'offset side', at: [round / 2 + 1, top - 12] },
    ],
    said: 'Wrapped round the brace, printed side out. Outline: by its outside, for a scribed skin. Second line: by its inside, where a notched wall bears. Heights are from the axle’s middle along the brace.',
    lacks: [],
  };
});

/** Holes go this much over their bolts, mm. */
const EASE = 1;
const PIN_EASE = 0.3;
const EDGE = 2;

/** The plate under the spring: four holes of the U-bolts, and the centre bolt’s, in the middle and moved. */
const plate = node('plate', (r): Template => {
  const D = r.of(outside).left;
  const [d, w, p, s] = [
    r.figure('clamp.bolt'),
    r.figure('spring.width'),
    r.figure('perch.pin'),
    r.figure('perch.shift'),
  ];
  if (!D || !d || !w || !p)
    return lacking(
      ...(D ? [] : ['donor.tubeOd']),
      ...(d ? [] : ['clamp.bolt']),
      ...(w ? [] : ['spring.width']),
      ...(p ? [] : ['perch.pin']),
    );
  const [u, v] = [(D.value + d.value) / 2, (w.value + d.value) / 2 + EASE];
  const hole = (x: number, y: number, size: number): JigShape => ({
    kind: 'circle',
    layer: 'drill',
    centre: [x, y],
    radius: size / 2,
  });
  const shift = s?.value ?? 0;
  const edge = EDGE * d.value;
  return {
    shapes: [
      rectangle('outline', -u - edge, u + edge, -v - edge, v + edge),
      ...[-u, u].flatMap((x) => [-v, v].map((y) => hole(x, y, d.value + EASE))),
      hole(0, 0, p.value + PIN_EASE),
      ...(shift === 0 ? [] : [hole(-shift, 0, p.value + PIN_EASE)]),
      path('mark', [
        [-u - edge, 0],
        [u + edge, 0],
      ]),
      path('mark', [
        [0, -v - edge],
        [0, v + edge],
      ]),
    ],
    words: [
      { text: 'forward', at: [u - 10, 1] },
      { text: 'centre bolt', at: [2, 2] },
    ],
    said: 'Seen from above, forward to the right. U-bolt holes 1 mm over the bolt; the spring lies between them.',
    lacks: [],
  };
});

/** Every template by its id. */
export const templates = {
  'wrap-left': node('wrapLeft', (r) => wrap(r, 'left')),
  'wrap-right': node('wrapRight', (r) => wrap(r, 'right')),
  saddles,
  notch,
  plate,
} as const;

import { unless } from '../../stage';
import type { Side } from '../../geometry';
import { notchDepth, wrapped } from '../../mechanics';
import type { JigLayer, JigShape, Spot } from '../hubs/jig';
import { outside } from './figures/frame';
import { seams, tubeMaps, type Patch, type TubeMap } from './figures/tube-map';
import { node, type Reads } from './node';
import { lacking, path, rectangle, type Template, type TemplateWord } from './template-parts';
import { notchLie, wrapLie } from './template-lies';
import { plate, saddles } from './template-plates';

/** Templates there are, by the last part of their address. */
export const TEMPLATES = ['wrap-left', 'wrap-right', 'saddles', 'notch', 'notch-mirrored', 'plate'] as const;
export type TemplateId = (typeof TEMPLATES)[number];
export const TEMPLATE_NAMES: Readonly<Record<TemplateId, string>> = {
  'wrap-left': 'Wrap of the left tube',
  'wrap-right': 'Wrap of the right tube',
  saddles: 'Bracket plates with their saddles',
  notch: 'Notch, brace leaning inboard on the left tube or outboard on the right',
  'notch-mirrored': 'Notch, brace leaning outboard on the left tube or inboard on the right',
  plate: 'Spring plate',
};

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

/**
 * Which way a clock angle runs on the paper of a wrap. Its length runs outboard from the casting face and its printed
 * side is out: so the front is up on the right tube’s and down on the left one’s.
 */
const upOf = (side: Side): 1 | -1 => (side === 'right' ? 1 : -1);

/** A bracket on a wrap: its outline, twice where it runs over the edge, no farther than its tube, with a cross in its middle. */
function outlines(patch: Patch, { radius, length, side }: TubeMap): readonly JigShape[] {
  const round = Math.PI * radius;
  const half = Math.min(round, patch.half * radius);
  const y = upOf(side) * radius * wrapped(patch.clock);
  const [from, to] = [Math.max(0, patch.from), Math.min(length, patch.to)];
  const x = (patch.from + patch.to) / 2;
  const layer: JigLayer = patch.placed.item.hold === 'drilled' ? 'drill' : 'locate';
  const piece = (low: number, high: number) =>
    rectangle(layer, from, to, Math.max(low, -round), Math.min(high, round));
  return [
    piece(y - half, y + half),
    ...(y + half > round ? [piece(-round, y + half - 2 * round)] : []),
    ...(y - half < -round ? [piece(y - half + 2 * round, round)] : []),
    ...(x < 0 || x > length
      ? []
      : [
          path('mark', [
            [x - 4, y],
            [x + 4, y],
          ]),
          path('mark', [
            [x, y - 4],
            [x, y + 4],
          ]),
        ]),
  ];
}

function wrapOf(r: Reads, map: TubeMap): Template {
  const { radius, length, patches, side } = map;
  const round = Math.PI * radius;
  const up = upOf(side);
  const seam = r.of(seams)[side]?.value;
  const on = patches.filter((p) => p.to > 0 && p.from < length);
  const lie = wrapLie(side, [0, -round - 14]);
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
      ...on.flatMap((p) => outlines(p, map)),
      ...lie.shapes,
    ],
    words: [
      { text: 'top', at: [14, 1] },
      { text: 'front', at: [14, (up * round) / 2 + 1] },
      { text: 'rear', at: [14, (-up * round) / 2 + 1] },
      { text: 'casting face', at: [1, -round + 8] },
      ...on.map((p): TemplateWord => ({
        text: p.placed.item.name,
        at: [Math.max(1, p.from + 1), up * radius * wrapped(p.clock) + 1.5],
      })),
      ...lie.words,
    ],
    said: `Of the ${side} tube only. Printed side out, the end at the casting face, “top” on the line that the casting’s flat gives, “front” toward the front. Marks every 10 mm and 15°.`,
    lacks: [],
  };
}

function wrap(r: Reads, side: Side): Template {
  const map = r.of(tubeMaps)[side];
  return map
    ? wrapOf(r, map)
    : lacking('brief.targetWidth', `donor.casting.${side}`, `donor.tube.${side}`, 'donor.tubeOd');
}

const NOTCH_STEP = 3;
/** Tube left behind the deepest place of a notch on its template, mm. */
const BEHIND = 25;

/**
 * The brace’s skin laid flat: the cut by its outside, and dashed by marks the one by its inside. Braces that lean
 * inboard on the left tube or outboard on the right have the front at one side of it, the others at the other.
 *
 * @param front +1 where the front is to the right of the acute side on the paper, −1 to its left
 */
function notchOf(r: Reads, front: 1 | -1): Template {
  const D = r.of(outside).left;
  const [d, t, α, o] = [
    r.figure('brace.outside'),
    r.figure('brace.wall'),
    r.figure('brace.angle'),
    r.figure('brace.offset'),
  ];
  if (!D || !d || !t || !α || !o)
    return lacking(...unless(D, 'donor.tubeOd'), ...unless(d, 'brace.outside'), ...unless(t, 'brace.wall'));
  const radius = d.value / 2;
  const curve = (skin: number) =>
    Array.from({ length: 360 / NOTCH_STEP + 1 }, (_, i): readonly [number, number | undefined] => {
      const clock = ((i * NOTCH_STEP - 180) * Math.PI) / 180;
      const shape = { main: D.value / 2, branch: skin, angle: α.value, offset: o.value };
      return [radius * clock, notchDepth(shape, front * clock)];
    });
  const [outer, inner] = [curve(radius), curve(Math.max(0, radius - t.value))];
  if (outer.some(([, y]) => y === undefined)) return lacking('brace.offset', 'brace.outside');
  const spots = (all: typeof outer): Spot[] => all.map(([x, y]) => [x, y ?? 0]);
  const cut = spots(outer);
  const top = Math.max(...cut.map(([, y]) => y)) + BEHIND;
  const round = Math.PI * radius;
  const lie = notchLie(front, [-round, Math.min(...cut.map(([, y]) => y)) - 14]);
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
      ...lie.shapes,
    ],
    words: [
      { text: 'acute side', at: [1, top - 12] },
      { text: 'front', at: [(front * round) / 2 + 1, top - 12] },
      { text: 'rear', at: [(-front * round) / 2 + 1, top - 12] },
      ...lie.words,
    ],
    said: 'Wrapped round the brace, printed side out, its notch down on the axle’s tube and “front” toward the front; an offset with plus is toward the front. Outline: by its outside, for a scribed skin. Second line: by its inside, where a notched wall bears. Heights are from the axle’s middle along the brace.',
    lacks: [],
  };
}

/** Every template by its id. */
export const templates = {
  'wrap-left': node('wrapLeft', (r) => wrap(r, 'left')),
  'wrap-right': node('wrapRight', (r) => wrap(r, 'right')),
  saddles,
  notch: node('notch', (r) => notchOf(r, 1)),
  'notch-mirrored': node('notchMirrored', (r) => notchOf(r, -1)),
  plate,
} as const;

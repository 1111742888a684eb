import { unless } from '../../stage';
import { saddleDepth } from '../../mechanics';
import type { JigShape, Spot } from '../hubs/jig';
import { outside } from './figures/frame';
import { places } from './figures/places';
import { node } from './node';
import { sized } from '../../measure';
import { lacking, path, rectangle, type Template, type TemplateWord } from './template-parts';

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
export const saddles = node('saddles', (r): Template => {
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

/** Holes go this much over their bolts, mm. */
const EASE = 1;
const PIN_EASE = 0.3;
const EDGE = 2;

/** The plate under the spring: four holes of the U-bolts, and the centre bolt’s, in the middle and moved. */
export const plate = node('plate', (r): Template => {
  const D = r.of(outside).left;
  const [d, w, p, s] = [
    r.figure('clamp.bolt'),
    r.figure('spring.width'),
    r.figure('perch.pin'),
    r.figure('perch.shift'),
  ];
  if (!D || !d || !w || !p)
    return lacking(
      ...unless(D, 'donor.tubeOd'),
      ...unless(d, 'clamp.bolt'),
      ...unless(w, 'spring.width'),
      ...unless(p, 'perch.pin'),
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
      { text: shift === 0 ? 'centre bolt' : 'middle hole', at: [2, 2] },
      ...(shift === 0 ? [] : [{ text: 'centre bolt here', at: [2 - shift, -6] as const }]),
    ],
    said: `Seen from above, forward to the right. U-bolt holes 1 mm over the bolt; the spring lies between them.${
      shift === 0
        ? ''
        : ` The centre bolt goes ${sized(Math.abs(shift))} ${shift > 0 ? 'behind' : 'before'} the middle hole: that puts the axle as far ${shift > 0 ? 'forward' : 'back'}.`
    }`,
    lacks: [],
  };
});

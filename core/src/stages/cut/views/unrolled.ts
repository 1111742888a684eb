import { bar, type Caption, type Point, type Shape } from '../../../drawing';
import type { SideMarks } from '../marks-result';

/** Room between the tube from the side and the same tube unrolled, over the tube’s diameter. */
const APART = 0.95;
/** Quarters round the tube, from the seam-free top over the front. */
const CLOCK = ['top', 'front', 'bottom', 'rear', 'top'] as const;

export interface Unrolled {
  readonly shapes: readonly Shape[];
  readonly captions: readonly Caption[];
  /** v of its lower edge, mm. */
  readonly bottom: number;
}

/**
 * The tube’s skin laid flat under its side view, along the same line: the top at both edges, the front between. A strip
 * of paper of this length goes round the tube; the marks are straight across it.
 *
 * @param od outside diameter, mm
 * @param d −1 where outboard is to the left of the picture
 */
export function unrolledTube(T: number, od: number, d: number, marks: SideMarks | undefined): Unrolled {
  const round = Math.PI * od;
  const top = -od * APART;
  const bottom = top - round;
  const strip = (from: number, to: number): readonly Point[] =>
    bar(d * from, d * to, round).map(([u, v]): Point => [u, v + (top + bottom) / 2]);
  const across = (u: number): readonly Point[] => [
    [d * u, top],
    [d * u, bottom],
  ];
  const quarter = (i: number) => top - (i * round) / 4;
  const shapes: Shape[] = [{ kind: 'outline', style: 'skin', name: 'tube, unrolled', points: strip(0, T) }];
  for (const i of [1, 2, 3])
    shapes.push({
      kind: 'line',
      style: 'centreline',
      name: CLOCK[i] as string,
      points: [
        [0, quarter(i)],
        [d * T, quarter(i)],
      ],
    });
  if (marks) {
    const [inner, outer] = [marks.inner.fromCasting.value, marks.outer.fromCasting.value];
    shapes.push(
      { kind: 'outline', style: 'slugFlat', name: 'slug, comes out', points: strip(inner, outer) },
      { kind: 'line', style: 'mark', name: 'first mark, all the way round', points: across(inner) },
      { kind: 'line', style: 'mark', name: 'second mark, all the way round', points: across(outer) },
    );
  }
  return {
    shapes,
    captions: [
      ...CLOCK.map((text, i): Caption => ({ text, at: [0, quarter(i) - 2], anchor: d > 0 ? 'end' : 'start' })),
      {
        text: 'unrolled, {} round',
        length: round,
        fine: true,
        at: [(d * T) / 2, quarter(2) + od * 0.08],
        anchor: 'middle',
      },
    ],
    bottom,
  };
}

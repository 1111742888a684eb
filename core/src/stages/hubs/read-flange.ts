import type { Spot } from './jig';

/** A circle of a drawing, mm. */
export interface DrawnCircle {
  readonly centre: Spot;
  readonly radius: number;
}

/** A regular pattern of equal holes that was found in a drawing. Lengths mm. */
export interface FoundPattern {
  readonly count: number;
  readonly pcd: number;
  readonly hole: number;
  readonly centre: Spot;
}

export interface FoundFlange {
  /** Patterns, most holes first. */
  readonly patterns: readonly FoundPattern[];
  /** Largest circle about the first pattern’s middle, and the register within its holes. */
  readonly rim?: number;
  readonly pilot?: number;
  /** Other holes: from the middle, by angle from the first hole of the pattern, with their diameter. */
  readonly others: readonly { readonly radius: number; readonly angle: number; readonly diameter: number }[];
}

/** Circles that are drawn alike differ by no more, mm. */
const ALIKE = 0.05;
/** Holes of a regular pattern stand off their place by no more, mm. */
const PLAY = 0.15;
const [FEWEST, MOST] = [3, 10];

/**
 * Finds bolt patterns among the circles of a drawing: equal circles, evenly round one middle.
 *
 * @example readFlange(circles).patterns[0] // { count: 5, pcd: 108, hole: 14, centre: [0, 0] }
 */
export function readFlange(circles: readonly DrawnCircle[]): FoundFlange {
  const patterns = bySize(circles)
    .flatMap((group) => split(group, circles))
    .sort((a, b) => b.pattern.count - a.pattern.count || b.pattern.pcd - a.pattern.pcd);
  const [main] = patterns;
  if (!main) return { patterns: [], others: [] };
  const { centre, pcd, hole } = main.pattern;
  const about = circles.filter((c) => far(c.centre, centre) <= PLAY).map((c) => 2 * c.radius);
  const rims = about.filter((d) => d > pcd + hole);
  const pilots = about.filter((d) => d < pcd - hole);
  const used = new Set<DrawnCircle>(main.holes);
  const first = main.holes.reduce((a, b) => (angleOf(b.centre, centre) < angleOf(a.centre, centre) ? b : a));
  const zero = angleOf(first.centre, centre);
  const others = circles
    .filter((c) => !used.has(c) && far(c.centre, centre) > PLAY)
    .map((c) => ({
      radius: far(c.centre, centre),
      angle: Math.atan2(Math.sin(angleOf(c.centre, centre) - zero), Math.cos(angleOf(c.centre, centre) - zero)),
      diameter: 2 * c.radius,
    }));
  return {
    patterns: patterns.map((p) => p.pattern),
    others,
    ...(rims.length ? { rim: Math.max(...rims) } : {}),
    ...(pilots.length ? { pilot: Math.max(...pilots) } : {}),
  };
}

function bySize(circles: readonly DrawnCircle[]): readonly (readonly DrawnCircle[])[] {
  const groups: DrawnCircle[][] = [];
  for (const circle of circles) {
    const group = groups.find((g) => Math.abs((g[0]?.radius ?? 0) - circle.radius) <= ALIKE);
    if (group) group.push(circle);
    else groups.push([circle]);
  }
  return groups;
}

/** Equal holes as one pattern, else as several about one middle: that of another circle, or their own. */
function split(group: readonly DrawnCircle[], all: readonly DrawnCircle[]): readonly Regular[] {
  const whole = regular(group);
  if (whole) return [whole];
  const middles = [middleOf(group), ...all.filter((c) => !group.includes(c)).map((c) => c.centre)];
  const found = middles.map((middle) => byRadius(group, middle).flatMap((part) => regular(part) ?? []));
  return found.reduce((best, list) => (list.length > best.length ? list : best), []);
}

function byRadius(holes: readonly DrawnCircle[], middle: Spot): readonly (readonly DrawnCircle[])[] {
  const groups: DrawnCircle[][] = [];
  for (const hole of holes) {
    const at = far(hole.centre, middle);
    const group = groups.find((g) => Math.abs(far((g[0] as DrawnCircle).centre, middle) - at) <= PLAY);
    if (group) group.push(hole);
    else groups.push([hole]);
  }
  return groups;
}

const middleOf = (holes: readonly DrawnCircle[]): Spot => [
  mean(holes.map((h) => h.centre[0])),
  mean(holes.map((h) => h.centre[1])),
];

interface Regular {
  readonly pattern: FoundPattern;
  readonly holes: readonly DrawnCircle[];
}

function regular(holes: readonly DrawnCircle[]): Regular | undefined {
  const count = holes.length;
  if (count < FEWEST || count > MOST) return undefined;
  const centre = middleOf(holes);
  const radius = mean(holes.map((h) => far(h.centre, centre)));
  const angles = holes.map((h) => angleOf(h.centre, centre)).sort((a, b) => a - b);
  const start = angles[0] ?? 0;
  const even = angles.every((a, i) => Math.abs(a - start - (2 * Math.PI * i) / count) * radius <= PLAY);
  const round = holes.every((h) => Math.abs(far(h.centre, centre) - radius) <= PLAY);
  if (!even || !round || radius < 1) return undefined;
  return { pattern: { count, pcd: 2 * radius, hole: 2 * mean(holes.map((h) => h.radius)), centre }, holes };
}

const mean = (list: readonly number[]): number => list.reduce((sum, v) => sum + v, 0) / list.length;
const far = (a: Spot, b: Spot): number => Math.hypot(a[0] - b[0], a[1] - b[1]);
const angleOf = (p: Spot, centre: Spot): number => {
  const a = Math.atan2(p[1] - centre[1], p[0] - centre[0]);
  return a < -1e-9 ? a + 2 * Math.PI : a;
};

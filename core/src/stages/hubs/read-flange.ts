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
/** Middles that are tried for one size of hole: a flange has few, a drawing of a whole car thousands. */
const MOST_MIDDLES = 24;

/**
 * Finds bolt patterns among the circles of a drawing: equal circles, evenly round one middle.
 *
 * @example readFlange(circles).patterns[0] // { count: 5, pcd: 108, hole: 14, centre: [0, 0] }
 */
export function readFlange(circles: readonly DrawnCircle[]): FoundFlange {
  const middles = likely(circles);
  const patterns = bySize(circles)
    .flatMap((group) => split(group, middles))
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

/** What lies within a reach of the least of its group, smallest first; each group in the order it was drawn. */
function grouped<T>(list: readonly T[], size: (one: T) => number, reach: number): readonly (readonly T[])[] {
  const sorted = list.map((one, at) => ({ one, at, size: size(one) })).sort((a, b) => a.size - b.size);
  const groups: (typeof sorted)[] = [];
  for (const entry of sorted) {
    const last = groups.at(-1);
    const least = last?.[0]?.size ?? Number.NaN;
    if (last && entry.size - least <= reach) last.push(entry);
    else groups.push([entry]);
  }
  const drawn = groups.map((g) => g.sort((a, b) => a.at - b.at));
  return drawn.sort((a, b) => (a[0]?.at ?? 0) - (b[0]?.at ?? 0)).map((g) => g.map(({ one }) => one));
}

const bySize = (circles: readonly DrawnCircle[]): readonly (readonly DrawnCircle[])[] =>
  grouped(circles, (c) => c.radius, ALIKE);

/** Equal holes as one pattern, else as several about one middle: that of another circle, or their own. */
function split(group: readonly DrawnCircle[], middles: readonly Spot[]): readonly Regular[] {
  const whole = regular(group);
  if (whole) return [whole];
  const found = [middleOf(group), ...middles].map((middle) =>
    byRadius(group, middle).flatMap((part) => regular(part) ?? []),
  );
  return found.reduce((best, list) => (list.length > best.length ? list : best), []);
}

/** Middles of circles that may be those of a pattern: where most circles are drawn about, then about the largest. */
function likely(circles: readonly DrawnCircle[]): readonly Spot[] {
  const about = new Map<string, { centre: Spot; count: number; largest: number }>();
  for (const { centre, radius } of circles) {
    const key = centre.map((v) => Math.round(v / ALIKE)).join();
    const known = about.get(key) ?? { centre, count: 0, largest: 0 };
    about.set(key, { centre: known.centre, count: known.count + 1, largest: Math.max(known.largest, radius) });
  }
  const first = [...about.values()].sort((a, b) => b.count - a.count || b.largest - a.largest);
  return first.slice(0, MOST_MIDDLES).map(({ centre }) => centre);
}

const byRadius = (holes: readonly DrawnCircle[], middle: Spot): readonly (readonly DrawnCircle[])[] =>
  grouped(holes, (h) => far(h.centre, middle), PLAY);

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

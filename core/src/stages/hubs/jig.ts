import type { Holes } from './redrill';
import type { Jig } from './choices';

export type Spot = readonly [x: number, y: number];

/** What a shape of the jig is for; also the layer it stands on in a file. */
export type JigLayer = 'outline' | 'locate' | 'drill' | 'mark' | 'old' | 'keep';

/** A shape of the jig, mm, the flange’s middle at the origin, x to the right and y up, seen from outside. */
export type JigShape =
  | { readonly kind: 'circle'; readonly layer: JigLayer; readonly centre: Spot; readonly radius: number }
  | {
      readonly kind: 'path';
      readonly layer: JigLayer;
      readonly points: readonly Spot[];
      readonly closed: boolean;
    };

export interface JigWanted {
  readonly jig: Jig;
  readonly old: Holes;
  readonly wanted: Holes;
  /** From the first old hole to the first new one, rad. */
  readonly clockRad: number;
  /** Drill that the jig guides, and how much larger its locating holes are than what they sit on, mm. */
  readonly drill: number;
  readonly play: number;
  /** Stud in the old holes, or the hole itself where a pin locates; mm. */
  readonly stud: number;
  readonly pilot: number;
  readonly rim: number;
}

export interface JigPlan {
  readonly shapes: readonly JigShape[];
  /** Across, mm. */
  readonly width: number;
  readonly height: number;
  /** How often it is set on and drilled: 1 for a ring. */
  readonly steps: number;
}

/** Metal round the outermost hole of a stepping jig, mm. */
const WALL = 12;
/** Arms of the cross that marks a hole’s middle, over its radius. */
const CROSS = 1.6;
const AROUND = 96;

const on = (pcd: number, angle: number): Spot => [(pcd / 2) * Math.cos(angle), (pcd / 2) * Math.sin(angle)];

/**
 * The drilling jig in full size. A ring sits on the pilot and is held by two pins in old holes; a stepping jig sits
 * on two old studs that stand beside each other and guides one drill: set on from stud to stud, an error of its own
 * falls alike on every hole, so the pattern stays round and keeps its middle.
 *
 * @throws RangeError where a stepping jig would step a pattern with another count of holes
 */
export function jigPlan(wanted: JigWanted): JigPlan {
  const shapes = wanted.jig === 'ring' ? ring(wanted) : stepping(wanted);
  const spots = shapes.flatMap((s) =>
    s.kind === 'circle'
      ? ([
          [s.centre[0] - s.radius, s.centre[1] - s.radius],
          [s.centre[0] + s.radius, s.centre[1] + s.radius],
        ] as const)
      : s.points,
  );
  const [xs, ys] = [spots.map((p) => p[0]), spots.map((p) => p[1])];
  return {
    shapes,
    width: Math.max(...xs) - Math.min(...xs),
    height: Math.max(...ys) - Math.min(...ys),
    steps: wanted.jig === 'ring' ? 1 : wanted.wanted.count,
  };
}

/** New holes, as spots in their order from the clocking on. */
export const newHoles = (wanted: Holes, clockRad: number): readonly Spot[] =>
  Array.from({ length: wanted.count }, (_, k) => on(wanted.pcd, clockRad + (2 * Math.PI * k) / wanted.count));

function ring({ old, wanted, clockRad, drill, play, stud, pilot, rim }: JigWanted): readonly JigShape[] {
  const middle: Spot = [0, 0];
  const pins = [0, Math.floor(old.count / 2)].map((k) => on(old.pcd, (2 * Math.PI * k) / old.count));
  return [
    { kind: 'circle', layer: 'outline', centre: middle, radius: rim / 2 },
    { kind: 'circle', layer: 'locate', centre: middle, radius: (pilot + play) / 2 },
    ...pins.map((centre): JigShape => ({ kind: 'circle', layer: 'locate', centre, radius: (stud + play) / 2 })),
    ...newHoles(wanted, clockRad).flatMap((centre) => guided(centre, drill)),
  ];
}

function stepping({ old, wanted, clockRad, drill, play, stud }: JigWanted): readonly JigShape[] {
  if (old.count !== wanted.count)
    throw new RangeError(
      `A jig that steps round ${old.count} studs drills ${old.count} holes, not ${wanted.count}: take the ring.`,
    );
  const studs = [on(old.pcd, 0), on(old.pcd, (2 * Math.PI) / old.count)];
  const hole = on(wanted.pcd, clockRad);
  const outline = around([...studs, hole], Math.max(stud / 2, drill / 2) + WALL);
  return [
    { kind: 'path', layer: 'outline', points: outline, closed: true },
    ...studs.map((centre): JigShape => ({
      kind: 'circle',
      layer: 'locate',
      centre,
      radius: (stud + play) / 2,
    })),
    ...guided(hole, drill),
  ];
}

/** A drilled hole with the cross that proves where its middle is. */
function guided(centre: Spot, drill: number): readonly JigShape[] {
  const [x, y] = centre;
  const arm = (CROSS * drill) / 2;
  const line = (from: Spot, to: Spot): JigShape => ({
    kind: 'path',
    layer: 'mark',
    points: [from, to],
    closed: false,
  });
  return [
    { kind: 'circle', layer: 'drill', centre, radius: drill / 2 },
    line([x - arm, y], [x + arm, y]),
    line([x, y - arm], [x, y + arm]),
  ];
}

/** Hull round circles of one radius about some spots. */
function around(spots: readonly Spot[], radius: number): readonly Spot[] {
  const points = spots.flatMap(([x, y]) =>
    Array.from({ length: AROUND }, (_, i): Spot => {
      const a = (2 * Math.PI * i) / AROUND;
      return [x + radius * Math.cos(a), y + radius * Math.sin(a)];
    }),
  );
  return hull(points);
}

/** Convex hull, anticlockwise. @source Andrew’s monotone chain */
function hull(points: readonly Spot[]): readonly Spot[] {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const half = (list: readonly Spot[]): Spot[] => {
    const chain: Spot[] = [];
    for (const p of list) {
      while (chain.length >= 2 && turn(chain.at(-2) as Spot, chain.at(-1) as Spot, p) <= 0) chain.pop();
      chain.push(p);
    }
    chain.pop();
    return chain;
  };
  return [...half(sorted), ...half([...sorted].reverse())];
}

const turn = (o: Spot, a: Spot, b: Spot): number =>
  (a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0]);

/**
 * Where the holes really come when the jig guides its drill to a wrong place, the same at every step.
 *
 * @param error of the guided hole, mm, in the jig’s own axes at the first step
 * @returns the holes, and how far the middle of their pattern is moved: nowhere
 * @source A regular sum of one vector turned n times is zero
 */
export function steppedHoles(
  wanted: Holes,
  clockRad: number,
  error: Spot,
): { readonly holes: readonly Spot[]; readonly middle: Spot } {
  const holes = newHoles(wanted, clockRad).map(([x, y], k): Spot => {
    const a = (2 * Math.PI * k) / wanted.count;
    return [
      x + error[0] * Math.cos(a) - error[1] * Math.sin(a),
      y + error[0] * Math.sin(a) + error[1] * Math.cos(a),
    ];
  });
  const mean = (i: 0 | 1) => holes.reduce((sum, h) => sum + h[i], 0) / holes.length;
  return { holes, middle: [mean(0), mean(1)] };
}

import { solveLinear } from '../numerics/linear';
import type { Point3 } from './solid-axle';

/** A push or pull on the axle at a place, N. */
interface AxlePush {
  readonly at: Point3;
  readonly force: Point3;
}

/** A member that can only pull or push along its length. */
interface AxleMember {
  readonly axle: Point3;
  readonly chassis: Point3;
}

/** What is known of the forces on an axle with its wheels and shafts as one free body. Moments N·mm about x, y, z. */
interface AxleLoadCase {
  readonly links: readonly AxleMember[];
  /** Where the springs stand on the axle; they push it straight down. */
  readonly springs: readonly Point3[];
  readonly pushes: readonly AxlePush[];
  readonly moment: Point3;
}

interface AxleLoads {
  /** Pull in each link, N; minus is push. */
  readonly links: readonly number[];
  /** Push of each spring, N. */
  readonly springs: readonly number[];
  /** What is left of force, N, and of moment, N·mm, largest: none where the axle is held. */
  readonly left: number;
}

const EQUATIONS = 6;
/** Moments count per this length, mm, so that they compare with forces. */
const LEVER = 500;
/** A pivot smaller than this part of the largest is none. */
const NONE = 1e-10;

const cross = (a: Point3, b: Point3): Point3 => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];

/** Force and moment of a push, moments about the origin, scaled. */
const wrench = (at: Point3, force: Point3): readonly number[] => {
  const m = cross(at, force);
  return [...force, m[0] / LEVER, m[1] / LEVER, m[2] / LEVER];
};

/**
 * Forces in links and springs that hold an axle still, moments about the origin. Where more hold it than six, they share
 * the least that does.
 *
 * @returns nothing where links and springs cannot hold it
 * @example axleLoads(launch).links // [−8742.5, …] N: pushed
 */
export function axleLoads({ links, springs, pushes, moment }: AxleLoadCase): AxleLoads | undefined {
  const columns = [
    ...links.map(({ axle, chassis }) => {
      const d: Point3 = [chassis[0] - axle[0], chassis[1] - axle[1], chassis[2] - axle[2]];
      const length = Math.hypot(...d) || 1;
      return wrench(axle, [d[0] / length, d[1] / length, d[2] / length]);
    }),
    ...springs.map((at) => wrench(at, [0, 0, -1])),
  ];
  const known = [0, 0, 0, moment[0] / LEVER, moment[1] / LEVER, moment[2] / LEVER];
  for (const { at, force } of pushes)
    wrench(at, force).forEach((v, i) => {
      known[i] = (known[i] ?? 0) + v;
    });
  // The least forces that do: F = Aᵀ λ with A Aᵀ λ = −known.
  const square = Array.from({ length: EQUATIONS }, (_, i) =>
    Array.from({ length: EQUATIONS }, (_, j) => columns.reduce((sum, c) => sum + (c[i] ?? 0) * (c[j] ?? 0), 0)),
  );
  const multiplier = solveLinear(
    square,
    known.map((v) => -v),
    NONE,
  );
  if (!multiplier) return undefined;
  const forces = columns.map((c) => c.reduce((sum, v, i) => sum + v * (multiplier[i] ?? 0), 0));
  const left = known.map((v, i) => v + columns.reduce((sum, c, k) => sum + (c[i] ?? 0) * (forces[k] ?? 0), 0));
  return {
    links: forces.slice(0, links.length),
    springs: forces.slice(links.length),
    left: Math.max(...left.map(Math.abs)),
  };
}

/** How the axle stands while clearances are held against it. */
export const STANCE_POSES = ['ride', 'bump', 'droop', 'corner', 'outer', 'inner'] as const;
export type StancePoseId = (typeof STANCE_POSES)[number];

/** What a pose does to one wheel. */
export interface PoseShape {
  readonly words: string;
  readonly short: string;
  /** Share of the bump travel, or of the droop travel where below nothing, that the wheel has moved. */
  readonly travel: number;
  /** Bushings and springs give sideways. */
  readonly gives: boolean;
  readonly leans: boolean;
  /** The tyre bulges. */
  readonly bulges: boolean;
}

/**
 * Loaded cornering does everything at once: the outer wheel is compressed, leaned and bulged, the inner one hangs and
 * leans. Plain cornering is the same bend taken on a stiff axle, at ride height.
 */
export const POSE_SHAPES: Readonly<Record<StancePoseId, PoseShape>> = {
  ride: { words: 'ride height', short: 'ride', travel: 0, gives: false, leans: false, bulges: false },
  bump: { words: 'full bump', short: 'bump', travel: 1, gives: true, leans: false, bulges: false },
  droop: { words: 'full droop', short: 'droop', travel: -1, gives: true, leans: false, bulges: false },
  corner: { words: 'cornering', short: 'corner', travel: 0, gives: true, leans: true, bulges: true },
  outer: {
    words: 'loaded cornering, outer wheel',
    short: 'outer',
    travel: 0.8,
    gives: true,
    leans: true,
    bulges: true,
  },
  inner: {
    words: 'loaded cornering, inner wheel',
    short: 'inner',
    travel: -0.5,
    gives: true,
    leans: true,
    bulges: false,
  },
};

export const POSE_WORDS = Object.fromEntries(
  STANCE_POSES.map((pose) => [pose, POSE_SHAPES[pose].words]),
) as Readonly<Record<StancePoseId, string>>;

/** Something the tyre must stay clear of, in one pose of one side. Lengths mm, from the centreline outward. */
export interface Obstacle {
  readonly id: string;
  readonly from: 'inboard' | 'outboard';
  readonly y: number;
  /** Above the axle, mm; the lean moves the tyre there. */
  readonly height: number;
  /** Least gap to it, mm. */
  readonly gap: number;
}

/** How the axle stands in a pose, beside where it was read. */
export interface PoseMotion {
  /** Least and most the axle shifts outward on this side, mm; minus is inward. */
  readonly shift: readonly [least: number, most: number];
  /** Largest lean either way, rad. */
  readonly lean: number;
  /** The tyre is pushed sideways by cornering. */
  readonly cornering: boolean;
  /** Built into the axle’s end, rad; plus leans out at the top. */
  readonly camber: number;
}

/** What has to pass: the tyre on its rim, and the rim, whose flanges may stand out beyond a stretched tyre. */
export interface WheelWidth {
  /** Section of the tyre on its rim, mm. */
  readonly section: number;
  /** Rim over its flanges, mm. */
  readonly rim: number;
}

/** Half of the width that counts, mm: of the bulging tyre or of the rim, whichever is wider. */
export const halfWidth = ({ section, rim }: WheelWidth, cornering: boolean): number =>
  Math.max(section * (0.5 + (cornering ? BULGE : 0)), rim / 2);

export interface StancePose {
  readonly obstacles: readonly Obstacle[];
  readonly motion: PoseMotion;
}

/** A tyre pushed sideways bulges by this share of its section. */
export const BULGE = 0.04;

/** One end of the places a tyre’s middle may take, and the obstacle that sets it. */
export interface RangeEnd {
  readonly at: number;
  readonly by: string;
}

/** From where to where the tyre’s middle may stand; an end is undefined where nothing is in the way. */
export interface CentreRange {
  readonly least: RangeEnd | undefined;
  readonly most: RangeEnd | undefined;
}

/**
 * Where the tyre’s middle may stand on one side so that it keeps its gap to everything in all poses: half the
 * section or rim, the gap, the axle’s shift, its lean at the obstacle’s height, and the bulge of a tyre that corners
 * all take from the room; built-in camber gives on one side what it takes on the other.
 *
 * @example centreRange({ section: 232, rim: 228.6 }, [{ obstacles: [rail at 489, gap 19], motion: none }]).least // 624
 * @source Gaps are signed sums along the car’s width; lean and camber move a point at height h by h·sin φ
 */
export function centreRange(wheel: WheelWidth, poses: readonly StancePose[]): CentreRange {
  let least: RangeEnd | undefined;
  let most: RangeEnd | undefined;
  for (const { obstacles, motion } of poses)
    for (const obstacle of obstacles) {
      const taken = halfWidth(wheel, motion.cornering) + obstacle.gap;
      const lean = Math.abs(obstacle.height * Math.sin(motion.lean));
      const out = obstacle.height * Math.sin(motion.camber);
      if (obstacle.from === 'inboard') {
        const at = obstacle.y + taken + lean - out - motion.shift[0];
        if (!least || at > least.at) least = { at, by: obstacle.id };
      } else {
        const at = obstacle.y - taken - lean - out - motion.shift[1];
        if (!most || at < most.at) most = { at, by: obstacle.id };
      }
    }
  return { least, most };
}

/**
 * Margin of a tyre whose middle stands at a place: how far the nearer end of its range is away, mm; minus where it
 * does not clear. Infinite where nothing is in the way.
 */
export function marginAt(centre: number, { least, most }: CentreRange): number {
  return Math.min(least ? centre - least.at : Infinity, most ? most.at - centre : Infinity);
}

/** What limits a tyre whose middle stands at a place; undefined where nothing does. */
export function limitedBy(centre: number, { least, most }: CentreRange): string | undefined {
  if (!least || !most) return (least ?? most)?.by;
  return centre - least.at <= most.at - centre ? least.by : most.by;
}

/**
 * Metal to be moved inboard so that the tyre fits at all, mm; 0 where it does, undefined where one end is not known.
 *
 * @example archWork({ least: { at: 631.5, by: 'rail' }, most: { at: 619, by: 'lip' } }) // 12.5
 */
export const archWork = ({ least, most }: CentreRange): number | undefined =>
  least && most ? Math.max(0, least.at - most.at) : undefined;

/**
 * Widest tyre that still fits, section in mm, found from the room that another one leaves. Both ends move by half
 * of what the section grows, and by the bulge where the limiting pose corners.
 *
 * @returns `value` with the steps taken; status `unlimited` where one end is open, `none` where no tyre fits
 */
export function widestSection(
  poses: readonly StancePose[],
  rim = 0,
): {
  readonly value: number;
  readonly iterations: number;
  readonly status: 'found' | 'unlimited' | 'none';
} {
  const room = (section: number): number => {
    const { least, most } = centreRange({ section, rim }, poses);
    return least && most ? most.at - least.at : Infinity;
  };
  if (room(0) === Infinity) return { value: Infinity, iterations: 0, status: 'unlimited' };
  if (room(0) <= 0) return { value: 0, iterations: 0, status: 'none' };
  // The room falls piece by piece in straight lines, never slower than 1 for 1, so stepping by it closes in from below.
  let section = 0;
  let iterations = 0;
  for (let left = room(0); left > 1e-9 && iterations < MOST_STEPS; left = room(section)) {
    section += left / (1 + 2 * BULGE);
    iterations += 1;
  }
  return { value: section, iterations, status: 'found' };
}
const MOST_STEPS = 200;

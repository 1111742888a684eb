/** A branch tube that ends on a main tube. Lengths mm, angle rad. */
export interface NotchShape {
  /** Outside radius of the main tube. */
  readonly main: number;
  /** Radius of the branch’s skin that is cut: its inside where it is notched, its outside where it is wrapped. */
  readonly branch: number;
  /** Between the axes of both tubes; 90° stands square on it. */
  readonly angle: number;
  /** How far the branch’s axis passes beside the main tube’s. */
  readonly offset: number;
}

/**
 * Depth of a saddle at a half-width: how far the middle of a plate’s edge lies deeper on the tube than its ends.
 *
 * @param radius outside of the tube, mm
 * @param halfWidth from the middle of the saddle, mm
 * @returns mm
 * @throws RangeError where the saddle is wider than the tube
 * @example saddleDepth(38.1, 20) // 5.671
 */
export function saddleDepth(radius: number, halfWidth: number): number {
  if (Math.abs(halfWidth) > radius) throw new RangeError('A saddle cannot be wider than the tube it sits on.');
  return radius - Math.sqrt(radius ** 2 - halfWidth ** 2);
}

/**
 * Where a branch tube’s skin meets the main tube, along the branch from the main tube’s axis.
 *
 * @param clock round the branch, rad; 0 on the side of the acute angle
 * @returns mm; undefined where the skin passes beside the main tube
 * @source intersection of two circular cylinders
 */
export function notchDepth({ main, branch, angle, offset }: NotchShape, clock: number): number | undefined {
  const beside = branch * Math.sin(clock) + offset;
  const over = main ** 2 - beside ** 2;
  if (over < 0) return undefined;
  return Math.sqrt(over) / Math.sin(angle) + (branch * Math.cos(clock)) / Math.tan(angle);
}

/** A way of bending a U-bolt: round over the tube, or with two corners. */
export const BOLT_BENDS = ['round', 'square'] as const;
export type BoltBend = (typeof BOLT_BENDS)[number];

/** What a U-bolt goes round and through, mm. */
export interface UBoltShape {
  readonly tube: number;
  readonly bolt: number;
  /** Perch, spring pack and what else lies between tube and plate. */
  readonly stack: number;
  readonly plate: number;
  readonly nut: number;
  /** Thread that stands out of the nut. */
  readonly proud: number;
  readonly bend: BoltBend;
  /** Radius of a square bend’s corners along the bolt’s middle. */
  readonly corner: number;
}

/** Lengths of a U-bolt, mm: over the tube, each leg from the tube’s centre, the straight bar it is bent from. */
export interface UBolt {
  readonly arc: number;
  readonly leg: number;
  readonly developed: number;
}

/** What a square corner takes off the sharp path, for a radius of 1: two legs less a quarter round. */
export const CORNER = 2 - Math.PI / 2;

/**
 * A U-bolt from the tube and what it clamps.
 *
 * @throws RangeError where a square bend’s corners do not fit round the tube
 * @example uBolt({ tube: 76.2, bolt: 12.7, stack: 52, plate: 10, nut: 14, proud: 6, bend: 'round', corner: 0 })
 * // arc 139.64, leg 120.1, developed 379.84
 */
export function uBolt({ tube: D, bolt: d, stack, plate, nut, proud, bend, corner }: UBoltShape): UBolt {
  const leg = D / 2 + stack + plate + nut + proud;
  if (bend === 'round') {
    const arc = ((D + d) * Math.PI) / 2;
    return { arc, leg, developed: arc + 2 * leg };
  }
  if (corner < d / 2 || corner > (D + d) / 2)
    throw new RangeError('A corner’s radius lies between half the bolt and half of tube and bolt together.');
  const arc = D + d + (D + d) - 2 * CORNER * corner;
  return { arc, leg, developed: arc + 2 * leg };
}

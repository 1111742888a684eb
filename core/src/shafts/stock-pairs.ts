import type { Sided } from '../geometry';
import type { PartOffer } from '../plan';

/** What a bought shaft must be; what is left out does not matter. */
export interface ShaftWanted {
  readonly teeth: number;
  /** Diametral pitch, 1/inch. */
  readonly pitch?: number;
  /** Bearing journal, mm, and how far it may be off. */
  readonly journal?: number;
  /** Studs and their circle, mm; another pattern is refused. */
  readonly holes?: number;
  readonly pcd?: number;
  /** Full-depth spline, at least, mm. */
  readonly spline?: number;
}

/** The donor with its own shafts in. Lengths mm. */
export interface PairAxle {
  /** Pinion axis to WMS, each side. */
  readonly half: Sided<number>;
  /** Length of the shaft that is in now, each side. */
  readonly shaft: Sided<number>;
  /** Half-widths below this cannot be reached: what is left of casting and tube. */
  readonly leastHalf: Sided<number>;
}

/** Where the axle should end up. */
export interface PairTarget {
  /** WMS width, mm. */
  readonly width: number;
  /** Pinion from the middle, mm, plus to the left; left out, it may stand anywhere. */
  readonly pinion?: number;
}

export interface StockPair {
  readonly left: PartOffer;
  readonly right: PartOffer;
  readonly width: number;
  /** Pinion from the middle of the new width, mm, plus to the left. */
  readonly pinion: number;
  /** What comes off each side, mm. */
  readonly cut: Sided<number>;
  readonly price: number;
  /** Days until both are here. */
  readonly leadDays: number;
  /** Both are on the shelf. */
  readonly stocked: boolean;
}

export interface PairSearch {
  readonly pairs: readonly StockPair[];
  /** How many shafts were looked through, and how many passed. */
  readonly of: number;
  readonly passed: number;
  /** Why the others were not, and how many. */
  readonly refused: Readonly<Record<string, number>>;
}

/** A journal turned to size differs by no more, mm. */
const SAME_JOURNAL = 0.06;
/** Circles drilled for the same pattern differ by no more, mm. */
export const SAME_PCD = 0.3;
/** Widths that differ by less are alike to a builder, mm: then the pinion and the price decide. */
export const WIDTH_STEP = 1;
/** How many pairs are given back. */
const MOST_PAIRS = 20;

/** Why a shaft will not do; empty where it will. */
export function refuseShaft({ size }: PartOffer, wanted: ShaftWanted): string {
  const off = (key: string, value: number | undefined, play: number) =>
    value !== undefined && Math.abs((size[key] ?? Infinity) - value) > play;
  if (off('teeth', wanted.teeth, 0)) return 'another tooth count';
  if (off('pitch', wanted.pitch, 0.01)) return 'another spline pitch';
  if (off('journal', wanted.journal, SAME_JOURNAL)) return 'another bearing journal';
  if (off('holes', wanted.holes, 0) || off('pcd', wanted.pcd, SAME_PCD)) return 'another flange pattern';
  if (wanted.spline !== undefined && (size['spline'] ?? 0) < wanted.spline) return 'spline too short';
  return size['length'] === undefined ? 'no length given' : '';
}

/**
 * Best pairs of shafts that can be bought, over all of left against right. A shaft that is longer or shorter than the
 * one in now makes its side so much wider or narrower, since brake space and seat stay. Ranked by how near the width
 * comes, then the pinion, then what is on the shelf, price and wait.
 *
 * @param offers all shafts of the counter
 * @source Half of a side with another shaft = half now + difference of the lengths
 */
export function stockPairs(
  offers: readonly PartOffer[],
  wanted: ShaftWanted,
  axle: PairAxle,
  target: PairTarget,
): PairSearch {
  const refused: Record<string, number> = {};
  const passed = offers.filter((offer) => {
    const why = refuseShaft(offer, wanted);
    if (why) refused[why] = (refused[why] ?? 0) + 1;
    return why === '';
  });
  const lengths = bestByLength(passed);
  const left = sidesOf(lengths, 'left', axle, refused);
  const right = sidesOf(lengths, 'right', axle, refused);
  const best = new Best(target);
  for (const l of left) for (const r of right) best.offer(l, r);
  return {
    pairs: best.ranked().map(([l, r]) => pairOf(l, r, axle)),
    of: offers.length,
    passed: passed.length,
    refused,
  };
}

/** Of shafts of one length, alike in all that matters, only the best to buy is looked at. */
function bestByLength(offers: readonly PartOffer[]): ReadonlyMap<number, PartOffer> {
  const byLength = new Map<number, PartOffer>();
  for (const offer of offers) {
    const length = offer.size['length'] as number;
    const before = byLength.get(length);
    if (!before || easier(offer, before) < 0) byLength.set(length, offer);
  }
  return byLength;
}

const easier = (a: PartOffer, b: PartOffer): number =>
  Number(b.stock > 0) - Number(a.stock > 0) || a.price - b.price || a.leadDays - b.leadDays;

interface SideShaft {
  readonly offer: PartOffer;
  readonly half: number;
}

function sidesOf(
  lengths: ReadonlyMap<number, PartOffer>,
  side: 'left' | 'right',
  { half, shaft, leastHalf }: PairAxle,
  refused: Record<string, number>,
): readonly SideShaft[] {
  const list: SideShaft[] = [];
  for (const [length, offer] of lengths) {
    const made = half[side] + length - shaft[side];
    // A shaft that is too long would want metal put on, not cut off.
    const why =
      made > half[side] ? `longer than the ${side} side` : made < leastHalf[side] ? `too short, ${side}` : '';
    if (why) refused[why] = (refused[why] ?? 0) + 1;
    else list.push({ offer, half: made });
  }
  return list;
}

type Found = readonly [left: SideShaft, right: SideShaft];

/** Keeps the best pairs of very many. */
class Best {
  private found: Found[] = [];

  constructor(private readonly target: PairTarget) {}

  offer(left: SideShaft, right: SideShaft): void {
    const pair: Found = [left, right];
    const last = this.found.at(-1);
    if (this.found.length >= MOST_PAIRS && last && this.compare(pair, last) >= 0) return;
    const at = this.found.findIndex((other) => this.compare(pair, other) < 0);
    this.found.splice(at < 0 ? this.found.length : at, 0, pair);
    this.found.length = Math.min(this.found.length, MOST_PAIRS);
  }

  ranked(): readonly Found[] {
    return this.found;
  }

  private compare(a: Found, b: Found): number {
    return (
      this.widthStep(a) - this.widthStep(b) ||
      this.pinionStep(a) - this.pinionStep(b) ||
      Number(stocked(b)) - Number(stocked(a)) ||
      price(a) - price(b) ||
      lead(a) - lead(b) ||
      this.widthOff(a) - this.widthOff(b)
    );
  }

  private widthOff([l, r]: Found): number {
    return Math.abs(l.half + r.half - this.target.width);
  }

  private widthStep(pair: Found): number {
    return Math.round(this.widthOff(pair) / WIDTH_STEP);
  }

  private pinionStep([l, r]: Found): number {
    const { pinion } = this.target;
    return pinion === undefined ? 0 : Math.round(Math.abs((r.half - l.half) / 2 - pinion) / WIDTH_STEP);
  }
}

const stocked = ([l, r]: Found): boolean =>
  l.offer === r.offer ? l.offer.stock > 1 : l.offer.stock > 0 && r.offer.stock > 0;
const price = ([l, r]: Found): number => l.offer.price + r.offer.price;
const lead = ([l, r]: Found): number => Math.max(l.offer.leadDays, r.offer.leadDays);

function pairOf(left: SideShaft, right: SideShaft, { half }: PairAxle): StockPair {
  const found: Found = [left, right];
  return {
    left: left.offer,
    right: right.offer,
    width: left.half + right.half,
    pinion: (right.half - left.half) / 2,
    cut: { left: half.left - left.half, right: half.right - right.half },
    price: price(found),
    leadDays: lead(found),
    stocked: stocked(found),
  };
}

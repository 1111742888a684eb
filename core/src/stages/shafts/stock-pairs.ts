import { COMPARE_SLACK, type PartOffer } from '../../stage';
import { bySide, SIDES, type Side, type Sided } from '../../geometry';
import type { Retention } from '../donor/choices';

/** What a bought shaft must be; what is left out does not matter. */
export interface ShaftWanted {
  readonly teeth: number;
  /** Diametral pitch, 1/inch. */
  readonly pitch?: number;
  /** Bearing journal, mm, and how far it may be under it, as a worn one may. */
  readonly journal?: number;
  readonly journalUnder?: number;
  /** Studs and their circle, mm; another pattern is refused. */
  readonly holes?: number;
  readonly pcd?: number;
  /** Full-depth spline, at least, mm. */
  readonly spline?: number;
  /** What will hold it. */
  readonly retention?: Retention;
  /** Bore of the housing end for its bearing, the room for the bearing’s width, and the seal’s journal, mm. */
  readonly bearingBore?: number;
  readonly bearingRoom?: number;
  readonly sealJournal?: number;
  /** Another pattern may be re-drilled by these limits; left out, it may not. */
  readonly drill?: DrillWanted;
}

/** The new hole, mm, and what must stay whole round it. */
export interface DrillWanted {
  readonly hole: number;
  readonly ligament: number;
  readonly ligamentShare: number;
  readonly edgeShare: number;
}

/** How an offer’s size `retention` says what holds the shaft. */
export const RETENTION_SIZES: Readonly<Record<Retention, number>> = { cClip: 1, boltIn: 2, fullFloat: 3 };

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
  /** Its flange has another pattern that can be re-drilled to the wheel’s. */
  readonly drill: Sided<boolean>;
}

export interface PairSearch {
  readonly pairs: readonly StockPair[];
  /** How many shafts were looked through, and how many passed. */
  readonly of: number;
  readonly passed: number;
  /** Why the others were not, and how many. */
  readonly refused: Readonly<Record<string, number>>;
  /** Where there is no pair: the shafts that come nearest to one, and what each falls short by. */
  readonly nearest: readonly NearShaft[];
}

/** A shaft that will not do, and why. */
export interface NearShaft {
  readonly offer: PartOffer;
  readonly why: string;
}

/** Journals and bores made to one size differ by no more, mm. */
const SAME_FIT = 0.06;
/** A seal’s lip follows a journal that differs by no more, mm. */
const SAME_SEAL = 0.3;
/** Circles drilled for the same pattern differ by no more, mm. */
export const SAME_PCD = 0.3;
/** Widths that differ by less are alike to a builder, mm: then the pinion and the price decide. */
export const WIDTH_STEP = 1;
/** How many of what comes near are named where nothing will do. */
const MOST_NEAR = 3;
/** How many pairs are given back. */
const MOST_PAIRS = 20;

type Size = PartOffer['size'];
/** Whether a flange can be re-drilled to the wheel’s pattern. */
export type CanDrill = (size: Size) => boolean;
const NEVER: CanDrill = () => false;

const off = (size: Size, key: string, value: number | undefined, play: number): boolean =>
  value !== undefined && Math.abs((size[key] ?? Infinity) - value) > play;
/** As `off`, but what the offer does not say is bought apart. */
const offWhereSaid = (size: Size, key: string, value: number | undefined, play: number): boolean =>
  size[key] !== undefined && off(size, key, value, play);

/** A journal smaller than the bearing wants lets it turn on the shaft. */
const under = (size: Size, { journal, journalUnder }: ShaftWanted): boolean =>
  journal !== undefined &&
  journalUnder !== undefined &&
  journal - (size['journal'] ?? -Infinity) > journalUnder + COMPARE_SLACK.mm;

const anotherPattern = (size: Size, { holes, pcd }: ShaftWanted): boolean =>
  off(size, 'holes', holes, 0) || off(size, 'pcd', pcd, SAME_PCD);

/** Reasons in the order in which they are looked at; the first that holds is told. */
const REFUSALS: readonly (readonly [why: string, holds: (size: Size, w: ShaftWanted) => boolean])[] = [
  ['another tooth count', (size, w) => off(size, 'teeth', w.teeth, 0)],
  ['another spline pitch', (size, w) => off(size, 'pitch', w.pitch, 0.01)],
  ['another retention', (size, w) => off(size, 'retention', w.retention && RETENTION_SIZES[w.retention], 0)],
  ['another bearing journal', (size, w) => off(size, 'journal', w.journal, SAME_FIT)],
  ['a journal under its bearing’s bore', (size, w) => under(size, w)],
  ['a bearing of another outside', (size, w) => offWhereSaid(size, 'bearingOut', w.bearingBore, SAME_FIT)],
  ['a bearing too wide', (size, w) => (size['bearingWide'] ?? 0) > (w.bearingRoom ?? Infinity)],
  ['another seal journal', (size, w) => offWhereSaid(size, 'seal', w.sealJournal, SAME_SEAL)],
  ['a spline too short', (size, w) => w.spline !== undefined && (size['spline'] ?? 0) < w.spline],
  ['no length given', (size) => size['length'] === undefined],
];

/** Sizes that a list has to say before a shaft can be called right, by what is wanted of it. */
export const unsaidSizes = ({ size }: PartOffer, wanted: ShaftWanted): readonly string[] => [
  ...(!wanted.retention || size['retention'] === undefined ? ['what holds it'] : []),
  ...(wanted.pitch !== undefined && size['pitch'] === undefined ? ['its spline pitch'] : []),
  ...(wanted.journal !== undefined && size['journal'] === undefined ? ['its bearing journal'] : []),
  ...(wanted.holes !== undefined && size['holes'] === undefined ? ['its flange'] : []),
  ...(wanted.spline !== undefined && size['spline'] === undefined ? ['its length of spline'] : []),
];

/** Why a shaft will not do; empty where it will, if need be re-drilled. */
export function refuseShaft({ size }: PartOffer, wanted: ShaftWanted, canDrill = NEVER): string {
  const refusal = REFUSALS.find(([, holds]) => holds(size, wanted));
  if (refusal) return refusal[0];
  return anotherPattern(size, wanted) && !canDrill(size) ? 'another flange pattern' : '';
}

/** Why a shaft will not do by what its list says, whatever it leaves out; empty where nothing that is said stands against it. */
export function refusedAsSaid(offer: PartOffer, wanted: ShaftWanted, canDrill = NEVER): string {
  const asWanted: Record<string, number | undefined> = {
    teeth: wanted.teeth,
    pitch: wanted.pitch,
    retention: wanted.retention && RETENTION_SIZES[wanted.retention],
    journal: wanted.journal,
    holes: wanted.holes,
    pcd: wanted.pcd,
    spline: wanted.spline,
  };
  const filled = Object.entries(asWanted).flatMap(([key, mm]) =>
    offer.size[key] === undefined && mm !== undefined ? [[key, mm] as const] : [],
  );
  return refuseShaft({ ...offer, size: { ...offer.size, ...Object.fromEntries(filled) } }, wanted, canDrill);
}

/**
 * Best pairs of shafts that can be bought, over all of left against right. A shaft that is longer or shorter than the
 * one in now makes its side so much wider or narrower, since brake space and seat stay. Ranked by how near the width
 * comes, then the pinion, then what need not be drilled again, what is on the shelf, price and wait.
 *
 * @param offers all shafts of the counter
 * @param canDrill whether a flange of another pattern can be re-drilled; left out, it cannot
 * @source Half of a side with another shaft = half now + difference of the lengths
 */
export function stockPairs(
  offers: readonly PartOffer[],
  wanted: ShaftWanted,
  axle: PairAxle,
  target: PairTarget,
  canDrill = NEVER,
): PairSearch {
  const refused: Record<string, number> = {};
  const passed = offers.filter((offer) => {
    const why = refuseShaft(offer, wanted, canDrill);
    if (why) refused[why] = (refused[why] ?? 0) + 1;
    return why === '';
  });
  const lengths = bestByLength(passed, wanted);
  const left = sidesOf(lengths, 'left', axle, refused, wanted);
  const right = sidesOf(lengths, 'right', axle, refused, wanted);
  const best = new Best(target);
  for (const l of left) for (const r of right) best.offer(l, r);
  const pairs = best.ranked().map((found) => pairOf(found, axle, wanted));
  return {
    pairs,
    of: offers.length,
    passed: passed.length,
    refused,
    nearest: pairs.length ? [] : nearestOf(offers, wanted, axle, canDrill),
  };
}

/** Shafts that fall short by the least: the later a reason stands, the more agrees with what is wanted. */
function nearestOf(
  offers: readonly PartOffer[],
  wanted: ShaftWanted,
  axle: PairAxle,
  canDrill: CanDrill,
): readonly NearShaft[] {
  const order = REFUSALS.map(([why]) => why);
  const rank = (why: string): number => (order.includes(why) ? order.indexOf(why) : order.length);
  return offers
    .map((offer) => ({ offer, why: refuseShaft(offer, wanted, canDrill) || noSide(offer, axle) }))
    .sort((a, b) => rank(b.why) - rank(a.why) || a.offer.price - b.offer.price)
    .slice(0, MOST_NEAR);
}

/** Why a shaft that suits by its ends goes in on neither side, or has no other to go with it. */
function noSide({ size }: PartOffer, axle: PairAxle): string {
  const short = SIDES.filter((side) => lengthTrouble(size['length'] ?? NaN, side, axle));
  if (short.length === 0) return 'no other to go with it';
  return short.map((side) => lengthTrouble(size['length'] ?? NaN, side, axle)).join(', ');
}

/** A shaft that is too long would want metal put on, not cut off; empty where its length will do. */
function lengthTrouble(length: number, side: Side, { half, shaft, leastHalf }: PairAxle): string {
  const made = half[side] + length - shaft[side];
  return made > half[side]
    ? `longer than the ${side} side`
    : made < leastHalf[side]
      ? `too short, ${side}`
      : '';
}

/** A pair of one length takes two shafts: where one offer has only one on the shelf, the next best gives the other. */
const KEPT = 2;

/** Of shafts of one length, alike in all that matters, only the best to buy are looked at. */
function bestByLength(offers: readonly PartOffer[], wanted: ShaftWanted): readonly PartOffer[] {
  const byLength = new Map<number, PartOffer[]>();
  for (const offer of offers) {
    const length = offer.size['length'] as number;
    const list = byLength.get(length) ?? [];
    list.push(offer);
    byLength.set(length, list);
  }
  return [...byLength.values()].flatMap((list) => list.sort((a, b) => easier(a, b, wanted)).slice(0, KEPT));
}

const easier = (a: PartOffer, b: PartOffer, wanted: ShaftWanted): number =>
  Number(anotherPattern(a.size, wanted)) - Number(anotherPattern(b.size, wanted)) ||
  Number(b.stock > 0) - Number(a.stock > 0) ||
  a.price - b.price ||
  a.leadDays - b.leadDays;

interface SideShaft {
  readonly offer: PartOffer;
  readonly half: number;
  /** Its flange would have to be drilled again. */
  readonly drill: boolean;
}

function sidesOf(
  lengths: readonly PartOffer[],
  side: Side,
  axle: PairAxle,
  refused: Record<string, number>,
  wanted: ShaftWanted,
): readonly SideShaft[] {
  const list: SideShaft[] = [];
  for (const offer of lengths) {
    const length = offer.size['length'] as number;
    const why = lengthTrouble(length, side, axle);
    if (why) refused[why] = (refused[why] ?? 0) + 1;
    else
      list.push({
        offer,
        half: axle.half[side] + length - axle.shaft[side],
        drill: anotherPattern(offer.size, wanted),
      });
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
      drills(a) - drills(b) ||
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
const drills = ([l, r]: Found): number => Number(l.drill) + Number(r.drill);
const price = ([l, r]: Found): number => l.offer.price + r.offer.price;
const lead = ([l, r]: Found): number => Math.max(l.offer.leadDays, r.offer.leadDays);

function pairOf(found: Found, { half }: PairAxle, wanted: ShaftWanted): StockPair {
  const [left, right] = found;
  return {
    left: left.offer,
    right: right.offer,
    width: left.half + right.half,
    pinion: (right.half - left.half) / 2,
    cut: { left: half.left - left.half, right: half.right - right.half },
    price: price(found),
    leadDays: lead(found),
    stocked: stocked(found),
    drill: bySide((side) => anotherPattern((side === 'left' ? left : right).offer.size, wanted)),
  };
}

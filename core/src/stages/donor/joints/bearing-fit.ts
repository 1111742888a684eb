import { sized } from '../../../measure';
import { COMPARE_SLACK, type PartOffer } from '../../../stage';
import type { Verdict } from './choices';

/** Places a ring part has to join, mm. */
export interface RingSeat {
  /** Journal it sits on. */
  readonly inside: number;
  /** Bore it sits in. */
  readonly outside: number;
  /** Room along the axis; undefined where it does not matter or is not known. */
  readonly width?: number;
  /** How much the journal may be under the part’s bore before the ring turns on it, mm. */
  readonly journalUnder?: number;
  /** The journal is still to be turned, so it may be ordered to the part. */
  readonly journalOpen?: boolean;
}

export interface RingFit {
  readonly offer: PartOffer;
  readonly verdict: Exclude<Verdict, 'unknown'>;
  /** What has to be done, empty where it fits. */
  readonly work: string;
  /** How far it is off, for ranking, mm. */
  readonly off: number;
}

/** Nominal sizes that differ by less are the same size, mm. */
export const SAME_SIZE = 0.06;
/** Thinnest sleeve that can be pressed and stays round, wall in mm. */
export const LEAST_SLEEVE = 2.5;
/** Thickest sleeve that is still sensible, wall in mm. */
const MOST_SLEEVE = 8;
/** A journal that is still to be turned may be ordered this much smaller, mm. */
const SMALLER_JOURNAL = 3;
/** A bearing may stand out of its bore by this, mm. */
const PROUD = 0.5;

/**
 * How a bearing or seal joins a journal to a bore: as it is, with a sleeve in the bore, with a journal ordered
 * to it, or not at all. A finished journal is never turned down: it is hardened.
 *
 * @example ringFit(offer 35 × 72 × 17, { inside: 35, outside: 72, width: 18 }).verdict // 'fits'
 */
export function ringFit(offer: PartOffer, seat: RingSeat): RingFit {
  const bore = offer.size['bore'] ?? Number.NaN;
  const outside = offer.size['outside'] ?? Number.NaN;
  const width = offer.size['width'] ?? 0;
  const tooWide = seat.width !== undefined && width > seat.width + PROUD;
  const inside = seat.inside - bore;
  const sleeve = (seat.outside - outside) / 2;
  const off = Math.abs(inside) + Math.abs(seat.outside - outside) + (tooWide ? width - (seat.width ?? 0) : 0);
  const journal = journalWork(inside, bore, seat);
  const housing = housingWork(sleeve);
  if (journal === undefined || housing === undefined || tooWide) return { offer, verdict: 'no', work: '', off };
  const work = [journal, housing].filter(Boolean).join(', ');
  return { offer, verdict: work ? 'work' : 'fits', work, off };
}

function journalWork(over: number, bore: number, { journalUnder = SAME_SIZE, journalOpen: open }: RingSeat) {
  if (over <= SAME_SIZE && over >= -journalUnder - COMPARE_SLACK.mm) return '';
  return open && over > 0 && over <= SMALLER_JOURNAL
    ? `order the journal at ${sized(bore, 'mm', 2)}`
    : undefined;
}

function housingWork(wall: number): string | undefined {
  if (Math.abs(wall) * 2 <= SAME_SIZE) return '';
  return wall >= LEAST_SLEEVE && wall <= MOST_SLEEVE
    ? `sleeve in the bore, wall ${sized(wall, 'mm', 2)}`
    : undefined;
}

const RANK: Readonly<Record<RingFit['verdict'], number>> = { fits: 0, work: 1, no: 2 };

/** All fits, best first: what fits before what needs work, in stock before out of stock, nearest, cheapest. */
export function rankRings(offers: readonly PartOffer[], seat: RingSeat): readonly RingFit[] {
  return offers
    .map((offer) => ringFit(offer, seat))
    .sort(
      (a, b) =>
        RANK[a.verdict] - RANK[b.verdict] ||
        Number(b.offer.stock > 0) - Number(a.offer.stock > 0) ||
        a.off - b.off ||
        a.offer.price - b.offer.price ||
        a.offer.number.localeCompare(b.offer.number),
    );
}

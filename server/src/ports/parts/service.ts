import type { PairsAnswer, PartsAnswer } from '@intervex/contract';
import type { PartsQuery } from '@intervex/contract/ports/parts';
import { rankRings, type PairSearch, type PartKind, type PartOffer } from '@intervex/core';
import type { PairQuestion } from '@intervex/core/desks/shafts';
import type { Pool } from '../../db/pool';
import { refused } from '../../http/refusal';
import { UpstreamAway } from '../upstream';
import { askCounter } from './client';
import { keepList, lastList } from './queries';

/** Best pairs of stock shafts over all the counter has. @throws as `findParts` */
export async function findPairs(
  pool: Pool,
  url: string | undefined,
  question: PairQuestion,
  search: (offers: readonly PartOffer[], question: PairQuestion) => PairSearch | Promise<PairSearch>,
): Promise<PairsAnswer> {
  const { offers, ...heard } = await offersOf(pool, url, 'shaft');
  return { ...(await search(offers, question)), ...heard };
}

/** Most offers in one answer: enough to see what comes near, few enough to keep in a plan. */
const MOST_OFFERS = 12;
/** A list that was heard this recently is not written again, ms. */
const KEEP_EVERY_MS = 60_000;

/**
 * What joins two sizes, or what there is of a kind: from the counter where it answers, else from the last list
 * it gave, saying so.
 *
 * @throws Refused `unavailable` where it does not answer and never did
 */
export async function findParts(pool: Pool, url: string | undefined, query: PartsQuery): Promise<PartsAnswer> {
  const { offers, ...heard } = await offersOf(pool, url, query.kind);
  return { kind: query.kind, of: offers.length, offers: best(offers, query), ...heard };
}

type Heard = Pick<PartsAnswer, 'from' | 'at' | 'trouble'> & { readonly offers: readonly PartOffer[] };

async function offersOf(pool: Pool, url: string | undefined, kind: PartKind): Promise<Heard> {
  try {
    if (!url) throw new UpstreamAway('no counter is set up', false);
    const offers = await askCounter(url, kind);
    const now = new Date();
    const last = await lastList(pool, kind);
    if (!last || now.getTime() - last.heardAt.getTime() > KEEP_EVERY_MS)
      await keepList(pool, kind, offers, now);
    return { offers, from: 'counter', at: now.toISOString() };
  } catch (error) {
    if (!(error instanceof UpstreamAway)) throw error;
    const last = await lastList(pool, kind);
    if (!last)
      throw refused('unavailable', `The parts counter is away: ${error.message}. It has given no list yet.`);
    return { offers: last.offers, from: 'list', at: last.heardAt.toISOString(), trouble: error.message };
  }
}

function best(offers: readonly PartOffer[], query: PartsQuery): readonly PartOffer[] {
  const { inside, outside, width, open } = query;
  if (inside !== undefined && outside !== undefined) {
    const seat = { inside, outside, journalOpen: open, ...(width === undefined ? {} : { width }) };
    return rankRings(offers, seat)
      .slice(0, MOST_OFFERS)
      .map((fit) => fit.offer);
  }
  const near = Object.entries(query.near);
  const like = Object.entries(query.like);
  const there = offers.filter(({ size }) =>
    near.every(([name, value]) => Math.abs((size[name] ?? Infinity) - value) <= NEAR_MM),
  );
  const byHand = (a: PartOffer, b: PartOffer) => Number(b.stock > 0) - Number(a.stock > 0) || a.price - b.price;
  return there
    .map((offer) => ({ offer, off: like.reduce((sum, [name, value]) => sum + offOf(offer, name, value), 0) }))
    .sort((a, b) => a.off - b.off || byHand(a.offer, b.offer))
    .slice(0, near.length || like.length ? MOST_NEAR : MOST_OFFERS)
    .map(({ offer }) => offer);
}

/** By how much of it a dimension is off, by its logarithm; one that is not told is off by all of it. */
function offOf({ size }: PartOffer, name: string, value: number): number {
  const told = size[name];
  return told !== undefined && told > 0 && value > 0 ? Math.abs(Math.log(told / value)) : 1;
}

/** Dimensions that are the same part’s differ by no more, mm. */
const NEAR_MM = 0.3;
/** Where dimensions were named there may be more worth seeing. */
const MOST_NEAR = 40;

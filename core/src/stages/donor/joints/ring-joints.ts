import type { PlaceId } from '../../../stage';
import { sized } from '../../../measure';
import type { Figure } from '../../../measure';
import type { PartSearch } from '../../../stage/parts-counter';
import { type RingSeat, SAME_SIZE, rankRings, type RingFit } from './bearing-fit';
import type { SearchedJoint } from './choices';
import {
  type MatingInput,
  type Judge,
  mm,
  face,
  lacking,
  unknown,
  type Judgement,
  type Judged,
  no,
  fits,
  work,
} from './judging';

/** Judges a bearing or seal by what the parts counter offered. */
function ring(joint: SearchedJoint, seat: (input: MatingInput) => SeatFigures): Judge {
  return (input) => {
    const { inside, outside, width, open, from } = seat(input);
    const depth = width ? `, ${mm(width)} deep` : '';
    const faces = [
      face('shaft', from.inside, mm(inside, 2)),
      face('housing', from.outside, outside ? `${mm(outside, 2)}${depth}` : ''),
    ] as const;
    const lacks = lacking(faces);
    if (lacks || !inside || !outside) return { faces, judged: lacks ?? unknown('not known yet') };
    const wanted = {
      inside: inside.value,
      outside: outside.value,
      journalOpen: open,
      ...(joint === 'bearing' ? { journalUnder: input.journalUnder } : {}),
      ...(width ? { width: width.value } : {}),
    };
    return { faces, seat: wanted, ...bySearch(joint, input.searches[joint], wanted) };
  };
}

/** What the counter’s answer says of a seat, as long as it was asked for that seat. */
function bySearch(
  joint: SearchedJoint,
  search: PartSearch | undefined,
  seat: RingSeat,
): Omit<Judgement, 'faces'> {
  if (!search) return { judged: unknown('ask the parts counter what joins them') };
  const moved = (key: 'inside' | 'outside') => Math.abs((search.asked[key] ?? 0) - seat[key]) > SAME_SIZE;
  if (moved('inside') || moved('outside'))
    return { judged: unknown('the sizes have changed since the counter was asked: ask again'), stale: true };
  const ranked = rankRings(search.found, seat);
  const part = ranked.find((r) => r.offer.number === search.chosen) ?? ranked[0];
  return { judged: ringVerdict(joint, search, part, seat), ...(part ? { part } : {}) };
}

interface SeatFigures {
  readonly inside: Figure | undefined;
  readonly outside: Figure | undefined;
  readonly width: Figure | undefined;
  readonly open: boolean;
  readonly from: { readonly inside: readonly PlaceId[]; readonly outside: readonly PlaceId[] };
}

function ringVerdict(
  joint: SearchedJoint,
  search: PartSearch,
  part: RingFit | undefined,
  { inside, outside }: RingSeat,
): Judged {
  if (!part || part.verdict === 'no')
    return no(
      `none of ${search.of} ${joint}s joins a journal of ${sized(inside, 'mm', 2)} to a bore of ${sized(outside, 'mm', 2)}`,
    );
  const gone = part.offer.stock > 0 ? '' : `, out of stock, ${part.offer.leadDays} days`;
  const what = `${part.offer.name}, ${part.offer.number}${gone}`;
  return part.verdict === 'fits' ? fits(what) : work(`${what}: ${part.work}`);
}

export const bearing = ring('bearing', ({ figures, buying }) => ({
  inside: figures('new.journal') ?? figures('donor.journal'),
  outside: figures('donor.bearingBore'),
  width: figures('donor.bearingWidth'),
  // A journal given for the new shafts is fixed by their maker.
  open: buying && !figures('new.journal'),
  from: { inside: ['new.journal', 'donor.journal'], outside: ['donor.bearingBore', 'donor.bearingWidth'] },
}));

export const seal = ring('seal', ({ figures }) => ({
  inside: figures('donor.sealJournal'),
  outside: figures('donor.sealBore'),
  width: undefined,
  open: false,
  from: { inside: ['donor.sealJournal'], outside: ['donor.sealBore'] },
}));

import { bySide, SIDES, type Side, type Sided } from '../../geometry';
import { given, greater, lesser, type Figure, type FigureUnit } from '../../measure';
import { chosenPart, type PartOffer, type PartSearch } from '../../stage';
import type { School } from '../cut/choices';
import { HOLES } from '../hubs/choices';

/** Lengths and splines of the pair that was chosen from stock. */
export interface PairFigures {
  readonly left: Figure | undefined;
  readonly right: Figure | undefined;
  readonly splineLeft: Figure | undefined;
  readonly splineRight: Figure | undefined;
}

/** A bought shaft is as long as its list says, within what shops hold, mm. */
const STOCK_U = 0.4 / Math.sqrt(3);

/** Figures of the chosen pair; the same objects while the searches stay the same. */
export function pairFigures(v: {
  readonly left: PartSearch | undefined;
  readonly right: PartSearch | undefined;
}): PairFigures {
  const make = (side: Side, key: 'length' | 'spline', label: string) => {
    const offer = chosenPart(v[side]);
    return (
      offer && sizeFigure(offer, key, { id: `pair.${key}.${side}`, label: `${label}, ${side}`, unit: 'mm' })
    );
  };
  return {
    left: make('left', 'length', 'Stock shaft'),
    right: make('right', 'length', 'Stock shaft'),
    splineLeft: make('left', 'spline', 'Spline of the stock shaft'),
    splineRight: make('right', 'spline', 'Spline of the stock shaft'),
  };
}

/** What a size is called. */
interface Named {
  readonly id: string;
  readonly label: string;
  readonly unit: FigureUnit;
}

/** A size as the seller’s list has it: told, not measured, until the part is here. */
function sizeFigure(offer: PartOffer, key: string, { id, label, unit }: Named): Figure | undefined {
  const size = offer.size[key];
  // A list that says nothing, or what no shaft can have, says nothing.
  if (size === undefined || !(size > 0) || (key === 'holes' && !isPattern(size))) return undefined;
  const u = key === 'length' ? STOCK_U : 0;
  return given(id, label, size, u, unit, { source: `${offer.number}, ${offer.seller}`, evidence: 'seller' });
}

const isPattern = (holes: number): boolean => Number.isInteger(holes) && holes >= HOLES[0] && holes <= HOLES[1];

/** Sizes that are another part’s than the donor’s, by the quantity they stand for. */
export type InUse = Readonly<Record<string, Figure | undefined>>;

/** Quantities that a stock shaft brings with it, and the size of an offer that says them. */
const BROUGHT: readonly (readonly [id: string, key: string, label: string, unit: FigureUnit])[] = [
  ['donor.flangeHoles', 'holes', 'Studs of the stock shaft', 'count'],
  ['donor.flangePcd', 'pcd', 'Circle of the stock shaft', 'mm'],
  ['donor.flangeHole', 'hole', 'Stud hole of the stock shaft', 'mm'],
  ['donor.flangeRim', 'rim', 'Flange of the stock shaft', 'mm'],
  ['donor.pilot', 'pilot', 'Pilot of the stock shaft', 'mm'],
  ['new.teeth', 'teeth', 'Teeth of the stock shaft', 'count'],
  ['new.pitch', 'pitch', 'Spline pitch of the stock shaft', 'count'],
  ['new.journal', 'journal', 'Journal of the stock shaft', 'mm'],
  ['donor.sealJournal', 'seal', 'Seal journal of the stock shaft', 'mm'],
];

/** Both shafts that were taken from stock. */
type Taken = Sided<PartOffer> | undefined;

/** The pair taken from stock; undefined while it is not what the plan runs. */
export function takenPair(
  school: School,
  found: { readonly left: PartSearch | undefined; readonly right: PartSearch | undefined },
): Taken {
  if (school !== 'stockShafts') return undefined;
  const [left, right] = [chosenPart(found.left), chosenPart(found.right)];
  return left && right ? { left, right } : undefined;
}

/** Their numbers, for a face or a sheet: one where both are alike; empty where none are taken. */
export function numbersOf(pair: Taken): string {
  return pair ? [...new Set(SIDES.map((side) => pair[side].number))].join(' and ') : '';
}

/**
 * Everything of the shafts that were taken from stock counts from then on in place of the donor’s: pattern, holes,
 * journal, spline. What their list does not say is not known; it is never the donor’s.
 */
export function sizesInUse(pair: Taken): InUse {
  if (!pair) return NONE;
  return Object.fromEntries(
    BROUGHT.map(([id, key, label, unit]) => [id, ofBoth(pair, key, { id: `stock.${key}`, label, unit })]),
  );
}

/** A size that stands for both shafts: the one that leaves less metal where they differ. */
function ofBoth(pair: Sided<PartOffer>, key: string, name: Named): Figure | undefined {
  const [l, r] = [sizeFigure(pair.left, key, name), sizeFigure(pair.right, key, name)];
  // What one of them does not say is not known of both.
  if (!l || !r) return undefined;
  return GREATER.includes(key) ? greater(l, r) : lesser(l, r);
}
/** Of a pilot the greater leaves less metal, of all else the lesser. */
const GREATER = ['pilot', 'hole'];

/** Smallest body of each shaft that was taken: each is judged by its own. */
export const bodiesTaken = (pair: Taken): Sided<Figure | undefined> =>
  bySide(
    (side) =>
      pair &&
      sizeFigure(pair[side], 'body', {
        id: `stock.body.${side}`,
        label: `Smallest body of the stock shaft, ${side}`,
        unit: 'mm',
      }),
  );
const NONE: InUse = {};

/** Sizes in which the two shafts of a pair must be alike, and how they are called. */
const ALIKE: Readonly<Record<string, string>> = {
  holes: 'studs',
  pcd: 'circle',
  hole: 'stud hole',
  teeth: 'spline teeth',
  pitch: 'spline pitch',
  journal: 'journal',
  seal: 'seal journal',
  pilot: 'pilot',
  retention: 'retention',
};

/** In what the two shafts taken from stock are unlike, each a sentence. */
export function pairTrouble(pair: Taken): readonly string[] {
  if (!pair) return [];
  const { left, right } = pair;
  return Object.entries(ALIKE).flatMap(([key, word]) => {
    const [a, b] = [left.size[key], right.size[key]];
    return a === b
      ? []
      : [`${left.number} has ${word} ${a ?? 'not said'}, ${right.number} ${b ?? 'not said'}.`];
  });
}

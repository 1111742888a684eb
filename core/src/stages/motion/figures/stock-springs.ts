import { derive, given, type Maybe } from '../../../measure';
import { chosenPart, type PartOffer } from '../../../stage';
import { node, type Reads } from '../node';
import { MOTION_QUANTITIES } from '../quantities';
import { memberId, sprung, type SprungFigures } from './arms';
import { figure, sprungCorner, springOf, type SpringFigures } from './coil';

/** The spring that would do: what is asked of the parts counter. */
interface WantedSpring {
  /** By the frequency wanted, else as it is read, N/mm. */
  readonly rate: Maybe;
  /** By the seats wanted, else as it is read, mm. */
  readonly free: Maybe;
  /** What its inside has to pass, mm. */
  readonly over: Maybe;
}

/** Places of the rear springs. */
const carriers = (r: Reads): readonly SprungFigures[] =>
  r.of(sprung).filter(({ member }) => member.kind !== 'damper');

/** Rate and free length that are wanted of the rear springs, by the first of them. */
export const wantedSpring = node('wantedSpring', (r): WantedSpring => {
  const [first] = carriers(r);
  const m = r.of(sprungCorner);
  const rate =
    figure(
      {
        id: 'coil.wanted.rate',
        label: 'Rate that gives the frequency wanted',
        unit: 'N/mm',
        formula: '{m}·(2·π·{f})²/(1000·{i}²)',
        source: 'One corner of the body on its spring, by its motion ratio',
      },
      { m, f: r.figure('coil.frequency'), i: first?.ratio },
    ) ?? r.figure('coil.rate');
  const free =
    figure(
      {
        id: 'coil.wanted.free',
        label: 'Free length that puts the seats where they are wanted',
        unit: 'mm',
        formula: '{e} − {s} + {m}·9.80665/({i}·{k})',
        source: 'Eye to eye at ride height less the seats, and what its load presses it together',
      },
      { e: first?.ride, s: r.figure('coil.seats'), m, i: first?.ratio, k: rate },
    ) ?? r.figure('coil.free');
  return { rate, free, over: r.figure('coil.over') };
});

/** A spring of the counter in the place of the rear ones. */
export interface StockSpring {
  readonly offer: PartOffer;
  readonly spring: SpringFigures;
  /** Its inside less what it goes over, mm. */
  readonly room: Maybe;
  /** Why it will not do, or what has to be looked at; empty where all is known and does. */
  readonly against: readonly string[];
  /** All that it is judged by is known, and nothing is against it. */
  readonly does: boolean;
}

/** Sizes of a list that stand for readings: what no spring can have is not told. */
const SIZES = { rate: 'coil.rate', free: 'coil.free', solid: 'coil.solid', inside: 'coil.over' } as const;
type Size = keyof typeof SIZES;
const LABELS: Readonly<Record<Size, string>> = {
  rate: 'Rate',
  free: 'Free length',
  solid: 'Solid length',
  inside: 'Inside',
};

/**
 * A size as a spring’s list says it; undefined where it says nothing, or what no spring has.
 *
 * @returns N/mm of a rate, else mm
 */
export function toldSize({ size }: Pick<PartOffer, 'size'>, key: Size): number | undefined {
  const value = size[key];
  const q = MOTION_QUANTITIES.find(({ id }) => id === SIZES[key]);
  return value !== undefined && q && value >= q.min && value <= q.max ? value : undefined;
}

function told(offer: PartOffer, key: Size): Maybe {
  const value = toldSize(offer, key);
  if (value === undefined) return undefined;
  const unit = key === 'rate' ? 'N/mm' : 'mm';
  return given(`stock.${offer.number}.${key}`, `${LABELS[key]}, ${offer.number}`, value, 0, unit, {
    source: `${offer.number}, ${offer.seller}`,
    evidence: 'seller',
  });
}

/** What goes over what, mm. */
const roomOver = (id: string, label: string, inside: Maybe, over: Maybe): Maybe =>
  inside &&
  over &&
  derive({
    id,
    label,
    unit: 'mm',
    formula: '{i} − {o}',
    source: 'Inside of the spring less what it goes over',
    inputs: { i: inside, o: over },
  });

/** What is said against a spring by one figure: under its limit, or not known. */
function under(figure: Maybe, least: number, low: string, unknown: string): string[] {
  if (!figure) return [unknown];
  return figure.value < least ? [low] : [];
}

/** What is said against a spring in one place of the car. */
const endsAgainst = (r: Reads, { seat, left, loose }: SpringFigures): string[] => [
  ...under(
    seat,
    0,
    'longer than there is room at ride height',
    'whether there is room for it at ride height is not known',
  ),
  ...under(left, r.limit('coil.left').value, 'goes solid', 'whether it goes solid is not known'),
  ...under(loose, 0, 'hangs loose at droop', 'whether it hangs loose is not known'),
];

const insideAgainst = (r: Reads, room: Maybe): string[] => [
  ...under(
    room,
    r.limit('coil.over').value,
    'does not go over the damper',
    'whether it goes over the damper is not known',
  ),
  ...(room && room.value > r.limit('coil.wide').value ? ['wide on its seats'] : []),
];

function stockOf(r: Reads, offer: PartOffer): StockSpring | undefined {
  const coil = { rate: told(offer, 'rate'), free: told(offer, 'free'), solid: told(offer, 'solid') };
  if (!coil.rate || !coil.free) return undefined;
  const id = `stock.${offer.number}`;
  // One spring has to do in every place there is.
  const all = carriers(r).map((of) =>
    springOf(r, of, coil, { id: `${id}.${memberId(of.member)}`, name: `${offer.number}, ${of.member.name}` }),
  );
  const [spring] = all;
  if (!spring) return undefined;
  const room = roomOver(
    `${id}.room`,
    `${offer.number}, room inside`,
    told(offer, 'inside'),
    r.figure('coil.over'),
  );
  const against = [...new Set([...all.flatMap((one) => endsAgainst(r, one)), ...insideAgainst(r, room)])];
  return { offer, spring, room, against, does: against.length === 0 };
}

/** Springs of the counter’s last answer in this car, those that do first, as near as the counter put them. */
export const stockSprings = node('stockSprings', (r): readonly StockSpring[] =>
  (r.search('spring')?.found ?? [])
    .flatMap((offer) => stockOf(r, offer) ?? [])
    .sort((a, b) => Number(b.does) - Number(a.does) || a.against.length - b.against.length),
);

/** The spring that was taken from the counter, against what it goes over and what was read of it since. */
interface TakenSpring {
  readonly offer: PartOffer;
  readonly room: Maybe;
  /** Share by which the rate as it stands is off its list. */
  readonly off: Maybe;
  /** By how much its lengths, free and solid, are off the list at most, mm. */
  readonly offLong: Maybe;
}
export const takenSpring = node('takenSpring', (r): TakenSpring | undefined => {
  const offer = chosenPart(r.search('spring'));
  if (!offer) return undefined;
  return {
    offer,
    room: roomOver('coil.taken.room', 'Room inside the spring', told(offer, 'inside'), r.figure('coil.over')),
    off: figure(
      {
        id: 'coil.taken.off',
        label: 'Rate as read off its list, as a share',
        unit: 'ratio',
        formula: '|{k} − {l}|/{l}',
        source: 'The rate as it stands against what the seller’s list says',
      },
      { k: r.figure('coil.rate'), l: told(offer, 'rate') },
    ),
    offLong: figure(
      {
        id: 'coil.taken.offLong',
        label: 'Lengths as read off its list',
        unit: 'mm',
        formula: 'max(|{f} − {F}|, |{s} − {S}|)',
        source: 'Free and solid length as they stand against what the seller’s list says; the worse of both',
      },
      {
        f: r.figure('coil.free'),
        F: told(offer, 'free'),
        s: r.figure('coil.solid'),
        S: told(offer, 'solid'),
      },
    ),
  };
});

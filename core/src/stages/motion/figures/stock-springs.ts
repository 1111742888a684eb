import { derive, given, type Figure, type FigureUnit, type Maybe } from '../../../measure';
import { chosenPart, type PartOffer } from '../../../stage';
import { node, type Reads } from '../node';
import { sprung } from './arms';
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

/** Rate and free length that are wanted of the rear springs. */
export const wantedSpring = node('wantedSpring', (r): WantedSpring => {
  const [first] = r.of(sprung).filter(({ member }) => member.kind !== 'damper');
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

/** How much wider than what it goes over a spring may be before it wanders on its seats, mm. */
const MOST_ROOM = 6;

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

const told = (offer: PartOffer, key: string, label: string, unit: FigureUnit): Maybe => {
  const size = offer.size[key];
  return size !== undefined && size > 0
    ? given(`stock.${offer.number}.${key}`, `${label}, ${offer.number}`, size, 0, unit, {
        source: `${offer.number}, ${offer.seller}`,
        evidence: 'seller',
      })
    : undefined;
};

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

function againstOf(r: Reads, { left, loose }: SpringFigures, room: Maybe): string[] {
  return [
    ...under(left, r.limit('coil.left').value, 'goes solid', 'whether it goes solid is not known'),
    ...under(loose, 0, 'hangs loose at droop', 'whether it hangs loose is not known'),
    ...under(
      room,
      r.limit('coil.over').value,
      'does not go over the damper',
      'whether it goes over the damper is not known',
    ),
    ...(room && room.value > MOST_ROOM ? ['wide on its seats'] : []),
  ];
}

function stockOf(r: Reads, offer: PartOffer): StockSpring | undefined {
  const [first] = r.of(sprung).filter(({ member }) => member.kind !== 'damper');
  const rate = told(offer, 'rate', 'Rate', 'N/mm');
  const free = told(offer, 'free', 'Free length', 'mm');
  if (!first || !rate || !free) return undefined;
  const id = `stock.${offer.number}`;
  const spring = springOf(
    r,
    first,
    { rate, free, solid: told(offer, 'solid', 'Solid length', 'mm') },
    { id, name: offer.number },
  );
  const room = roomOver(
    `${id}.room`,
    `${offer.number}, room inside`,
    told(offer, 'inside', 'Inside', 'mm'),
    r.figure('coil.over'),
  );
  const against = againstOf(r, spring, room);
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
}
export const takenSpring = node('takenSpring', (r): TakenSpring | undefined => {
  const offer = chosenPart(r.search('spring'));
  if (!offer) return undefined;
  const rate = told(offer, 'rate', 'Rate', 'N/mm');
  const read: Maybe = r.figure('coil.rate');
  const off: Figure | undefined =
    rate &&
    read &&
    derive({
      id: 'coil.taken.off',
      label: 'Rate as read off its list, as a share',
      unit: 'ratio',
      formula: '|{k} − {l}|/{l}',
      source: 'The rate as it stands against what the seller’s list says',
      inputs: { k: read, l: rate },
    });
  return {
    offer,
    room: roomOver(
      'coil.taken.room',
      'Room inside the spring',
      told(offer, 'inside', 'Inside', 'mm'),
      r.figure('coil.over'),
    ),
    off,
  };
});

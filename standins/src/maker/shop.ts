import { noBook, type Book } from '../book';

/** What is ordered, as far as the shop reads it. Lengths in mm. */
export interface ShaftLine {
  readonly side: 'left' | 'right';
  readonly length: number;
  readonly spline: string;
  readonly splineLength?: number;
  readonly journal?: number;
  readonly body?: number;
  readonly material: string;
}

/** Where an order stands. */
export type State = 'quoted' | 'paid' | 'cutting' | 'shipped' | 'late';

/** A shaft as it lies in the parcel. */
export interface MadeShaft {
  readonly side: 'left' | 'right';
  readonly length: number;
  readonly journal?: number;
  readonly splineLength?: number;
}

export interface Order {
  readonly number: string;
  readonly lines: readonly ShaftLine[];
  readonly price: number;
  readonly leadDays: number;
  readonly state: State;
  readonly note: string;
  /** Key it was paid with; a second try with the same one changes nothing. */
  readonly key?: string;
  /** What will be in the parcel; only the shop knows, until it is opened. */
  readonly made: readonly MadeShaft[];
}

/** A reason for which the shop will not make something. */
export class WillNot extends Error {}

const SHORTEST = 250;
const LONGEST = 1150;
/** Splines the shop has cutters for. */
const CUTTERS = [26, 28, 30, 31, 33, 35, 40];
const ADDED: Readonly<Record<string, number>> = {
  'ultra-high-strength': 140,
  'Cr-Ni-Mo, through-hardened': 60,
};
const BASE = 165;

const FIRST = 4100;

/** The shop: prices what it can make, and remembers what was ordered. */
export class Shop {
  private readonly orders: Map<string, Order>;
  private last: number;

  constructor(private readonly book: Book<Order> = noBook()) {
    const known = book.read();
    this.orders = new Map(known.map((order) => [order.number, order]));
    this.last = Math.max(FIRST, ...known.map((order) => Number(order.number.slice(3))));
  }

  quote(lines: readonly ShaftLine[]): Order {
    if (lines.length === 0) throw new WillNot('there is no shaft in this order');
    for (const line of lines) refuse(line);
    this.last += 1;
    const number = `WQ-${this.last}`;
    const price = lines.reduce((sum, line) => sum + priceOf(line), 0);
    const leadDays = 9 + 3 * lines.length;
    const order: Order = {
      number,
      lines,
      price,
      leadDays,
      state: 'quoted',
      note: 'Held for 30 days. Lengths from the wheel face, within 0.4 mm.',
      made: lines.map(({ side, length, journal, splineLength }) => ({
        side,
        length: round(length + WANDER[side]),
        ...(journal === undefined ? {} : { journal: round(journal + 0.005) }),
        ...(splineLength === undefined ? {} : { splineLength: round(splineLength + 0.6) }),
      })),
    };
    this.keep(order);
    return order;
  }

  find(number: string): Order | undefined {
    return this.orders.get(number);
  }

  list(): readonly Order[] {
    return [...this.orders.values()].reverse();
  }

  /** Begins an order. Told again with the same key it says where the order stands, and begins nothing twice. */
  pay(number: string, key: string): Order | undefined {
    return this.change(number, (order) =>
      order.state === 'quoted' ? { state: 'paid', note: 'Paid; in the queue.', key } : {},
    );
  }

  /** Moves an order on: paid, cutting, shipped. */
  advance(number: string): Order | undefined {
    return this.change(number, ({ state }) => {
      if (state === 'paid') return { state: 'cutting', note: 'In the lathe.' };
      if (state === 'cutting' || state === 'late') return { state: 'shipped', note: 'With the carrier.' };
      return {};
    });
  }

  late(number: string, days: number): Order | undefined {
    return this.change(number, ({ state, leadDays }) =>
      state === 'paid' || state === 'cutting'
        ? { state: 'late', leadDays: leadDays + days, note: `Heat treatment is behind: ${days} days more.` }
        : {},
    );
  }

  /** Makes one shaft of an order off by some millimetres. */
  spoil(number: string, side: 'left' | 'right', by: number): Order | undefined {
    return this.change(number, ({ made }) => ({
      made: made.map((shaft) => (shaft.side === side ? { ...shaft, length: round(shaft.length + by) } : shaft)),
    }));
  }

  /** Takes wrong shafts back and begins anew, to size. */
  takeBack(number: string): Order | undefined {
    return this.change(number, ({ lines }) => ({
      state: 'cutting',
      note: 'Came back; made again without charge.',
      made: lines.map(({ side, length, journal, splineLength }) => ({
        side,
        length: round(length + WANDER[side]),
        ...(journal === undefined ? {} : { journal }),
        ...(splineLength === undefined ? {} : { splineLength }),
      })),
    }));
  }

  private change(number: string, to: (order: Order) => Partial<Order>): Order | undefined {
    const order = this.orders.get(number);
    if (!order) return undefined;
    const changed = { ...order, ...to(order) };
    this.keep(changed);
    return changed;
  }

  private keep(order: Order): void {
    this.orders.set(order.number, order);
    this.book.write([...this.orders.values()]);
  }
}

/** What a good lathe leaves, mm. */
const WANDER = { left: 0.15, right: -0.1 } as const;
const round = (value: number): number => Math.round(value * 1000) / 1000;

function refuse({ length, spline, side }: ShaftLine): void {
  if (length < SHORTEST || length > LONGEST)
    throw new WillNot(`the ${side} shaft of ${length} mm is not between ${SHORTEST} and ${LONGEST} mm`);
  const teeth = Number(spline.split('/')[0]);
  if (!CUTTERS.includes(teeth))
    throw new WillNot(
      `there is no cutter for ${spline || 'a spline without a size'}; there are ${CUTTERS.join(', ')} teeth`,
    );
}

const priceOf = ({ length, material }: ShaftLine): number =>
  Math.round(BASE + length * 0.11 + (ADDED[material] ?? 0));

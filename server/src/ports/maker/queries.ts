import type { MakerQuote, OrderEvent, OrderState, OrderView } from '@intervex/contract';
import { type Received } from '@intervex/core';
import { orderMoved, type ShaftOrder } from '@intervex/core/desks/shafts';
import type { Db } from '../../plans/queries';

interface OrderRow {
  readonly id: string;
  readonly variant_id: string;
  readonly variant: string;
  readonly revision: number;
  readonly content: ShaftOrder;
  readonly quote: MakerQuote;
}
interface EventRow {
  readonly order_id: string;
  readonly at: Date;
  readonly who: string;
  readonly state: OrderState;
  readonly note: string;
  readonly received: Received | null;
}

interface NewOrder {
  readonly variantId: string;
  readonly revision: number;
  readonly order: ShaftOrder;
  readonly quote: MakerQuote;
}

export async function insertOrder(db: Db, { variantId, revision, order, quote }: NewOrder): Promise<string> {
  const { rows } = await db.query<{ id: string }>(
    'insert into orders (variant_id, revision, content, quote) values ($1, $2, $3, $4) returning id',
    [variantId, revision, JSON.stringify(order), JSON.stringify(quote)],
  );
  return (rows[0] as { id: string }).id;
}

/** Appends what became of an order. Two at once are put one after the other by the row they lock. */
export async function appendEvent(
  db: Db,
  orderId: string,
  event: { who: string; state: OrderState; note: string; received?: Received },
): Promise<void> {
  await db.query('select id from orders where id = $1 for update', [orderId]);
  await db.query(
    `insert into order_events (order_id, n, who, state, note, received)
     select $1, coalesce(max(n), 0) + 1, $2, $3, $4, $5 from order_events where order_id = $1`,
    [orderId, event.who, event.state, event.note, event.received ? JSON.stringify(event.received) : null],
  );
}

/** Locks an order until the transaction ends, and says where it stands. */
export async function lockOrder(db: Db, id: string): Promise<OrderState> {
  await db.query('select id from orders where id = $1 for update', [id]);
  const { rows } = await db.query<{ state: OrderState }>(
    'select state from order_events where order_id = $1 order by n desc limit 1',
    [id],
  );
  return rows[0]?.state ?? 'quoted';
}

/** Keeps all other payments of the project waiting until the transaction ends. */
export async function lockPayments(db: Db, variantId: string): Promise<void> {
  await db.query(
    `select p.id from projects p join variants v on v.project_id = p.id where v.id = $1
      for no key update of p`,
    [variantId],
  );
}

/** Orders that were being paid when nobody heard the end of it, oldest first. */
export async function payingOrders(db: Db): Promise<readonly string[]> {
  const { rows } = await db.query<{ order_id: string }>(
    `select e.order_id from order_events e
      where e.state = 'paying'
        and e.n = (select max(n) from order_events l where l.order_id = e.order_id)
      order by e.at`,
  );
  return rows.map((r) => r.order_id);
}

const ORDER = `select o.id, o.variant_id, v.name as variant, o.revision, o.content, o.quote
  from orders o join variants v on v.id = o.variant_id`;

export async function findOrder(db: Db, id: string): Promise<OrderView | undefined> {
  const { rows } = await db.query<OrderRow>(`${ORDER} where o.id = $1`, [id]);
  const [order] = await withEvents(db, rows);
  if (!order) return undefined;
  const { rows: others } = await db.query<OrderRow>(
    `${ORDER} where v.project_id = (select project_id from variants where id = $1) and o.id <> $2`,
    [order.variantId, id],
  );
  return withSame([order, ...(await withEvents(db, others))])[0];
}

/** States in which shafts are on their way, or here. */
const LIVE: readonly OrderState[] = ['paying', 'paid', 'cutting', 'late', 'shipped', 'wrong', 'accepted'];

/** Names with each order the others for the very same shafts that are under way or taken. */
function withSame(orders: readonly OrderView[]): readonly OrderView[] {
  return orders.map((order) => {
    const same = orders
      .filter(
        (o) => o.id !== order.id && LIVE.includes(o.state) && orderMoved(o.order, order.order).length === 0,
      )
      .map((o) => o.quote.number);
    return same.length ? { ...order, same } : order;
  });
}

/** Orders of a project, newest first. */
export async function listOrders(db: Db, projectId: string): Promise<readonly OrderView[]> {
  const { rows } = await db.query<OrderRow>(
    `${ORDER} where v.project_id = $1 order by o.created_at desc, o.id`,
    [projectId],
  );
  return withSame(await withEvents(db, rows));
}

async function withEvents(db: Db, orders: readonly OrderRow[]): Promise<readonly OrderView[]> {
  const { rows } = await db.query<EventRow>(
    'select order_id, at, who, state, note, received from order_events where order_id = any($1) order by order_id, n',
    [orders.map((o) => o.id)],
  );
  return orders.map((o) =>
    viewOf(
      o,
      rows.filter((e) => e.order_id === o.id),
    ),
  );
}

function viewOf(row: OrderRow, rows: readonly EventRow[]): OrderView {
  const events = rows.map(({ at, who, state, note }): OrderEvent => ({
    at: at.toISOString(),
    who,
    state,
    note,
  }));
  const received = rows.findLast((e) => e.received)?.received;
  return {
    id: row.id,
    variantId: row.variant_id,
    variant: row.variant,
    revision: row.revision,
    order: row.content,
    quote: row.quote,
    state: events.at(-1)?.state ?? 'quoted',
    events,
    ...(received ? { received } : {}),
  };
}

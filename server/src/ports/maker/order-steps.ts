import type { OrderState, OrderView } from '@intervex/contract';
import { withReceived } from '@intervex/core';
import type { Pool } from '../../db/pool';
import { withTransaction } from '../../db/transaction';
import type { Db } from '../../plans/queries';
import { editPlan } from '../../plans/service';
import { lockOrder, appendEvent, findOrder } from './queries';
import { refused } from '../../http/refusal';
import { UpstreamAway, UpstreamRefuses } from '../upstream';

export const now8601 = (): string => new Date().toISOString();

/** Keeps a wrong shaft: an accepted deviation of the plan. */
export const keep = (pool: Pool, { id, variantId, received }: OrderView, by: { who: string; reason: string }) =>
  withTransaction(pool, async (client) => {
    if ((await lockOrder(client, id)) !== 'wrong') return;
    await appendEvent(client, id, { who: by.who, state: 'accepted', note: by.reason });
    if (received)
      await editPlan(client, variantId, by.who, (now) => withReceived(now, received, { ...by, at: now8601() }));
  });

export async function readOrder(db: Db, id: string): Promise<OrderView> {
  const order = await findOrder(db, id);
  if (!order)
    throw refused('notFound', 'There is no such order.', [
      { field: 'id', wrong: 'is not known', right: 'an id from the project’s orders' },
    ]);
  return order;
}

/** Moves an order on from one state; tells whether it was this call that did. */
export const moveOn = (
  pool: Pool,
  id: string,
  from: OrderState,
  event: Parameters<typeof appendEvent>[2],
): Promise<boolean> =>
  withTransaction(pool, async (client) => {
    if (from === event.state || (await lockOrder(client, id)) !== from) return false;
    await appendEvent(client, id, event);
    return true;
  });

export function inState(order: OrderView, states: readonly OrderState[], what: string): void {
  if (!states.includes(order.state))
    throw refused('invalid', `An order that is ${order.state} cannot be ${what}.`, [
      { field: 'state', wrong: `is ${order.state}`, right: states.join(' or ') },
    ]);
}

export function there(url: string | undefined): string {
  if (!url) throw new UpstreamAway('no shaft maker is set up', false);
  return url;
}

/** What the maker said; its silence is 503 and its no is 400, both in words. */
export async function heard<T>(ask: () => Promise<T>): Promise<T> {
  try {
    return await ask();
  } catch (error) {
    if (error instanceof UpstreamRefuses)
      throw refused('invalid', `The shaft maker will not make this: ${error.message}`, [
        { field: 'order', wrong: error.message, right: 'another size, or another maker' },
      ]);
    if (error instanceof UpstreamAway)
      throw refused('unavailable', `Not ordered: ${error.message}. Nothing was lost; try again.`);
    throw error;
  }
}

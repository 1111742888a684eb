import type { MakerState, OrderState, OrderView, ReceiveRequest, SettleRequest } from '@intervex/contract';
import { compareReceived, evaluate, orderHolds, orderMoved, shaftOrder } from '@intervex/core';
import type { Pool } from '../db/pool';
import { withTransaction } from '../db/transaction';
import { refused } from '../http/refusal';
import { UpstreamAway, UpstreamRefuses } from '../http/upstream';
import { readVariant } from '../plans/service';
import { askOrder, askQuote, placeOrder, returnOrder } from './maker';
import { appendEvent, findOrder, insertOrder } from './queries';

/** States in which the maker still has to do something. */
const WITH_MAKER: readonly OrderState[] = ['paid', 'cutting', 'late', 'sentBack'];
/** States in which something may lie on the bench to be measured. */
const MEASURED: readonly OrderState[] = ['shipped', 'wrong'];

/** Asks for a quote on the shafts of a variant as it is saved, and keeps it. */
export async function quoteOrder(
  pool: Pool,
  url: string | undefined,
  variantId: string,
  who: string,
): Promise<OrderView> {
  const { plan, revision } = await readVariant(pool, variantId);
  const order = shaftOrder(plan, evaluate(plan));
  if (order.lacks.length)
    throw refused(
      'invalid',
      `The order is not whole: ${order.lacks.join(', ').toLowerCase()}.`,
      order.lacks.map((lack) => ({
        field: 'order',
        wrong: `${lack} is not known`,
        right: 'its reading or fact, under Donor or Hub ends',
      })),
    );
  const quote = await heard(() => askQuote(there(url), order));
  const id = await withTransaction(pool, async (client) => {
    const made = await insertOrder(client, { variantId, revision, order, quote });
    await appendEvent(client, made, { who, state: 'quoted', note: quote.note });
    return made;
  });
  return readOrder(pool, id);
}

/** Pays a quote: the maker begins. Refused where the saved plan asks for other shafts by now, or has a stop. */
export async function payOrder(
  pool: Pool,
  url: string | undefined,
  id: string,
  who: string,
): Promise<OrderView> {
  const order = await readOrder(pool, id);
  inState(order, ['quoted'], 'paid');
  await stillWanted(pool, order);
  const { state, note } = await heard(() => placeOrder(there(url), order.quote.number));
  await append(pool, id, { who, state, note });
  return readOrder(pool, id);
}

async function stillWanted(pool: Pool, { order, variantId }: OrderView): Promise<void> {
  const { plan } = await readVariant(pool, variantId);
  const results = evaluate(plan);
  const moved = orderMoved(order, shaftOrder(plan, results));
  if (moved.length)
    throw refused(
      'invalid',
      `The plan has moved on since this quote: ${moved.join('; ')}. Ask for a new one.`,
      moved.map((wrong) => ({ field: 'order', wrong, right: 'a quote of the plan as it stands' })),
    );
  const holds = orderHolds(results.checks);
  if (holds.length)
    throw refused(
      'invalid',
      `Not ordered while a stop is open: ${holds.join('; ')}.`,
      holds.map((wrong) => ({ field: 'plan', wrong, right: 'no open stop in what the shafts follow from' })),
    );
}

/**
 * Asks the maker where an order stands, and keeps what changed. Where the maker is not heard the order stays as it
 * was last known, and says so.
 */
export async function lookAtOrder(
  pool: Pool,
  url: string | undefined,
  id: string,
  who: string,
): Promise<OrderView> {
  const order = await readOrder(pool, id);
  if (!WITH_MAKER.includes(order.state)) return order;
  try {
    const { state, note } = await askOrder(there(url), order.quote.number);
    if (state !== order.state) await append(pool, id, { who, state: state satisfies MakerState, note });
    return await readOrder(pool, id);
  } catch (error) {
    if (error instanceof UpstreamAway || error instanceof UpstreamRefuses)
      return { ...order, trouble: error.message };
    throw error;
  }
}

/** Measured shafts against the order: right ones are taken, wrong ones wait for a decision. */
export async function receiveOrder(
  pool: Pool,
  id: string,
  { who, shafts }: ReceiveRequest,
): Promise<OrderView> {
  const order = await readOrder(pool, id);
  inState(order, MEASURED, 'measured');
  const { plan } = await readVariant(pool, order.variantId);
  try {
    const received = compareReceived(order.order, shafts, plan.limits);
    const wrong = received.sizes
      .filter((s) => !s.ok)
      .map((s) => `${s.side} ${s.what} off by ${s.off.toFixed(2)} mm`);
    const note = received.ok ? 'Measured, and as ordered.' : `${wrong.join(', ')}.`;
    await append(pool, id, { who, state: received.ok ? 'accepted' : 'wrong', note, received });
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    throw refused('invalid', error.message, [
      { field: 'shafts', wrong: error.message, right: 'every shaft that was ordered, measured once' },
    ]);
  }
  return readOrder(pool, id);
}

/** What is done with a wrong shaft, and why. */
export async function settleOrder(
  pool: Pool,
  url: string | undefined,
  id: string,
  { who, decision, reason }: SettleRequest,
): Promise<OrderView> {
  const order = await readOrder(pool, id);
  inState(order, ['wrong'], decision === 'accept' ? 'taken as it is' : 'sent back');
  const begun =
    decision === 'sendBack'
      ? await heard(() => returnOrder(there(url), order.quote.number, reason))
      : undefined;
  await append(pool, id, { who, state: decision === 'accept' ? 'accepted' : 'sentBack', note: reason });
  // A maker that begins anew at once says so with its answer.
  if (begun && begun.state !== 'shipped') await append(pool, id, { who, state: begun.state, note: begun.note });
  return readOrder(pool, id);
}

export async function readOrder(pool: Pool, id: string): Promise<OrderView> {
  const order = await findOrder(pool, id);
  if (!order)
    throw refused('notFound', 'There is no such order.', [
      { field: 'id', wrong: 'is not known', right: 'an id from the project’s orders' },
    ]);
  return order;
}

const append = (pool: Pool, id: string, event: Parameters<typeof appendEvent>[2]) =>
  withTransaction(pool, (client) => appendEvent(client, id, event));

function inState(order: OrderView, states: readonly OrderState[], what: string): void {
  if (!states.includes(order.state))
    throw refused('invalid', `An order that is ${order.state} cannot be ${what}.`, [
      { field: 'state', wrong: `is ${order.state}`, right: states.join(' or ') },
    ]);
}

function there(url: string | undefined): string {
  if (!url) throw new UpstreamAway('no shaft maker is set up', false);
  return url;
}

/** What the maker said; its silence is 503 and its no is 400, both in words. */
async function heard<T>(ask: () => Promise<T>): Promise<T> {
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

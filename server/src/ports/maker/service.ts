import type { MakerState, OrderState, OrderView, ReceiveRequest, SettleRequest } from '@intervex/contract';
import { compareReceived, inUnits, limitsOf, type Plan, type Received, withReceived } from '@intervex/core';
import { orderMoved, type ShaftOrder } from '@intervex/core/desks/shafts';
import type { Pool } from '../../db/pool';
import { withTransaction } from '../../db/transaction';
import { Refused, refused } from '../../http/refusal';
import { UpstreamAway, UpstreamRefuses } from '../upstream';
import { editPlan, readVariant } from '../../plans/service';
import { askOrder, askQuote, placeOrder, returnOrder } from './client';
import { appendEvent, insertOrder, lockOrder, lockPayments, payingOrders } from './queries';
import { inState, heard, keep, moveOn, now8601, there, readOrder } from './order-steps';

/** States in which the maker still has to do something. */
const WITH_MAKER: readonly OrderState[] = ['paid', 'cutting', 'late', 'sentBack'];
/** States in which something may lie on the bench to be measured. */
const MEASURED: readonly OrderState[] = ['shipped', 'wrong'];

/** A payment looks at the plan again so many times where somebody changes it meanwhile. */
const MOST_TRIES = 4;

/** What a plan orders, and the open stops that keep it from being ordered. */
export interface Thought {
  readonly order: ShaftOrder;
  readonly holds: readonly string[];
}
/** Works out what a plan orders, beside the process that answers. */
export type Thinks = (plan: Plan) => Promise<Thought>;

/** Asks for a quote on the shafts of a variant as it is saved, and keeps it. */
export async function quoteOrder(
  pool: Pool,
  url: string | undefined,
  variantId: string,
  who: string,
  thinks: Thinks,
): Promise<OrderView> {
  const { plan, revision } = await readVariant(pool, variantId);
  const { order } = await thinks(plan);
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
  const stocked = order.lines.flatMap((l) =>
    l.part === undefined ? [] : [`${l.part} from ${l.seller ?? ''}`],
  );
  if (stocked.length)
    throw refused('invalid', `These shafts lie on a shelf: order ${stocked.join(' and ')} by number.`, [
      { field: 'order', wrong: 'holds shafts from stock', right: 'shafts that have to be made' },
    ]);
  const quote = await heard(() => askQuote(there(url), order));
  const id = await withTransaction(pool, async (client) => {
    const made = await insertOrder(client, { variantId, revision, order, quote });
    await appendEvent(client, made, { who, state: 'quoted', note: quote.note });
    return made;
  });
  return readOrder(pool, id);
}

/**
 * Pays a quote: the maker begins. Refused where the saved plan asks for other shafts by now, has a stop, or the same
 * shafts are on order already and nobody said that they are meant twice. What is looked at and that it is being paid stand
 * under one lock of the project, before the maker is told: of several quotes paid at once one is. The order’s id is the
 * key by which the maker knows a second try.
 */
export async function payOrder(
  pool: Pool,
  url: string | undefined,
  id: string,
  { who, again = false }: { readonly who: string; readonly again?: boolean },
  thinks: Thinks,
): Promise<OrderView> {
  const order = await readOrder(pool, id);
  inState(order, ['quoted', 'paying'], 'paid');
  const maker = await heard(async () => there(url));
  for (let tries = 0; order.state === 'quoted'; tries += 1) {
    const { plan, revision } = await readVariant(pool, order.variantId);
    stillWanted(order, await thinks(plan));
    if (await beginPaying(pool, order, revision, { who, again })) break;
    if (tries === MOST_TRIES)
      throw refused(
        'unavailable',
        'The plan is being changed just now. Nothing was paid; try again in a moment.',
      );
  }
  return settlePaying(pool, maker, id, who);
}

/**
 * Writes that an order is being paid, once, with all other payments of the project waiting; what takes long has been done
 * before, so that they wait no longer than that.
 *
 * @returns false where the plan has moved on since the revision it was looked at
 */
async function beginPaying(
  pool: Pool,
  { id, variantId }: OrderView,
  revision: number,
  { who, again }: { readonly who: string; readonly again: boolean },
): Promise<boolean> {
  return withTransaction(pool, async (client) => {
    await lockPayments(client, variantId);
    if ((await lockOrder(client, id)) !== 'quoted') return true;
    if ((await readVariant(client, variantId)).revision !== revision) return false;
    if (!again) notTwice(await readOrder(client, id));
    await appendEvent(client, id, { who, state: 'paying', note: 'Being paid.' });
    return true;
  });
}

function notTwice({ same = [] }: OrderView): void {
  if (same.length === 0) return;
  const wrong = `the same shafts are on order already: ${same.join(', ')}`;
  throw refused('invalid', `Not ordered: ${wrong}. Say so if they are meant twice.`, [
    { field: 'again', wrong, right: 'true where they are meant twice' },
  ]);
}

/** Tells the maker of an order that is being paid, and writes what it answers, once. */
async function settlePaying(pool: Pool, url: string, id: string, who: string): Promise<OrderView> {
  const order = await readOrder(pool, id);
  if (order.state !== 'paying') return order;
  const answer = await placed(url, order);
  await withTransaction(pool, async (client) => {
    if ((await lockOrder(client, id)) === 'paying') await appendEvent(client, id, { who, ...answer });
  });
  return readOrder(pool, id);
}

/** What the maker says; its no leads back to the quote. While it is silent the order stays being paid. */
async function placed(url: string, order: OrderView): Promise<{ state: OrderState; note: string }> {
  try {
    const { state, note } = await placeOrder(url, order.quote.number, order.id);
    return { state, note };
  } catch (error) {
    if (error instanceof UpstreamRefuses)
      return { state: 'quoted', note: `The maker says no: ${error.message}` };
    if (error instanceof UpstreamAway)
      throw refused(
        'unavailable',
        `Not confirmed: ${error.message}. The order stays being paid, and is asked for again; nothing is ordered twice.`,
      );
    throw error;
  }
}

/** Takes up again what was being paid when a server ended, and counts what was settled. */
export async function resumePaying(pool: Pool, url: string | undefined): Promise<number> {
  if (!url) return 0;
  let settled = 0;
  for (const id of await payingOrders(pool)) {
    const order = await settlePaying(pool, url, id, 'Intervex').catch((error: unknown) => {
      if (error instanceof Refused) return undefined;
      throw error;
    });
    if (order && order.state !== 'paying') settled += 1;
  }
  return settled;
}

function stillWanted({ order }: OrderView, now: Thought): void {
  const moved = orderMoved(order, now.order).map((words) => inUnits(words, 'mm'));
  if (moved.length)
    throw refused(
      'invalid',
      `The plan has moved on since this quote: ${moved.join('; ')}. Ask for a new one.`,
      moved.map((wrong) => ({ field: 'order', wrong, right: 'a quote of the plan as it stands' })),
    );
  if (now.holds.length)
    throw refused(
      'invalid',
      `Not ordered while a stop is open: ${now.holds.join('; ')}.`,
      now.holds.map((wrong) => ({
        field: 'plan',
        wrong,
        right: 'no open stop in what the shafts follow from',
      })),
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
  if (order.state === 'paying') return resumed(pool, url, order, who);
  if (!WITH_MAKER.includes(order.state)) return order;
  try {
    const { state, note } = await askOrder(there(url), order.quote.number);
    await moveOn(pool, id, order.state, { who, state: state satisfies MakerState, note });
    return await readOrder(pool, id);
  } catch (error) {
    if (error instanceof UpstreamAway || error instanceof UpstreamRefuses)
      return { ...order, trouble: error.message };
    throw error;
  }
}

async function resumed(pool: Pool, url: string | undefined, order: OrderView, who: string): Promise<OrderView> {
  try {
    return await settlePaying(pool, there(url), order.id, who);
  } catch (error) {
    if (error instanceof Refused || error instanceof UpstreamAway) return { ...order, trouble: error.message };
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
  const received = compared(order, shafts, plan);
  const wrong = received.sizes
    .filter((s) => !s.ok)
    .map((s) => `${s.side} ${s.what} off by ${s.off.toFixed(2)} mm`);
  const note = received.ok ? 'Measured, and as ordered.' : `${wrong.join(', ')}.`;
  await withTransaction(pool, async (client) => {
    if (!MEASURED.includes(await lockOrder(client, id))) return;
    await appendEvent(client, id, { who, state: received.ok ? 'accepted' : 'wrong', note, received });
    if (received.ok)
      await editPlan(client, order.variantId, who, (now) =>
        withReceived(now, received, { who, at: now8601() }),
      );
  });
  return readOrder(pool, id);
}

function compared({ order }: OrderView, shafts: ReceiveRequest['shafts'], plan: Plan): Received {
  try {
    return compareReceived(order, shafts, limitsOf(plan.limits));
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    throw refused('invalid', error.message, [
      {
        field: 'measurement.shafts',
        wrong: error.message,
        right: 'every shaft that was ordered, measured once',
      },
    ]);
  }
}

/** What is done with a wrong shaft, and why. One that is kept stands in the plan as measured, with the reason. */
export async function settleOrder(
  pool: Pool,
  url: string | undefined,
  id: string,
  { who, decision, reason }: SettleRequest,
): Promise<OrderView> {
  const order = await readOrder(pool, id);
  inState(order, ['wrong'], decision === 'accept' ? 'taken as it is' : 'sent back');
  if (decision === 'sendBack') await sendBack(pool, there(url), order, { who, reason });
  else await keep(pool, order, { who, reason });
  return readOrder(pool, id);
}

/**
 * Sends a wrong shaft back. It is written before the maker is told, so that of two that try only one does; where the
 * maker is not heard the order is wrong again.
 */
async function sendBack(
  pool: Pool,
  url: string,
  { id, quote }: OrderView,
  { who, reason }: { who: string; reason: string },
): Promise<void> {
  if (!(await moveOn(pool, id, 'wrong', { who, state: 'sentBack', note: reason }))) return;
  try {
    const { state, note } = await heard(() => returnOrder(url, quote.number, reason));
    // A maker that begins anew at once says so with its answer.
    if (state !== 'shipped') await moveOn(pool, id, 'sentBack', { who, state, note });
  } catch (error) {
    await moveOn(pool, id, 'sentBack', { who, state: 'wrong', note: 'The maker was not told; try again.' });
    throw error;
  }
}

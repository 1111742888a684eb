import type { Express, Response } from 'express';
import Joi from 'joi';
import { setTimeout as sleep } from 'node:timers/promises';
import { operatedApp, operatedModes } from '../operated';
import { body } from '../refuse';
import { WillNot, type Order, type ShaftLine, type Shop } from './shop';

/** How the shop behaves. */
interface Modes {
  /** Waits this long before it answers, ms. */
  readonly slowMs: number;
  /** Answers everything with 503. */
  readonly failing: boolean;
  /** Answers with something that is no quote. */
  readonly nonsense: boolean;
}

const modesSchema = Joi.object<Partial<Modes>>({
  slowMs: Joi.number().integer().min(0).max(60_000),
  failing: Joi.boolean(),
  nonsense: Joi.boolean(),
});

const size = Joi.number().min(1).max(2000);
const quoteSchema = Joi.object<{ lines: readonly ShaftLine[] }>({
  lines: Joi.array()
    .items(
      Joi.object({
        side: Joi.string().valid('left', 'right').required(),
        length: size.required(),
        spline: Joi.string().max(20).allow('').required(),
        splineLength: size,
        journal: size,
        body: size,
        material: Joi.string().max(80).allow('').required(),
      }).unknown(),
    )
    .max(4)
    .required(),
}).unknown();

const paySchema = Joi.object<{ number: string; key: string }>({
  number: Joi.string().max(40).required(),
  key: Joi.string().max(80).required(),
});
const lateSchema = Joi.object<{ days: number }>({ days: Joi.number().integer().min(1).max(200).required() });
const spoilSchema = Joi.object<{ side: 'left' | 'right'; by: number }>({
  side: Joi.string().valid('left', 'right').required(),
  by: Joi.number().min(-200).max(200).required(),
});

/** What the shop tells of an order; what lies in the parcel it does not. */
const told = ({ number, state, note }: Order) => ({ number, state, note });

/** The shaft maker over HTTP: quote, order, states; and the operator’s side of it. */
export function makerApp(shop: Shop, page: string): Express {
  const app = operatedApp(page, '20kb');
  const modes = operatedModes<Modes>(app, modesSchema, { slowMs: 0, failing: false, nonsense: false });
  operator(app, shop);
  app.use(async (_request, response, next) => {
    const { slowMs, failing, nonsense } = modes();
    if (slowMs > 0) await sleep(slowMs);
    if (failing) response.status(503).json({ error: 'unavailable' });
    else if (nonsense) response.json({ number: 7, price: 'soon' });
    else next();
  });
  app.post('/quotes', (request, response) => {
    const wanted = body(quoteSchema, request.body, response);
    if (!wanted) return;
    try {
      const { number, price, leadDays, note } = shop.quote(wanted.lines);
      response.json({ number, price, leadDays, note });
    } catch (error) {
      if (!(error instanceof WillNot)) throw error;
      response.status(422).json({ error: 'willNot', message: error.message });
    }
  });
  app.post('/orders', (request, response) => {
    const wanted = body(paySchema, request.body, response);
    if (wanted) answer(response, shop.pay(wanted.number, wanted.key));
  });
  app.get('/orders/:number', (request, response) => {
    answer(response, shop.find(request.params.number));
  });
  app.post('/orders/:number/return', (request, response) => {
    answer(response, shop.takeBack(request.params.number));
  });
  return app;
}

function answer(response: Response, order: Order | undefined): void {
  if (order) response.json(told(order));
  else response.status(404).json({ error: 'notFound' });
}

/** What stands behind the shop’s counter: all orders, what is in the parcels, and how they move on. */
function operator(app: Express, shop: Shop): void {
  app.get('/shop/orders', (_request, response) => {
    response.json(shop.list());
  });
  app.post('/shop/orders/:number/advance', (request, response) => {
    found(response, shop.advance(request.params.number));
  });
  app.post('/shop/orders/:number/late', (request, response) => {
    const change = body(lateSchema, request.body, response);
    if (change) found(response, shop.late(request.params.number, change.days));
  });
  app.post('/shop/orders/:number/spoil', (request, response) => {
    const change = body(spoilSchema, request.body, response);
    if (change) found(response, shop.spoil(request.params.number, change.side, change.by));
  });
}

function found(response: Response, order: Order | undefined): void {
  if (order) response.json(order);
  else response.status(404).json({ error: 'notFound' });
}

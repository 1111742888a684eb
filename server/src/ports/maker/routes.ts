import {
  newOrderSchema,
  orderStepSchema,
  payOrderSchema,
  receivedSchema,
  settleSchema,
} from '@intervex/contract/ports/maker';
import { json, Router, type Request } from 'express';
import type { Pool } from '../../db/pool';
import { open } from '../../http/doors';
import { valid } from '../../http/refusal';
import { asks } from '../../people/identity';
import { idOf } from '../../plans/routes';
import type { WorkPool } from '../../work/pool';
import { listOrders } from './queries';
import { lookAtOrder, payOrder, quoteOrder, receiveOrder, settleOrder, type Thinks } from './service';

/** A step of an order, in the name of who takes it. */
const by = <T extends { readonly who: string }>(request: Request, step: T): T => ({
  ...step,
  who: asks(request, step.who),
});

/** Orders with the shaft maker. @param url where it stands; undefined where there is none */
export function orderRoutes(pool: Pool, url: string | undefined, work: WorkPool): Router {
  const thinks =
    (request: Request): Thinks =>
    (plan) =>
      work.run(request, 'shaftOrder', plan);
  const router = Router();
  const body = json({ limit: '20kb' });
  open(router, 'GET /projects/:id/orders', async (request, response) => {
    response.json(await listOrders(pool, idOf(request)));
  });
  open(router, 'POST /variants/:id/orders', body, async (request, response) => {
    const { who } = valid(newOrderSchema, request.body, 'order');
    const quoted = await quoteOrder(pool, url, idOf(request), asks(request, who), thinks(request));
    response.status(201).json(quoted);
  });
  open(router, 'POST /orders/:id/pay', body, async (request, response) => {
    const asked = by(request, valid(payOrderSchema, request.body, 'order'));
    response.json(await payOrder(pool, url, idOf(request), asked, thinks(request)));
  });
  open(router, 'POST /orders/:id/look', body, async (request, response) => {
    const { who } = valid(orderStepSchema, request.body, 'order');
    response.json(await lookAtOrder(pool, url, idOf(request), asks(request, who)));
  });
  open(router, 'POST /orders/:id/receive', body, async (request, response) => {
    response.json(
      await receiveOrder(pool, idOf(request), by(request, valid(receivedSchema, request.body, 'measurement'))),
    );
  });
  open(router, 'POST /orders/:id/settle', body, async (request, response) => {
    response.json(
      await settleOrder(pool, url, idOf(request), by(request, valid(settleSchema, request.body, 'decision'))),
    );
  });
  return router;
}

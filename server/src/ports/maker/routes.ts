import {
  newOrderSchema,
  orderStepSchema,
  payOrderSchema,
  receivedSchema,
  settleSchema,
} from '@intervex/contract/ports/maker';
import { json, Router } from 'express';
import type { Pool } from '../../db/pool';
import { valid } from '../../http/refusal';
import { idOf } from '../../plans/routes';
import { listOrders } from './queries';
import { lookAtOrder, payOrder, quoteOrder, receiveOrder, settleOrder } from './service';

/** Orders with the shaft maker. @param url where it stands; undefined where there is none */
export function orderRoutes(pool: Pool, url: string | undefined): Router {
  const router = Router();
  const body = json({ limit: '20kb' });
  router.get('/projects/:id/orders', async (request, response) => {
    response.json(await listOrders(pool, idOf(request)));
  });
  router.post('/variants/:id/orders', body, async (request, response) => {
    const { who } = valid(newOrderSchema, request.body, 'order');
    response.status(201).json(await quoteOrder(pool, url, idOf(request), who));
  });
  router.post('/orders/:id/pay', body, async (request, response) => {
    response.json(await payOrder(pool, url, idOf(request), valid(payOrderSchema, request.body, 'order')));
  });
  router.post('/orders/:id/look', body, async (request, response) => {
    const { who } = valid(orderStepSchema, request.body, 'order');
    response.json(await lookAtOrder(pool, url, idOf(request), who));
  });
  router.post('/orders/:id/receive', body, async (request, response) => {
    response.json(await receiveOrder(pool, idOf(request), valid(receivedSchema, request.body, 'measurement')));
  });
  router.post('/orders/:id/settle', body, async (request, response) => {
    response.json(await settleOrder(pool, url, idOf(request), valid(settleSchema, request.body, 'decision')));
  });
  return router;
}

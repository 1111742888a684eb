import { practiceSchema, shimsSchema } from '@intervex/contract/ports/gearset';
import { json, Router } from 'express';
import type { Pool } from '../../db/pool';
import { open } from '../../http/doors';
import { valid } from '../../http/refusal';
import { idOf } from '../../plans/routes';
import { beginSet, findSet, openSet, trySet, whatIf } from './client';

/** Gear sets to practise on: begun, tried, opened. Nothing of them stands in a plan. @param url where the bench stands */
export function practiceRoutes(_pool: Pool, url: string | undefined): Router {
  const router = Router();
  const body = json({ limit: '10kb' });
  open(router, 'POST /practice', body, async (request, response) => {
    const { difficulty } = valid(practiceSchema, request.body, 'practice');
    response.status(201).json(await beginSet(url, difficulty));
  });
  open(router, 'GET /practice/:id', async (request, response) => {
    response.json(await findSet(url, idOf(request)));
  });
  open(router, 'POST /practice/:id/trials', body, async (request, response) => {
    response.json(await trySet(url, idOf(request), valid(shimsSchema, request.body, 'trial')));
  });
  open(router, 'POST /practice/:id/open', body, async (request, response) => {
    response.json(await openSet(url, idOf(request)));
  });
  open(router, 'POST /practice/:id/what-if', body, async (request, response) => {
    response.json(await whatIf(url, idOf(request), valid(shimsSchema, request.body, 'trial')));
  });
  return router;
}

import { partsQuerySchema } from '@intervex/contract';
import { Router } from 'express';
import type { Pool } from '../db/pool';
import { valid } from '../http/refusal';
import { findParts } from './service';

/** What the parts counter has. @param url where it stands; undefined where there is none */
export function partRoutes(pool: Pool, url: string | undefined): Router {
  const router = Router();
  router.get('/parts', async (request, response) => {
    response.json(await findParts(pool, url, valid(partsQuerySchema, request.query, 'question', true)));
  });
  return router;
}

import { pairQuestionSchema, partsQuerySchema } from '@intervex/contract/ports/parts';
import { json, Router } from 'express';
import type { Pool } from '../../db/pool';
import { valid } from '../../http/refusal';
import { findPairs, findParts } from './service';

/** What the parts counter has. @param url where it stands; undefined where there is none */
export function partRoutes(pool: Pool, url: string | undefined): Router {
  const router = Router();
  router.get('/parts', async (request, response) => {
    response.json(await findParts(pool, url, valid(partsQuerySchema, request.query, 'question', true)));
  });
  router.post('/shaft-pairs', json({ limit: '10kb' }), async (request, response) => {
    response.json(await findPairs(pool, url, valid(pairQuestionSchema, request.body, 'question')));
  });
  return router;
}

import { pairQuestionSchema, partsQuerySchema } from '@intervex/contract/ports/parts';
import { json, Router } from 'express';
import type { Pool } from '../../db/pool';
import { open } from '../../http/doors';
import { valid } from '../../http/refusal';
import type { WorkPool } from '../../work/pool';
import { findPairs, findParts } from './service';

/** What the parts counter has. @param url where it stands; undefined where there is none */
export function partRoutes(pool: Pool, url: string | undefined, work: WorkPool): Router {
  const router = Router();
  open(router, 'GET /parts', async (request, response) => {
    response.json(await findParts(pool, url, valid(partsQuerySchema, request.query, 'question', true)));
  });
  open(router, 'POST /shaft-pairs', json({ limit: '10kb' }), async (request, response) => {
    response.json(
      await findPairs(pool, url, valid(pairQuestionSchema, request.body, 'question'), (offers, question) =>
        work.run(request, 'pairs', offers, question),
      ),
    );
  });
  return router;
}

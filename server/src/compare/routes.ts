import { readingsQuerySchema } from '@intervex/contract';
import { Router } from 'express';
import type { Pool } from '../db/pool';
import { refused, valid } from '../http/refusal';
import { idOf } from '../plans/routes';
import { readVariant } from '../plans/service';
import { findReadings, variantIds } from './queries';

/** What looks across all variants of a project: their plans side by side, and the readings of all of them. */
export function compareRoutes(pool: Pool): Router {
  const router = Router();
  const idsOf = async (projectId: string): Promise<readonly string[]> => {
    const ids = await variantIds(pool, projectId);
    if (ids) return ids;
    throw refused('notFound', 'There is no such project.', [
      { field: 'id', wrong: 'is not known', right: 'an id from the list of projects' },
    ]);
  };
  router.get('/projects/:id/variants', async (request, response) => {
    const ids = await idsOf(idOf(request));
    response.json(await Promise.all(ids.map((id) => readVariant(pool, id))));
  });
  router.get('/projects/:id/readings', async (request, response) => {
    const id = idOf(request);
    const query = valid(readingsQuerySchema, request.query, 'search', true);
    await idsOf(id);
    response.json(await findReadings(pool, id, query));
  });
  return router;
}

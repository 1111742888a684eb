import { readingsQuerySchema } from '@intervex/contract';
import { Router } from 'express';
import type { Pool } from '../db/pool';
import { open } from '../http/doors';
import { refused, valid } from '../http/refusal';
import { sendList } from '../http/send-list';
import { idOf } from '../plans/routes';
import { readVariantJson } from '../plans/service';
import { readingsAt, variantHeads } from './queries';
import { ReadingsIndex, type Head } from './readings-index';

/** What looks across all variants of a project: their plans side by side, and the readings of all of them. */
export function compareRoutes(pool: Pool): Router {
  const router = Router();
  const index = new ReadingsIndex();
  const headsOf = async (projectId: string): Promise<readonly Head[]> => {
    const heads = await variantHeads(pool, projectId);
    if (heads) return heads;
    throw refused('notFound', 'There is no such project.', [
      { field: 'id', wrong: 'is not known', right: 'an id from the list of projects' },
    ]);
  };
  open(router, 'GET /projects/:id/variants', async (request, response) => {
    const heads = await headsOf(idOf(request));
    const variants: string[] = [];
    for (const { id } of heads) variants.push(await readVariantJson(pool, id));
    await sendList(response, variants);
  });
  open(router, 'GET /projects/:id/readings', async (request, response) => {
    const id = idOf(request);
    const query = valid(readingsQuerySchema, request.query, 'search', true);
    const heads = await headsOf(id);
    // One after the other, so that nobody waits for all of them.
    for (const head of index.missing(heads))
      for (const revision of await readingsAt(pool, [head])) index.add(revision);
    response.json(index.search(heads, query));
  });
  return router;
}

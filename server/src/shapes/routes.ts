import { drawingQuerySchema, shapeFileSchema, shapeQuerySchema } from '@intervex/contract';
import { raw, Router } from 'express';
import type { Pool } from '../db/pool';
import { attachment } from '../http/attachment';
import { open } from '../http/doors';
import { valid } from '../http/refusal';
import { idOf } from '../plans/routes';
import { readVariant } from '../plans/service';
import type { WorkPool } from '../work/pool';

/** Largest drawing that is read. */
const DRAWING_LIMIT = '5mb';
const TYPES = { pdf: 'application/pdf', dxf: 'application/dxf', svg: 'image/svg+xml' } as const;

/** Jig, flange and templates as drawings in full size, and drawings in. */
export function shapeRoutes(pool: Pool, work: WorkPool): Router {
  const router = Router();
  open(router, 'GET /variants/:id/shapes/:file', async (request, response) => {
    const { file } = valid(shapeFileSchema, { file: request.params['file'] }, 'address');
    const query = valid(shapeQuerySchema, request.query, 'query', true);
    const [name, kind] = file.split('.') as [string, keyof typeof TYPES];
    const variant = await readVariant(pool, idOf(request));
    const drawn = await work.run(request, 'shape', variant, { file, ...query });
    const saved = attachment(
      `${variant.projectName} ${variant.name} ${name}.${kind}`,
      kind === 'pdf' ? 'inline' : 'attachment',
    );
    const sent = typeof drawn === 'string' ? drawn : Buffer.from(drawn);
    response.set('Content-Disposition', saved).type(TYPES[kind]).send(sent);
  });
  open(router, 'POST /drawings', raw({ limit: DRAWING_LIMIT, type: () => true }), async (request, response) => {
    const { units } = valid(drawingQuerySchema, request.query, 'query', true);
    const body: unknown = request.body;
    response.json(
      await work.run(request, 'drawing', Buffer.isBuffer(body) ? body.toString('utf8') : '', units),
    );
  });
  return router;
}

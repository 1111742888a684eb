import { importQuerySchema, largerThan, tableQuerySchema } from '@intervex/contract';
import { raw, Router } from 'express';
import type { Pool } from '../db/pool';
import { attachment } from '../http/attachment';
import { open } from '../http/doors';
import { editorOf } from '../people/identity';
import { refused, valid } from '../http/refusal';
import { BODY_LIMIT, idOf } from '../plans/routes';
import { readVariant, savePlan } from '../plans/service';
import { isLarge, type WorkPool } from '../work/pool';
import { readingsCsv, readReadingsCsv } from './readings-csv';

/** Values of readings that are written out at once. */
const MANY = 5000;

/** Readings of a plan as a table, out and in. */
export function readingRoutes(pool: Pool, work: WorkPool): Router {
  const router = Router();
  open(router, 'GET /variants/:id/readings.csv', async (request, response) => {
    const { units } = valid(tableQuerySchema, request.query, 'query');
    const { plan, projectName, name } = await readVariant(pool, idOf(request));
    response.set('Content-Disposition', attachment(`${projectName} ${name} readings.csv`));
    const many = largerThan(plan.readings, MANY);
    const table = many ? await work.run(request, 'readingsTable', plan, units) : readingsCsv(plan, units);
    response.type('text/csv; charset=utf-8').send(table);
  });
  open(
    router,
    'POST /variants/:id/readings.csv',
    raw({ limit: BODY_LIMIT, type: 'text/csv' }),
    async (request, response) => {
      if (!request.is('text/csv'))
        throw refused('wrongType', 'The body must be a table.', [
          { field: 'content-type', wrong: request.get('content-type') ?? 'missing', right: 'text/csv' },
        ]);
      const id = idOf(request);
      const { who } = valid(importQuerySchema, request.query, 'query');
      const table = Buffer.isBuffer(request.body) ? request.body : Buffer.alloc(0);
      const read = isLarge(table) ? await work.run(request, 'readings', table) : readReadingsCsv(table);
      if (!read.ok)
        throw refused(
          'invalid',
          `The table is refused: ${read.problems[0]?.field ?? 'file'}: ${read.problems[0]?.wrong ?? ''}.`,
          read.problems,
        );
      const { plan, revision } = await readVariant(pool, id);
      const merged = { ...plan, readings: { ...plan.readings, ...read.readings } };
      const save = { baseRevision: revision, plan: merged };
      const beside = (parts: object) => work.run(request, 'planParts', parts);
      response.type('json').send(await savePlan(pool, id, save, editorOf(request, who), beside));
    },
  );
  return router;
}

import { sheetQuerySchema } from '@intervex/contract';
import { cutSheet, evaluate } from '@intervex/core';
import { Router } from 'express';
import type { Pool } from '../db/pool';
import { attachment } from '../http/attachment';
import { valid } from '../http/refusal';
import { idOf } from '../plans/routes';
import { readVariant } from '../plans/service';
import { cutSheetCsv } from './cut-sheet-csv';
import { cutSheetPdf } from './cut-sheet-pdf';

/** The cut sheet on paper and as a table. */
export function sheetRoutes(pool: Pool): Router {
  const router = Router();
  router.get('/variants/:id/cut-sheet.csv', async (request, response) => {
    const { units } = valid(sheetQuerySchema, request.query, 'query', true);
    const variant = await readVariant(pool, idOf(request));
    const sheet = cutSheet(variant.plan, evaluate(variant.plan), units);
    response.set('Content-Disposition', attachment(`${variant.projectName} ${variant.name} cut sheet.csv`));
    response.type('text/csv; charset=utf-8').send(cutSheetCsv(sheet, units));
  });
  router.get('/variants/:id/cut-sheet.pdf', async (request, response) => {
    const { units, paper } = valid(sheetQuerySchema, request.query, 'query', true);
    const variant = await readVariant(pool, idOf(request));
    const pdf = await cutSheetPdf(variant, { units, paper });
    const name = attachment(`${variant.projectName} ${variant.name} cut sheet.pdf`).replace(
      'attachment',
      'inline',
    );
    response.set('Content-Disposition', name).type('application/pdf').send(pdf);
  });
  return router;
}

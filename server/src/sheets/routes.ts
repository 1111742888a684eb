import {
  orderSheetQuerySchema,
  sheetQuerySchema,
  surveySheetQuerySchema,
  type SheetQuery,
} from '@intervex/contract';
import { evaluate, isoDay, type SheetDef } from '@intervex/core';
import { findSheet, sheetOf, SHEETS } from '@intervex/core/sheets';
import { Router, type Request, type Response } from 'express';
import type { Pool } from '../db/pool';
import { attachment } from '../http/attachment';
import { valid } from '../http/refusal';
import { idOf } from '../plans/routes';
import { readVariant } from '../plans/service';
import { sheetCsv } from './sheet-csv';
import { sheetFile } from './sheet-file';
import { sheetPdf } from './sheet-pdf';
import { surveySheetPdf } from './survey-sheet-pdf';

/** Every sheet on paper, as a table and as an open file; and the sheets that are walked round with. */
export function sheetRoutes(pool: Pool): Router {
  const router = Router();
  for (const sheet of SHEETS)
    sendsSheet(router, pool, sheet.address, (request) => ({
      ...valid(sheetQuerySchema, request.query, 'query', true),
      def: sheet,
    }));
  sendsSheet(router, pool, 'order-sheet', (request) => {
    const { sheet, ...query } = valid(orderSheetQuerySchema, request.query, 'query', true);
    return { ...query, def: findSheet(sheet) as SheetDef };
  });
  router.get('/variants/:id/survey-sheet.pdf', async (request, response) => {
    const options = valid(surveySheetQuerySchema, request.query, 'query', true);
    const variant = await readVariant(pool, idOf(request));
    const pdf = await surveySheetPdf(variant, options);
    sendPdf(response, `${variant.projectName} ${variant.name} ${options.stage} sheet.pdf`, pdf);
  });
  return router;
}

type Asked = SheetQuery & { readonly def: SheetDef };

/** Sends a sheet under an address, as `.pdf`, `.csv` and `.json`. */
function sendsSheet(router: Router, pool: Pool, address: string, asked: (request: Request) => Asked): void {
  router.get(`/variants/:id/${address}.pdf`, async (request, response) => {
    const { def, units, paper } = asked(request);
    const variant = await readVariant(pool, idOf(request));
    sendPdf(response, nameOf(variant, def, 'pdf'), await sheetPdf(variant, def, { units, paper }));
  });
  router.get(`/variants/:id/${address}.csv`, async (request, response) => {
    const { def, units } = asked(request);
    const variant = await readVariant(pool, idOf(request));
    const sheet = sheetOf(def, evaluate(variant.plan, isoDay(new Date())), units);
    response.set('Content-Disposition', attachment(nameOf(variant, def, 'csv')));
    response.type('text/csv; charset=utf-8').send(sheetCsv(sheet, units));
  });
  router.get(`/variants/:id/${address}.json`, async (request, response) => {
    const { def, units } = asked(request);
    const variant = await readVariant(pool, idOf(request));
    response.set('Content-Disposition', attachment(nameOf(variant, def, 'json')));
    response.json(sheetFile(variant, def, units));
  });
}

const nameOf = (
  { projectName, name }: { readonly projectName: string; readonly name: string },
  { title }: SheetDef,
  kind: string,
): string => `${projectName} ${name} ${title.toLowerCase()}.${kind}`;

/** Shown in the browser, and with a name where it is kept. */
function sendPdf(response: Response, name: string, pdf: Buffer): void {
  const disposition = attachment(name, 'inline');
  response.set('Content-Disposition', disposition).type('application/pdf').send(pdf);
}

import {
  orderSheetQuerySchema,
  sheetQuerySchema,
  surveySheetQuerySchema,
  type SheetQuery,
} from '@intervex/contract';
import type { VariantView } from '@intervex/contract/wire';
import type { SheetDef } from '@intervex/core';
import { findSheet, SHEETS } from '@intervex/core/sheets';
import { Router, type Request, type Response } from 'express';
import type { Pool } from '../db/pool';
import { attachment } from '../http/attachment';
import { open, openAt } from '../http/doors';
import { valid } from '../http/refusal';
import { idOf } from '../plans/routes';
import { readVariant } from '../plans/service';
import type { WorkPool } from '../work/pool';

/** Every sheet on paper, as a table and as an open file; and the sheets that are walked round with. */
export function sheetRoutes(pool: Pool, work: WorkPool): Router {
  const router = Router();
  for (const sheet of SHEETS)
    sendsSheet({ router, pool, work }, sheet.address, (request) => ({
      ...valid(sheetQuerySchema, request.query, 'query', true),
      def: sheet,
    }));
  sendsSheet({ router, pool, work }, 'order-sheet', (request) => {
    const { sheet, ...query } = valid(orderSheetQuerySchema, request.query, 'query', true);
    return { ...query, def: findSheet(sheet) as SheetDef };
  });
  open(router, 'GET /variants/:id/survey-sheet.pdf', async (request, response) => {
    const options = valid(surveySheetQuerySchema, request.query, 'query', true);
    const variant = await readVariant(pool, idOf(request));
    const pdf = await work.runKept(request, stateOf(variant), 'surveySheet', variant, options);
    sendPdf(response, `${variant.projectName} ${variant.name} ${options.stage} sheet.pdf`, pdf);
  });
  return router;
}

interface Parts {
  readonly router: Router;
  readonly pool: Pool;
  readonly work: WorkPool;
}

type Asked = SheetQuery & { readonly def: SheetDef };

/** Sends a sheet under an address, as `.pdf`, `.csv` and `.json`. */
function sendsSheet({ router, pool, work }: Parts, address: string, asked: (request: Request) => Asked): void {
  openAt(router, 'GET /variants/:id/{sheet}.pdf', `/variants/:id/${address}.pdf`, async (request, response) => {
    const { def, units, paper } = asked(request);
    const variant = await readVariant(pool, idOf(request));
    sendPdf(
      response,
      nameOf(variant, def, 'pdf'),
      await work.runKept(request, stateOf(variant), 'sheetPdf', variant, def.id, { units, paper }),
    );
  });
  openAt(router, 'GET /variants/:id/{sheet}.csv', `/variants/:id/${address}.csv`, async (request, response) => {
    const { def, units } = asked(request);
    const variant = await readVariant(pool, idOf(request));
    const table = await work.runKept(request, stateOf(variant), 'sheetCsv', variant, def.id, units);
    response.set('Content-Disposition', attachment(nameOf(variant, def, 'csv')));
    response.type('text/csv; charset=utf-8').send(table);
  });
  openAt(
    router,
    'GET /variants/:id/{sheet}.json',
    `/variants/:id/${address}.json`,
    async (request, response) => {
      const { def, units } = asked(request);
      const variant = await readVariant(pool, idOf(request));
      response.set('Content-Disposition', attachment(nameOf(variant, def, 'json')));
      response
        .type('json')
        .send(await work.runKept(request, stateOf(variant), 'sheetFile', variant, def.id, units));
    },
  );
}

/** All of a variant that a sheet can show, short: a revision that was written at one time has one plan. */
const stateOf = ({ plan: _plan, ...rest }: VariantView): string => JSON.stringify(rest);

const nameOf = (
  { projectName, name }: { readonly projectName: string; readonly name: string },
  { title }: SheetDef,
  kind: string,
): string => `${projectName} ${name} ${title.toLowerCase()}.${kind}`;

/** Shown in the browser, and with a name where it is kept. */
function sendPdf(response: Response, name: string, pdf: Uint8Array): void {
  const disposition = attachment(name, 'inline');
  response.set('Content-Disposition', disposition).type('application/pdf').send(Buffer.from(pdf));
}

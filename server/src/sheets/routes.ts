import { orderSheetQuerySchema, sheetQuerySchema, surveySheetQuerySchema } from '@intervex/contract';
import { cutSheet, evaluate, isoDay, ORDER_SHEET_NAMES, orderSheet } from '@intervex/core';
import { Router, type Response } from 'express';
import type { Pool } from '../db/pool';
import { attachment } from '../http/attachment';
import { valid } from '../http/refusal';
import { idOf } from '../plans/routes';
import { readVariant } from '../plans/service';
import { cutSheetCsv } from './cut-sheet-csv';
import { cutSheetPdf, sheetPdf } from './cut-sheet-pdf';
import { orderFile } from './order-file';
import { surveySheetPdf } from './survey-sheet-pdf';

/** The sheets on paper, and the cut sheet as a table. */
export function sheetRoutes(pool: Pool): Router {
  const router = Router();
  router.get('/variants/:id/cut-sheet.csv', async (request, response) => {
    const { units } = valid(sheetQuerySchema, request.query, 'query', true);
    const variant = await readVariant(pool, idOf(request));
    const sheet = cutSheet(variant.plan, evaluate(variant.plan, isoDay(new Date())), units);
    response.set('Content-Disposition', attachment(`${variant.projectName} ${variant.name} cut sheet.csv`));
    response.type('text/csv; charset=utf-8').send(cutSheetCsv(sheet, units));
  });
  router.get('/variants/:id/cut-sheet.pdf', async (request, response) => {
    const { units, paper } = valid(sheetQuerySchema, request.query, 'query', true);
    const variant = await readVariant(pool, idOf(request));
    const pdf = await cutSheetPdf(variant, { units, paper });
    sendPdf(response, `${variant.projectName} ${variant.name} cut sheet.pdf`, pdf);
  });
  router.get('/variants/:id/order-sheet.pdf', async (request, response) => {
    const { sheet: id, units, paper } = valid(orderSheetQuerySchema, request.query, 'query', true);
    const variant = await readVariant(pool, idOf(request));
    const sheet = orderSheet(id, variant.plan, evaluate(variant.plan, isoDay(new Date())), units);
    const name = ORDER_SHEET_NAMES[id];
    const pdf = await sheetPdf(variant, { name, sheet }, { units, paper });
    sendPdf(response, `${variant.projectName} ${variant.name} ${name.toLowerCase()}.pdf`, pdf);
  });
  router.get('/variants/:id/order-sheet.csv', async (request, response) => {
    const { sheet: id, units } = valid(orderSheetQuerySchema, request.query, 'query', true);
    const variant = await readVariant(pool, idOf(request));
    const sheet = orderSheet(id, variant.plan, evaluate(variant.plan, isoDay(new Date())), units);
    const name = `${variant.projectName} ${variant.name} ${ORDER_SHEET_NAMES[id].toLowerCase()}.csv`;
    response.set('Content-Disposition', attachment(name));
    response.type('text/csv; charset=utf-8').send(cutSheetCsv(sheet, units));
  });
  router.get('/variants/:id/order-sheet.json', async (request, response) => {
    const { sheet: id, units } = valid(orderSheetQuerySchema, request.query, 'query', true);
    const variant = await readVariant(pool, idOf(request));
    const name = `${variant.projectName} ${variant.name} ${ORDER_SHEET_NAMES[id].toLowerCase()}.json`;
    response.set('Content-Disposition', attachment(name)).json(orderFile(variant, id, units));
  });
  router.get('/variants/:id/survey-sheet.pdf', async (request, response) => {
    const options = valid(surveySheetQuerySchema, request.query, 'query', true);
    const variant = await readVariant(pool, idOf(request));
    const pdf = await surveySheetPdf(variant, options);
    sendPdf(response, `${variant.projectName} ${variant.name} ${options.stage} sheet.pdf`, pdf);
  });
  return router;
}

/** Shown in the browser, and with a name where it is kept. */
function sendPdf(response: Response, name: string, pdf: Buffer): void {
  const disposition = attachment(name).replace('attachment', 'inline');
  response.set('Content-Disposition', disposition).type('application/pdf').send(pdf);
}

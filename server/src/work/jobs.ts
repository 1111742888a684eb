import { readPlanText, type VariantView } from '@intervex/contract';
import { canDrill, evaluate, isoDay, stockPairs, type PartOffer, type Plan } from '@intervex/core';
import { orderHolds, shaftOrder, type PairQuestion } from '@intervex/core/desks/shafts';
import { findSheet, sheetOf } from '@intervex/core/sheets';
import { preparePicture } from '../photos/picture';
import { checkParts } from '../plans/changes';
import { readingsCsv, readReadingsCsv } from '../readings/readings-csv';
import { readDxf } from '../shapes/read-dxf';
import { shapeFile, type ShapeAsked } from '../shapes/shape-file';
import { sheetCsv } from '../sheets/sheet-csv';
import { sheetFile } from '../sheets/sheet-file';
import { sheetPdf, type PdfOptions } from '../sheets/sheet-pdf';
import { surveySheetPdf, type SurveySheetOptions } from '../sheets/survey-sheet-pdf';
import type { LengthUnit } from '@intervex/core';

/** What can take longer than others should wait: done beside the process that answers. */
export const JOBS = {
  sheetPdf: (variant: VariantView, sheet: string, options: PdfOptions) =>
    sheetPdf(variant, sheetDef(sheet), options),
  sheetCsv: (variant: VariantView, sheet: string, units: LengthUnit) =>
    sheetCsv(sheetOf(sheetDef(sheet), evaluate(variant.plan, isoDay(new Date())), units), units),
  sheetFile: (variant: VariantView, sheet: string, units: LengthUnit) =>
    JSON.stringify(sheetFile(variant, sheetDef(sheet), units)),
  surveySheet: (variant: VariantView, options: SurveySheetOptions) => surveySheetPdf(variant, options),
  shape: (variant: VariantView, asked: ShapeAsked) => shapeFile(variant, asked),
  drawing: (text: string, units: 'mm' | 'in' | undefined) => readDxf(text, units),
  planFile: (text: string) => readPlanText(text),
  planParts: (parts: object) => {
    checkParts({ ...parts });
  },
  readings: (table: Uint8Array) => readReadingsCsv(Buffer.from(table)),
  readingsTable: (plan: Plan, units: LengthUnit) => readingsCsv(plan, units),
  picture: (file: Uint8Array) => preparePicture(Buffer.from(file)),
  shaftOrder: (plan: Plan) => {
    const results = evaluate(plan, isoDay(new Date()));
    return { order: results.of(shaftOrder), holds: orderHolds(results.checks) };
  },
  pairs: (offers: readonly PartOffer[], { wanted, axle, target }: PairQuestion) =>
    stockPairs(offers, wanted, axle, target, canDrill(wanted)),
} as const;

export type JobName = keyof typeof JOBS;

function sheetDef(id: string) {
  const def = findSheet(id);
  if (!def) throw new Error(`There is no sheet ${id}.`);
  return def;
}

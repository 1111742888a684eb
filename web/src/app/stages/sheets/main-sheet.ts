import { SHEETS, type SheetDef } from '@intervex/core';

/** The sheet that has a drawing: it goes to the saw. */
export const MAIN_SHEET = SHEETS.find((sheet) => sheet.view) as SheetDef;

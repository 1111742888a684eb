import { SHEETS, type SheetDef } from '@intervex/core';

/** The first sheet: it goes to the saw. */
export const MAIN_SHEET = SHEETS[0] as SheetDef;

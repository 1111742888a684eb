import { type SheetDef } from '@intervex/core';
import { SHEETS } from '@intervex/core/sheets';

/** The first sheet: it goes to the saw. */
export const MAIN_SHEET = SHEETS[0] as SheetDef;

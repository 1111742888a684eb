import type { SheetDef } from '../../../stage';
import { cutSheet } from './cut-sheet';
import { wallSheet } from './wall-sheet';

/** What is printed of the stage. */
export const sheets: readonly SheetDef[] = [cutSheet, wallSheet];

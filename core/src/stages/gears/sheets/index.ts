import type { SheetDef } from '../../../stage';
import { setUpSheet } from './set-up';

/** What is printed of the stage. */
export const sheets: readonly SheetDef[] = [setUpSheet];

import type { SheetDef } from '../../../stage';
import { setUpSheet } from './links';
import { travelSheet } from './travel';

/** What is printed of the stage. */
export const sheets: readonly SheetDef[] = [setUpSheet, travelSheet];

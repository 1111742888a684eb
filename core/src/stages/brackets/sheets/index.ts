import type { SheetDef } from '../../../stage';
import { bracketSheet } from './brackets';
import { linksSheet } from './links';
import { orderSheet } from './order';

/** What is printed of the stage. */
export const sheets: readonly SheetDef[] = [bracketSheet, orderSheet, linksSheet];

import type { SheetDef } from '../../../stage';
import { benchSheet } from './bench';
import { driveshaftSheet } from './order';

/** What is printed of the stage. */
export const sheets: readonly SheetDef[] = [benchSheet, driveshaftSheet];

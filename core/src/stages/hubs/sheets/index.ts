import type { SheetDef } from '../../../stage';
import { brakeSheet } from './brakes';
import { hubSheet } from './hubs';

/** What is printed of the stage. */
export const sheets: readonly SheetDef[] = [brakeSheet, hubSheet];

import type { SheetDef } from '../../../stage';
import { shaftSheet } from './order';

/** What is printed of the stage. */
export const sheets: readonly SheetDef[] = [shaftSheet];

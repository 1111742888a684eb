import type { SheetDef } from '../stage';
import { PRINTED } from '../stages/printed';

/** Every sheet of every stage, in working order. */
export const SHEETS: readonly SheetDef[] = PRINTED;

/** Looks a sheet up by its id or the last part of its address; undefined for an unknown one. */
export const findSheet = (name: string): SheetDef | undefined =>
  SHEETS.find((s) => s.id === name || s.address === name);

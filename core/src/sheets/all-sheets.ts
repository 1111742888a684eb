import type { SheetDef } from '../stage';
import { STAGES } from '../stages';

/** Every sheet of every stage, in working order. */
export const SHEETS: readonly SheetDef[] = STAGES.flatMap((s) => s.contents.sheets ?? []);

/** Looks a sheet up; undefined for an unknown id. */
export const findSheet = (id: string): SheetDef | undefined => SHEETS.find((s) => s.id === id);

import type { StageLook } from '../../stage/look';
import { MAIN_SHEET } from './main-sheet';
import { SheetDesk } from './sheet-desk';
import { SheetFiles } from './sheet-files';

/** What is printed. */
export const look: StageLook = {
  subtitle: () => `${MAIN_SHEET.title.toLowerCase()}, as it prints`,
  tabs: [{ id: 'sheet', name: MAIN_SHEET.title, desk: [SheetDesk], withoutNeeds: true }],
  panel: [{ part: SheetFiles }],
};

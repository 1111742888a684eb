import { stageTitle, WALKED, type HeadingId } from '@intervex/core';
import { SHEETS } from '@intervex/core/sheets';
import type { StageLook, StageTab } from '../../stage/look';
import { SheetDesk } from './sheet-desk';
import { SheetFiles } from './sheet-files';
import { WalkPreview } from './walk-preview';

/** Every sheet as it prints: those of the bench, those for suppliers, those that are walked round with. */
export const look: StageLook<HeadingId<'sheets'>> = {
  tabsLabel: 'Sheet',
  tabs: [
    ...SHEETS.map(({ id, title }): StageTab<HeadingId<'sheets'>> => ({
      id,
      name: title,
      desk: [SheetDesk],
    })),
    ...WALKED.map((stage): StageTab<HeadingId<'sheets'>> => ({
      id: `walk.${stage}`,
      name: `${stageTitle(stage)}, for the walk`,
      desk: [WalkPreview],
    })),
  ],
  panel: [{ part: SheetFiles }],
};

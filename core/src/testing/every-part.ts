import type { Results } from '../evaluate';
import { SIDES } from '../geometry';
import { WALKED } from '../plan';
import { readingsLog, sheetOf, SHEETS, surveySheet } from '../sheets';
import {
  leftMap,
  rearView as axleView,
  rightMap,
  sideViews,
  topView as axleTop,
} from '../stages/brackets/views';
import { rearView } from '../stages/cut/views/rear';
import { tubeViews } from '../stages/cut/views/tube';
import { donorView } from '../stages/donor/views/donor';
import { endSectionView } from '../stages/donor/views/end-section';
import { shaftViews } from '../stages/shafts/views/shaft';
import { flangeView, jigView } from '../stages/hubs/views/flange';
import { cornerViews } from '../stages/stance/views/corner';
import { endView } from '../stages/survey/views/end';
import { surveyView } from '../stages/survey/views/old-axle';
import { roomView } from '../stages/survey/views/room';
import { topView } from '../stages/survey/views/top';
import type { LengthUnit } from '../units';

/** Every drawing of a plan, by name. */
export function everyView({ of }: Results): Readonly<Record<string, unknown>> {
  return {
    rear: of(rearView),
    donor: of(donorView),
    survey: of(surveyView),
    top: of(topView),
    end: of(endView),
    flange: of(flangeView),
    room: of(roomView),
    jig: of(jigView),
    endSection: of(endSectionView),
    brackets: [of(axleView), of(axleTop), of(sideViews), of(leftMap), of(rightMap)],
    ...Object.fromEntries(
      SIDES.flatMap((side) => [
        [`tube.${side}`, of(tubeViews)[side]],
        [`corner.${side}`, of(cornerViews)[side]],
        [`shaft.${side}`, of(shaftViews)[side]],
      ]),
    ),
  };
}

/** Every sheet of a plan, by name. */
export function everySheet(results: Results, unit: LengthUnit): Readonly<Record<string, unknown>> {
  return {
    ...Object.fromEntries(
      SHEETS.map((def) => [def.id === 'cut' ? 'cut' : `order.${def.id}`, sheetOf(def, results, unit)]),
    ),
    log: readingsLog(results.plan, results, unit),
    ...Object.fromEntries(
      WALKED.flatMap((stage) =>
        [true, false].map((filled) => [
          `walk.${stage}.${filled ? 'filled' : 'blank'}`,
          surveySheet(results.plan, results, { stage, unit, filled }),
        ]),
      ),
    ),
  };
}

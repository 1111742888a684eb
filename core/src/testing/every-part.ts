import {
  cornerView,
  donorView,
  endView,
  flangeView,
  jigView,
  rearView,
  roomView,
  surveyView,
  topView,
  tubeView,
} from '../drawing';
import type { Results } from '../evaluate';
import { SIDES } from '../geometry';
import type { Plan } from '../plan';
import { cutSheet, ORDER_SHEETS, orderSheet, readingsLog, surveySheet } from '../sheets';
import type { LengthUnit } from '../units';

/** Every drawing of a plan, by name. */
export function everyView(plan: Plan, results: Results): Readonly<Record<string, unknown>> {
  const { choices, limits } = plan;
  return {
    rear: rearView(results, choices),
    donor: donorView(results),
    survey: surveyView(results),
    top: topView(results),
    end: endView(results),
    flange: flangeView(results),
    room: roomView(results, plan.facts),
    jig: jigView(results),
    ...Object.fromEntries(
      SIDES.flatMap((side) => [
        [`tube.${side}`, tubeView(results, side, choices)],
        [`corner.${side}`, cornerView(results, side, limits)],
      ]),
    ),
  };
}

/** Every sheet of a plan, by name. */
export function everySheet(plan: Plan, results: Results, unit: LengthUnit): Readonly<Record<string, unknown>> {
  return {
    cut: cutSheet(plan, results, unit),
    ...Object.fromEntries(ORDER_SHEETS.map((id) => [`order.${id}`, orderSheet(id, plan, results, unit)])),
    log: readingsLog(plan, results, unit),
    ...Object.fromEntries(
      (['survey', 'donor'] as const).flatMap((stage) =>
        [true, false].map((filled) => [
          `walk.${stage}.${filled ? 'filled' : 'blank'}`,
          surveySheet(plan, results, { stage, unit, filled }),
        ]),
      ),
    ),
  };
}

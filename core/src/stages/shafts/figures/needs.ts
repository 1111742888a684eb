import { bySide } from '../../../geometry';
import { ends } from '../../cut/figures/ends';
import { schools } from '../../cut/figures/schools';
import { clipAfter } from '../../hubs/retention';
import { node, type Reads } from '../node';
import { runningShaft, shaftNeeds } from '../shafts-stage';
import { pair } from './in-use';

/** What shafts rest on before anything was measured after the work. */
export function needsRead(r: Reads) {
  const { half, shaft } = r.of(ends);
  const stock = r.of(pair);
  return {
    schools: r.of(schools),
    chosen: r.choice('school'),
    route: r.choice('shaftRoute'),
    shaftLeft: shaft.left,
    shaftRight: shaft.right,
    halfLeft: half.left,
    halfRight: half.right,
    splineLeft: r.figure('donor.shaftSpline.left'),
    splineRight: r.figure('donor.shaftSpline.right'),
    gearLeft: r.figure('donor.sideGear.left'),
    gearRight: r.figure('donor.sideGear.right'),
    newSpline: r.figure('shaft.spline'),
    gearSpline: r.figure('donor.sideGearSpline'),
    crossShaft: r.figure('donor.crossShaft'),
    floatMin: r.figure('donor.endFloatMin'),
    floatMax: r.figure('donor.endFloatMax'),
    step: r.figure('shaft.step'),
    made: r.figure('shaft.made'),
    pairLeft: stock.left,
    pairRight: stock.right,
    pairSplineLeft: stock.splineLeft,
    pairSplineRight: stock.splineRight,
    clip: clipAfter(r),
    receivedLeft: r.figure('shaft.received.left'),
    receivedRight: r.figure('shaft.received.right'),
    standLeft: undefined,
    standRight: undefined,
    workedLeft: false,
    workedRight: false,
  };
}

/** The shafts the chosen way needs. */
export const needs = node('needs', (r) => shaftNeeds(needsRead(r))[r.choice('school')]);

/** Shafts as they run, where they came. */
export const running = node('running', (r) => {
  const need = r.of(needs);
  const received = {
    receivedLeft: r.figure('shaft.received.left'),
    receivedRight: r.figure('shaft.received.right'),
  };
  return bySide((side) => {
    const one = need?.[side];
    return one && runningShaft({ made: r.figure('shaft.made'), ...received }, one, side);
  });
});

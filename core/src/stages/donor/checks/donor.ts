import { matingChecks } from '../joints/mating-checks';
import { joints } from '../joints/joints';
import { capacityChecks } from '../capacity';
import { conditionChecks } from '../condition-checks';
import { donorChecks } from '../donor-checks';
import { axle } from '../figures/axle';
import { capacity, ratio, slip, slipInput } from '../figures/judged';
import { node } from '../node';
import { ratioChecks } from '../ratio-stage';
import { slipChecks } from '../slip';

export const closes = node('closes', (r) => donorChecks(r.of(axle), r.limit));
export const ratioHolds = node('ratioHolds', (r) => ratioChecks(r.of(ratio), r.figure('brief.axleRatio')));
export const slips = node('slips', (r) => slipChecks(r.of(slipInput), r.of(slip)));

export const condition = node('condition', (r) => {
  return conditionChecks(r.fact, r.figure, r.limit);
});

export const bears = node('bears', (r) => capacityChecks(r.of(capacity), r.limit));
export const fits = node('fits', (r) => matingChecks(r.of(joints)));

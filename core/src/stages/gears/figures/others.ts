import { derive, type Maybe } from '../../../measure';
import { node } from '../node';
import { circumference } from './road';
import { chosenSet } from './ratios';

/** Turns of the rear axle’s driveshaft over the front one’s for the same road, less one; where all wheels drive. */
export const axlesApart = node('axlesApart', (r): Maybe => {
  if (r.choice('driven') !== 'all') return undefined;
  const [i, C] = [r.of(chosenSet)?.ratio, r.of(circumference)];
  const [front, frontC] = [r.figure('gear.frontRatio'), r.figure('gear.frontRolling')];
  if (!i || !C || !front || !frontC) return undefined;
  return derive({
    id: 'gear.axles',
    label: 'Rear against front axle',
    unit: 'ratio',
    formula: '({i_r}/{C_r})/({i_f}/{C_f}) − 1',
    source: 'Turns of the driveshafts for the same road, tyres counted',
    inputs: { i_r: i, C_r: C, i_f: front, C_f: frontC },
  });
});

/** What the speedometer shows too much, as a share. */
export const speedo = node('speedo', (r): Maybe => {
  const [i, C] = [r.of(chosenSet)?.ratio, r.of(circumference)];
  const [old, oldC] = [r.figure('gear.oldRatio'), r.figure('gear.oldRolling')];
  if (!i || !C || !old || !oldC) return undefined;
  return derive({
    id: 'gear.speedo',
    label: 'Speedometer shows too much by',
    unit: 'ratio',
    formula: '({i}/{C})/({i_0}/{C_0}) − 1',
    source: 'Turns of the driveshaft for the same road, new over old',
    inputs: { i, C, i_0: old, C_0: oldC },
  });
});

/** Teeth the speedometer’s driven gear should have. */
export const speedoTeeth = node('speedoTeeth', (r): Maybe => {
  const [z, off] = [r.figure('gear.speedoTeeth'), r.of(speedo)];
  if (!z || !off) return undefined;
  return derive({
    id: 'gear.speedoTeethWanted',
    label: 'Speedometer driven gear wanted',
    unit: 'count',
    formula: 'round({z}·(1 + {e}))',
    source: 'As many more teeth as the driveshaft turns more',
    inputs: { z, e: off },
  });
});

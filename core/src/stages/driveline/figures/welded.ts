import { derive, type Maybe } from '../../../measure';
import { node } from '../node';
import { wantedSlope } from './slopes';

/** How far the pinion was welded off what was wanted; front too high is plus. */
export const weldedOff = node('weldedOff', (r): Maybe => {
  const [welded, wanted] = [r.figure('bench.welded'), r.of(wantedSlope)];
  if (!welded || !wanted) return undefined;
  return derive({
    id: 'drive.weldedOff',
    label: 'Pinion welded off what was wanted',
    unit: 'rad',
    formula: '{w} − {s}',
    source: 'As read in the car, against what the bench card was made for',
    inputs: { w: welded, s: wanted },
  });
});

import { lengthDecision, slopeDecision } from './decisions';
import type { StripItem } from '../../stage';
import { atRest, shaking } from './figures/motion';
import { setSlope } from './figures/slopes';
import { node } from './node';

export const strip = node('strip', (r): readonly StripItem[] => [
  {
    id: 'pinionSlope',
    label: 'Pinion slope',
    order: 75,
    figure: r.of(setSlope),
    rest: true,
    decision: slopeDecision.id,
  },
  {
    id: 'driveshaft',
    label: 'Driveshaft',
    order: 76,
    figure: r.of(atRest)?.shafts.at(-1)?.length,
    rest: true,
    decision: lengthDecision.id,
  },
  {
    id: 'torsional',
    label: 'Pinion shakes',
    order: 77,
    figure: r.of(shaking).torsional,
    rest: true,
    decision: slopeDecision.id,
  },
]);

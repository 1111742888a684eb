import { ratioDecision } from './decisions';
import type { StripItem } from '../../stage';
import { chosenSet } from './figures/ratios';
import { node } from './node';

export const strip = node('strip', (r): readonly StripItem[] => [
  {
    id: 'axleRatio',
    label: 'Axle ratio',
    order: 78,
    figure: r.of(chosenSet)?.ratio,
    rest: true,
    decision: ratioDecision.id,
  },
  {
    id: 'launch',
    label: 'Launch ratio',
    order: 79,
    figure: r.of(chosenSet)?.launch,
    rest: true,
    decision: ratioDecision.id,
  },
]);

import { torqueDecision } from './decisions';
import type { StripItem } from '../../stage';
import { demand } from './figures/torque';
import { node } from './node';

export const strip = node('strip', (r): readonly StripItem[] => [
  {
    id: 'demand',
    label: 'Torque a shaft',
    order: 64,
    figure: r.of(demand),
    rest: true,
    decision: torqueDecision.id,
  },
]);

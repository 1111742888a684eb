import { stanceDecision } from './decisions';
import { lesser } from '../../measure';
import type { StripItem } from '../../stage';
import { stance } from './figures/stance';
import { node } from './node';

/** The least gap of the tyre to anything, over both sides and all poses; not known while a pose is not. */
const leastGap = node('leastGap', (r) => {
  const { clearances, proven } = r.of(stance);
  return proven ? clearances.map((c) => c.gap).reduce(lesser, undefined) : undefined;
});

export const strip = node('strip', (r): readonly StripItem[] => [
  { id: 'clear', label: 'Least clearance', order: 90, figure: r.of(leastGap), decision: stanceDecision.id },
  {
    id: 'tyre',
    label: 'Tyre across',
    order: 92,
    figure: r.of(stance).diameter,
    rest: true,
    lack: 'the tyre’s size',
  },
]);

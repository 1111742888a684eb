import { engagementDecision, shaftsDecision } from '../cut/decisions';
import { strengthDecision } from './decisions';
import { lesser } from '../../measure';
import type { StripItem } from '../../stage';
import { shafts, strength } from './figures/shafts';
import { node } from './node';

/** The lesser factor on yield of both shafts; not known while one is not. */
const leastFactor = node('leastFactor', (r) => {
  const { left, right } = r.of(strength).side;
  return left.factor && right.factor ? lesser(left.factor, right.factor) : undefined;
});

export const strip = node('strip', (r): readonly StripItem[] => {
  const { needs, fit } = r.of(shafts);
  return [
    { id: 'shaftLeft', label: 'Shaft L', order: 40, figure: needs.left?.fitted, decision: shaftsDecision.id },
    { id: 'shaftRight', label: 'Shaft R', order: 50, figure: needs.right?.fitted, decision: shaftsDecision.id },
    {
      id: 'engaged',
      label: 'Least engaged',
      order: 60,
      figure: lesser(fit.left.share, fit.right.share),
      decision: engagementDecision.id,
    },
    {
      id: 'yield',
      label: 'Factor on yield',
      order: 62,
      figure: r.of(leastFactor),
      rest: true,
      decision: strengthDecision.id,
    },
  ];
});

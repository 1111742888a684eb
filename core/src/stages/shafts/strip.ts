import { lesser } from '../../measure';
import type { StripItem } from '../../stage';
import { shafts } from './figures/shafts';
import { node } from './node';

export const strip = node('strip', (r): readonly StripItem[] => {
  const { needs, fit } = r.of(shafts);
  return [
    { id: 'shaftLeft', label: 'Shaft L', order: 40, figure: needs.left?.fitted },
    { id: 'shaftRight', label: 'Shaft R', order: 50, figure: needs.right?.fitted },
    { id: 'engaged', label: 'Least engaged', order: 60, figure: lesser(fit.left.share, fit.right.share) },
  ];
});

import type { StripItem } from '../../stage';
import { days, routeCost } from './figures/route-cost';
import { node } from './node';

export const strip = node('strip', (r): readonly StripItem[] => {
  const { total, atLeast } = r.of(routeCost);
  return [
    {
      id: 'cost',
      label: 'Route costs',
      order: 94,
      figure: total,
      rest: true,
      lack: 'a price',
      ...(total && atLeast ? { tail: 'at least' } : {}),
    },
    {
      id: 'days',
      label: 'Days to go',
      order: 96,
      figure: r.of(days),
      rest: true,
      lack: 'days to wait and hours of work',
    },
  ];
});

import { linksDecision } from './decisions';
import type { StripItem } from '../../stage';
import { standing, study } from './figures/study';
import { node } from './node';

export const strip = node('strip', (r): readonly StripItem[] => {
  if (!r.of(standing)) return [];
  const told = r.of(study);
  const item = (id: string, label: string, order: number, figure: StripItem['figure']): StripItem => ({
    id,
    label,
    order,
    figure,
    rest: true,
    decision: linksDecision.id,
  });
  return [
    item('antiSquat', 'Anti-squat', 95, told.antiSquat),
    item('rollCentre', 'Roll centre', 96, told.rollCentre),
    item('bind', 'Bind in roll', 97, told['bind.roll']),
  ];
});

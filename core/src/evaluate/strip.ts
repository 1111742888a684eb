import type { SchoolPlan } from '../stages/cut';
import type { Figure } from '../measure';
import type { Results, StripItem } from './results';

type Parts = Pick<Results, 'marks' | 'shafts' | 'square' | 'stance' | 'stand'>;

/** The numbers of this job that the running strip shows, always the same places. */
export function strip(
  parts: Parts,
  school: SchoolPlan | undefined,
  of: (id: string) => Figure | undefined,
): readonly StripItem[] {
  const { needs, fit } = parts.shafts;
  const { stand } = parts;
  // What was measured after the work stands in the place of what was planned.
  const measured = stand.by.left ?? stand.by.right;
  const pinion = measured ? stand.pinion : school?.pinion;
  return [
    {
      id: 'width',
      label: 'WMS width',
      figure: (measured ? stand.width : school?.width) ?? of('brief.targetWidth'),
    },
    { id: 'cutLeft', label: 'Cut L', figure: school?.cut.left },
    { id: 'cutRight', label: 'Cut R', figure: school?.cut.right },
    { id: 'shaftLeft', label: 'Shaft L', figure: needs.left?.fitted },
    { id: 'shaftRight', label: 'Shaft R', figure: needs.right?.fitted },
    { id: 'engaged', label: 'Least engaged', figure: lesser(fit.left.share, fit.right.share) },
    { id: 'pinion', label: 'Pinion', figure: pinion, ...(pinion ? { tail: placeWord(pinion.value) } : {}) },
    {
      id: 'square',
      label: 'Worst tilt',
      figure: greater(parts.square.latest.left?.tilt, parts.square.latest.right?.tilt),
    },
    { id: 'clear', label: 'Least clearance', figure: leastGap(parts.stance) },
  ];
}

/** The least gap of the tyre to anything, over both sides and all poses; not known while a pose is not. */
const leastGap = ({ clearances, proven }: Results['stance']): Figure | undefined =>
  !proven ? undefined : clearances.reduce<Figure | undefined>((least, c) => lesser(least, c.gap), undefined);

/** Places nearer the middle than this are the middle. Absolute, mm. */
const MIDDLE = 0.05;

/** `left`, `right` or `middle` for a lateral place, plus to the left. */
export function placeWord(y: number): string {
  return Math.abs(y) < MIDDLE ? 'middle' : y > 0 ? 'left' : 'right';
}

function lesser(a: Figure | undefined, b: Figure | undefined): Figure | undefined {
  if (!a || !b) return a ?? b;
  return a.value <= b.value ? a : b;
}

function greater(a: Figure | undefined, b: Figure | undefined): Figure | undefined {
  if (!a || !b) return a ?? b;
  return a.value >= b.value ? a : b;
}

import { cutDecision } from './decisions';
import { greater } from '../../measure';
import type { StripItem } from '../../stage';
import { school } from './figures/schools';
import { square, stand } from './figures/stand';
import { node } from './node';

/** Places nearer the middle than this are the middle. Absolute, mm. */
const MIDDLE = 0.05;

/** `left`, `right` or `middle` for a lateral place, plus to the left. */
export function placeWord(y: number): string {
  return Math.abs(y) < MIDDLE ? 'middle' : y > 0 ? 'left' : 'right';
}

export const strip = node('strip', (r): readonly StripItem[] => {
  const [plan, now, { latest }] = [r.of(school), r.of(stand), r.of(square)];
  // What was measured after the work stands in the place of what was planned.
  const measured = now.by.left ?? now.by.right;
  const pinion = measured ? now.pinion : plan?.pinion;
  const planned = plan?.width ?? r.figure('brief.targetWidth');
  return [
    {
      id: 'width',
      label: 'WMS width',
      order: 10,
      figure: measured ? (now.width ?? r.figure('brief.targetWidth')) : planned,
      lack: 'the WMS width wanted',
    },
    { id: 'cutLeft', label: 'Cut L', order: 20, figure: plan?.cut.left, decision: cutDecision.id },
    { id: 'cutRight', label: 'Cut R', order: 30, figure: plan?.cut.right, decision: cutDecision.id },
    {
      id: 'pinion',
      label: 'Pinion',
      order: 70,
      figure: pinion,
      decision: cutDecision.id,
      ...(pinion ? { tail: placeWord(pinion.value) } : {}),
    },
    {
      id: 'square',
      label: 'Worst tilt',
      order: 80,
      figure: greater(latest.left?.tilt, latest.right?.tilt),
      lack: 'squareness of an end',
    },
  ];
});

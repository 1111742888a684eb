import { bySide, SIDES } from '../../../geometry';
import { sized } from '../../../measure';
import { school } from '../../cut/figures/schools';
import { node } from '../node';
import { weldOrder, type WeldStep } from '../weld-order';

/** The order in which all that is on the axle is welded. */
export const order = node('order', (r): readonly WeldStep[] => {
  const all = Object.entries(r.part('brackets')).filter(([, b]) => b.hold === 'welded');
  const work = r.of(school)?.work;
  const shock = bySide((side) => r.figure(`shock.length.${side}`));
  const lengths = SIDES.flatMap((side) => (shock[side] ? [`${sized(shock[side].value)} ${side}`] : []));
  const newTubes = r.choice('method') === 'newTubes';
  return weldOrder({
    brackets: all.map(([id, { name, kind, side, made }]) => ({
      id,
      name,
      kind,
      side,
      ...(made ? { made: made.by } : {}),
    })),
    newTubes,
    cut: !newTubes && SIDES.some((side) => work?.[side] === 'shorten'),
    perches: r.choice('perchesWelded'),
    dampers: lengths.join(', '),
  });
});

import { SIDES, type Side } from '../../../geometry';
import { sized, type Figure } from '../../../measure';
import { asks, type Asked } from '../../../stage';
import { school } from '../../cut/figures/schools';
import { node, type Reads } from '../node';
import { weldOrder, type HousingWork, type WeldStep } from '../weld-order';
import { overOld } from './donor-things';

/** A damper’s length, mount to mount, at ride height. */
export interface DamperAtRide {
  readonly name: string;
  readonly length: Figure;
}

/** What bare dampers are held at, once the suspension’s motion is known. */
export const dampersAtRide: Asked<readonly DamperAtRide[]> = asks('brackets.dampersAtRide');

/** As the motion has them, else as they were read. */
function dampers(r: Reads): string {
  const moved = r.of(dampersAtRide);
  if (moved?.length) return moved.map(({ name, length }) => `${sized(length.value)} ${name}`).join(', ');
  return SIDES.flatMap((side) => {
    const read = r.figure(`shock.length.${side}`);
    return read ? [`${sized(read.value)} ${side}`] : [];
  }).join(', ');
}

/** Sides whose tube is shortened. */
const cutSides = (r: Reads): readonly Side[] => {
  const work = r.of(school)?.work;
  return SIDES.filter((side) => work?.[side] === 'shorten');
};

function workOf(r: Reads): HousingWork {
  const method = r.choice('method');
  if (method === 'newTubes') return 'newTubes';
  return cutSides(r).length ? method : 'whole';
}

/** The order in which all that is on the axle is welded; nothing where the car holds the casting itself. */
export const order = node('order', (r): readonly WeldStep[] => {
  if (r.choice('suspension') === 'independent') return [];
  const all = Object.entries(r.part('brackets'));
  const sides = cutSides(r);
  const work = workOf(r);
  return weldOrder({
    brackets: all
      .filter(([, b]) => b.hold === 'welded')
      .map(([id, { name, kind, side, made }]) => ({
        id,
        name,
        kind,
        side,
        ...(made ? { made: made.by } : {}),
      })),
    drilled: all.filter(([, b]) => b.hold === 'drilled').map(([id, { name }]) => ({ id, name })),
    ground: [...new Set(r.of(overOld).map(({ thing }) => thing.name))],
    work,
    sides: work !== 'newTubes' && sides.length === 1 ? `${sides[0]} side alone` : '',
    bar: r.field('brief', 'tools').includes('alignmentBar'),
    perches: r.choice('perchesWelded'),
    dampers: dampers(r),
  });
});

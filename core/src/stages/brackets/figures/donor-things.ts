import { SIDES, type Side } from '../../../geometry';
import { derive, given, type Figure } from '../../../measure';
import { marks } from '../../cut/figures/marks';
import { school } from '../../cut/figures/schools';
import { node, type Reads } from '../node';
import { tubeMaps, type Patch } from './tube-map';

/** Something that is welded to the donor’s tube and stays on it when it is cut: outboard of the casting face, mm. */
interface DonorThing {
  readonly id: string;
  readonly name: string;
  readonly side: Side;
  readonly from: Figure;
  readonly to: Figure;
}

/** What lies outboard of the slug comes inboard by what is taken out; what lies in it goes off with it. */
function thingsOf(r: Reads, side: Side): readonly DonorThing[] {
  const found = r.of(marks).marks[side];
  const cut = r.of(school)?.work[side] === 'shorten' && r.choice('method') !== 'newTubes' ? found : undefined;
  if (r.choice('method') === 'newTubes') return [];
  return Object.entries(r.part('tubeItems')).flatMap(([id, item]): DonorThing[] => {
    if (item.side !== side) return [];
    const inner = cut?.inner.fromCasting.value ?? Infinity;
    const outer = cut?.outer.fromCasting.value ?? Infinity;
    const moves = item.from >= outer;
    if (!moves && item.to > inner && item.from >= inner) return [];
    const edge = (which: 'from' | 'to', word: string): Figure => {
      const x = given(`donorThing.${id}.${which}`, `${item.name}, ${word}`, item[which], 0, 'mm', {
        source: 'Listed on the donor’s tube, from the casting face',
        byTape: true,
      });
      if (!moves || !cut) return x;
      return derive({
        id: `donorThing.${id}.${which}.now`,
        label: `${item.name}, ${word}, on the finished tube`,
        unit: 'mm',
        formula: '{x} − ({T} − {W})',
        source: 'As listed, less what the tube is shortened by',
        inputs: { x, T: cut.tube, W: cut.tubeWanted },
      });
    };
    return [{ id, name: item.name, side, from: edge('from', 'begins'), to: edge('to', 'ends') }];
  });
}

/** What is still on the tubes from the donor. */
export const donorThings = node('donorThings', (r): readonly DonorThing[] =>
  SIDES.flatMap((side) => thingsOf(r, side)),
);

/** A new bracket that is welded where something of the donor’s is: that comes off first. */
interface OverOld {
  readonly patch: Patch;
  readonly thing: DonorThing;
  /** Room along the tube, mm; below 0 where they lie on each other. Where it stands round the tube is not listed. */
  readonly gap: Figure;
}

export const overOld = node('overOld', (r): readonly OverOld[] => {
  const maps = r.of(tubeMaps);
  return r.of(donorThings).flatMap((thing) =>
    (maps[thing.side]?.patches ?? []).flatMap((patch): OverOld[] => {
      const { item, id, middle } = patch.placed;
      const apart = Math.max(patch.from - thing.to.value, thing.from.value - patch.to);
      if (apart >= 0 || item.hold !== 'welded' || !middle) return [];
      const a = given(
        `bracket.${id}.begins`,
        `${item.name}, begins`,
        patch.from,
        0,
        'mm',
        'Its place on the tube',
      );
      const b = given(`bracket.${id}.ends`, `${item.name}, ends`, patch.to, 0, 'mm', 'Its place on the tube');
      return [
        {
          patch,
          thing,
          gap: derive({
            id: `bracket.${id}.old.${thing.id}`,
            label: `${item.name} to ${thing.name} of the donor, along the tube`,
            unit: 'mm',
            formula: 'max({a} − {d}, {c} − {b})',
            source: 'Nearer ends; below 0 where they lie over each other',
            inputs: { a, b, c: thing.from, d: thing.to },
          }),
        },
      ];
    }),
  );
});

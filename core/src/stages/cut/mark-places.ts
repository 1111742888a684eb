import { type Side } from '../../geometry';
import { type Figure, given, derive, type Maybe } from '../../measure';
import { type CutMethod, type MarkDatum } from './choices';
import { type MarksInput, type Mark } from './marks-result';

export function slugPlaces(
  input: MarksInput,
  side: Side,
  spacing: Figure,
  [least, most]: readonly [number, number],
) {
  const middle = Math.round((least + most) / 2);
  const at =
    input[side].mark ??
    given(`cut.mark.${side}`, `First mark, ${side}`, middle, 0, 'mm', {
      source: 'Assumed: the middle of the free tube; drag it to where you want it',
      assumed: 'the middle of the free tube, no place chosen yet',
      byTape: true,
    });
  const inner = derive({
    id: `mark.inner.${side}`,
    label: `Inner mark, ${side}`,
    unit: 'mm',
    formula: '{x}',
    source: 'Chosen, from the casting face',
    inputs: { x: at },
  });
  const outer = derive({
    id: `mark.outer.${side}`,
    label: `Outer mark, ${side}`,
    unit: 'mm',
    formula: '{x} + {s}',
    source: 'Inner mark plus the spacing',
    inputs: { x: at, s: spacing },
  });
  return { inner, outer };
}

export function endPlaces(input: MarksInput, side: Side, tubeWanted: Figure, T: Figure) {
  const e = input[side].endPiece as Figure;
  const g = input.gap as Figure;
  const w = input[side].shrink as Figure;
  const inner = derive({
    id: `mark.inner.${side}`,
    label: `Inner mark, ${side}`,
    unit: 'mm',
    formula: '{T_new} − {e} − {g} + {w}',
    source: 'New tube less the end piece and the gap, plus what the weld pulls',
    inputs: { T_new: tubeWanted, e, g, w },
  });
  const outer = derive({
    id: `mark.outer.${side}`,
    label: `Outer mark, where the end comes off, ${side}`,
    unit: 'mm',
    formula: '{T} − {e}',
    source: 'Tube less the end piece',
    inputs: { T, e },
  });
  return { inner, outer };
}

export function markAt(
  input: MarksInput,
  side: Side,
  which: 'inner' | 'outer',
  at: Figure,
  T: Figure,
  K: Maybe,
): Mark {
  const blade = which === 'inner' ? 'outboard' : 'inboard';
  return {
    fromCasting: at,
    blade,
    fromDatum: fromDatum(markDatum(input.method, input.datum), side, which, at, T, K),
  };
}

function fromDatum(datum: MarkDatum, side: Side, which: string, x: Figure, T: Figure, K: Maybe): Maybe {
  const base = { id: `mark.${which}.datum.${side}`, unit: 'mm' as const };
  const label = `${which === 'inner' ? 'Inner' : 'Outer'} mark, ${side}`;
  if (datum === 'housingEnd')
    return derive({
      label: `${label}, from the housing end`,
      formula: '{T} − {x}',
      source: 'Tube less the place from the casting',
      inputs: { T, x },
      ...base,
    });
  if (datum === 'pinion')
    return (
      K &&
      derive({
        label: `${label}, from the pinion axis`,
        formula: '{K} + {x}',
        source: 'Casting face plus the place from it',
        inputs: { K, x },
        ...base,
      })
    );
  return derive({
    label: `${label}, from the casting`,
    formula: '{x}',
    source: 'From the casting face',
    inputs: { x },
    ...base,
  });
}

/**
 * From where marks are given in truth: the housing end leaves with an end that comes off, so it is no datum for what
 * stays.
 */

export const markDatum = (method: CutMethod, datum: MarkDatum): MarkDatum =>
  method === 'endOff' && datum === 'housingEnd' ? 'casting' : datum;

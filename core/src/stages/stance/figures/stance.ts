import { bySide, type Sided } from '../../../geometry';
import { derive, type Figure } from '../../../measure';
import { square, width } from '../../cut/figures/stand';
import { node } from '../node';
import { outward } from './outward';
import { stanceStage } from '../stance-stage';

/** Camber that the wheels stand at: built into full-float ends, and left by the cut where that was read. */
export const camber = node('camber', (r): Sided<Figure | undefined> => {
  const { latest } = r.of(square);
  const float = r.choice('retentionTo') === 'fullFloat';
  return bySide((side) => {
    const built = float ? r.figure(`float.camber.${side}`) : undefined;
    const cut = latest[side]?.camber;
    if (!built || !cut) return built ?? cut;
    return derive({
      id: `stance.camber.${side}`,
      label: `Camber the wheel stands at, ${side}`,
      unit: 'rad',
      formula: '{γ_b} + {γ_c}',
      source: 'What is built into the end, and what the cut left',
      inputs: { γ_b: built, γ_c: cut },
    });
  });
});

/** Where tyre and wheel stand, what they clear, and what would clear. */
export const stance = node('stance', (r) => {
  const lean = r.of(camber);
  return stanceStage({
    width: r.of(width),
    figures: r.figure,
    facts: r.fact,
    tyre: r.choice('tyre'),
    spacer: r.choice('spacer'),
    camberLeft: lean.left,
    camberRight: lean.right,
    limits: {
      inboard: r.limit('stance.inboard').value,
      spring: r.limit('stance.spring').value,
      outboard: r.limit('stance.outboard').value,
      radial: r.limit('stance.radial').value,
    },
    outward: r.of(outward),
  });
});

/** Tyre middle to tyre middle. */
export const track = node('track', (r) => r.of(stance).track);
/** Offset with the spacer taken off it. */
export const et = node('et', (r) => r.of(stance).et);

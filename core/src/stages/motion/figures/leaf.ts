import { derive, given, type Maybe } from '../../../measure';
import { pairLoads } from '../../brackets/figures/links';
import { node } from '../node';

/** What leaf springs do of their own. */
interface LeafFigures {
  /** Turn of the axle for a mm of rise, rad, nose up plus. */
  readonly perRise: Maybe;
  /** Nose lifted by the launch, rad. */
  readonly windUp: Maybe;
  /** What each front eye takes at launch, N. */
  readonly eye: Maybe;
}

/** Leaf springs as two cantilevers clamped to the axle. */
export const leaf = node('leaf', (r): LeafFigures | undefined => {
  if (r.choice('suspension') !== 'leaf') return undefined;
  const [a, b, k, H] = (['leaf.front', 'leaf.rear', 'leaf.rate', 'drive.axleHeight'] as const).map((id) =>
    r.figure(id),
  );
  const { thrust } = r.of(pairLoads);
  return {
    perRise:
      a &&
      b &&
      derive({
        id: 'leaf.perRise',
        label: 'Pinion turned for a mm of rise',
        unit: 'rad',
        formula: '{z}·(1/{b} − 1/{a})',
        source: 'Two cantilevers of one section, clamped to the axle; nose up plus',
        inputs: { a, b, z: given('leaf.rise', 'One of rise', 1, 0, 'mm', 'What it is told for') },
      }),
    windUp:
      a &&
      b &&
      k &&
      H &&
      thrust &&
      derive({
        id: 'leaf.windUp',
        label: 'Nose lifted by the hardest launch',
        unit: 'rad',
        formula: '{X}·{H}/2·({a}²·{a} + {b}²·{b})/({k}·{a}²·{b}²·({a} + {b}))',
        source: 'Half of the axle’s torque on each spring; both halves of it bent, as cantilevers',
        inputs: { X: thrust, H, a, b, k },
      }),
    eye:
      thrust &&
      derive({
        id: 'leaf.eye.load',
        label: 'Push on each front eye at launch',
        unit: 'N',
        formula: '{X}/2',
        source: 'Half of the tyres’ push each',
        inputs: { X: thrust },
      }),
  };
});

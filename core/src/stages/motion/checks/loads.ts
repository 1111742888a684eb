import { derive, deriveWherePossible, given, sized, type Figure, type Maybe } from '../../../measure';
import { judge, type Check } from '../../../stage';
import { arms, memberId } from '../figures/arms';
import { armLoads, hardest, loadInputs } from '../figures/loads';
import { node, type Reads } from '../node';
import { AT } from './moves';

const STAGE = 'motion' as const;
const YOUNG = 205_000;

/** Shear of the bolt through a link’s eye, MPa, and its load over what makes its tube buckle. */
interface Strength {
  readonly key: string;
  readonly name: string;
  readonly asksShear: boolean;
  readonly asksBuckling: boolean;
  readonly shear: Maybe;
  readonly buckling: Maybe;
  /** However bushings and springs share, N, without the factor. */
  readonly atMost: number | undefined;
}

const own = (id: string, label: string, value: number): Figure =>
  given(id, label, value, 0, 'mm', 'As listed of the link');

/** Strength of every link that its bolt or tube was listed for. */
export const strengths = node('strengths', (r): readonly Strength[] => {
  const all = r.of(arms);
  return r.of(armLoads).flatMap((load, i): Strength[] => {
    const { member } = load;
    const { arm, name } = member;
    const id = memberId(member);
    const F = hardest(r, load);
    const L = all[i]?.length;
    const bar = member.kind === 'ladder' || member.kind === 'torqueArm';
    const asksShear = arm.bolt !== undefined;
    const asksBuckling = arm.outside !== undefined && arm.wall !== undefined && !bar;
    return [
      {
        key: id,
        name,
        asksShear,
        asksBuckling,
        atMost: load.atMost,
        shear:
          F && arm.bolt !== undefined
            ? derive({
                id: `${id}.shear`,
                label: `${name}, shear of its bolt`,
                unit: 'MPa',
                formula: '{F}/(2·π·{d}²/4)',
                source: 'Double shear: two sections of the shank',
                inputs: { F, d: own(`${id}.bolt`, `${name}, bolt`, arm.bolt) },
              })
            : undefined,
        buckling:
          F && L && asksBuckling
            ? deriveWherePossible({
                id: `${id}.buckling`,
                label: `${name}, load over what makes it buckle`,
                unit: 'ratio',
                formula: '{F}·{L}²/(π·π·{E}·π·({D}⁴ − ({D} − 2·{t})⁴)/64)',
                source: 'Euler, both eyes free to turn: π²·E·I/L²; as if the hardest load pushed',
                inputs: {
                  F,
                  L,
                  E: given('motion.young', 'Young’s modulus of steel', YOUNG, 0, 'MPa', 'Steel'),
                  D: own(`${id}.outside`, `${name}, tube’s outside`, arm.outside ?? 0),
                  t: own(`${id}.wall`, `${name}, tube’s wall`, arm.wall ?? 0),
                },
              })
            : undefined,
      },
    ];
  });
});

/** Bolts and tubes of the links at launch and braking. */
export const bears = node('bears', (r: Reads): readonly Check[] => {
  const { lacks } = r.of(loadInputs);
  return r.of(strengths).flatMap((s): Check[] => {
    const reason = `Launch, braking, a left or a right bend, whichever is hardest, with the factor of this project.${
      s.atMost === undefined
        ? ''
        : ` More holds the axle than must: bushings and springs share it by their stiffness. However they share, it is at most ${sized(s.atMost * r.limit('link.factor').value, 'N')}.`
    }`;
    return [
      ...(s.asksShear
        ? [
            judge({
              id: `${s.key}.shear`,
              stage: STAGE,
              figure: s.shear,
              way: 'atMost',
              limit: r.limit('link.shear'),
              beyond: 'stop',
              holds: `${s.name}: its bolt bears the load`,
              fails: `${s.name}: its bolt may shear`,
              unknown: `${s.name}: whether its bolt bears the load is not known`,
              reason,
              todo: 'A larger bolt, or one of a higher grade and the limit to suit.',
              at: AT,
              lacks,
            }),
          ]
        : []),
      ...(s.asksBuckling
        ? [
            judge({
              id: `${s.key}.buckling`,
              stage: STAGE,
              figure: s.buckling,
              way: 'atMost',
              limit: r.limit('link.buckling'),
              stop: 1,
              holds: `${s.name}: does not buckle`,
              fails: `${s.name}: may buckle`,
              unknown: `${s.name}: whether it buckles is not known`,
              reason,
              todo: 'A larger tube, a thicker wall, or a shorter link.',
              at: AT,
              lacks,
            }),
          ]
        : []),
    ];
  });
});

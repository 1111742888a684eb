import { derive, deriveWherePossible, given, sized, type Figure, type Maybe } from '../../../measure';
import { weldStress } from '../../../mechanics';
import type { BoltJoint, Bracket } from '../choices';
import { node, type Reads } from '../node';
import { linkSizes, loadOfLink, type LinkSizes } from './links';
import { places, type PlacedBracket } from './places';
import { pulls } from './pulls';

/** What a link’s pull strains a bracket by, MPa. */
interface Strains {
  readonly shear: Maybe;
  readonly bearing: Maybe;
  readonly weld: Maybe;
}

const own = (p: PlacedBracket, what: keyof Bracket & string, label: string, value: number): Figure =>
  given(`bracket.${p.id}.${what}`, `${p.item.name}, ${label}`, value, 0, 'mm', 'As listed of the bracket');

/**
 * What pulls at a bracket, N: the load of the link that it holds; until the motion is known what a pair takes, brackets
 * that look up carrying the upper links.
 */
export function pullAt(r: Reads, p: PlacedBracket): Maybe {
  const known = r.of(pulls)?.byBracket[p.id];
  if (known) return known;
  if (p.item.kind !== 'link' || !p.clock) return undefined;
  return loadOfLink(r, Math.cos(p.clock.value) > 0 ? 'upper' : 'lower', p.item.side);
}

function boltOf(p: PlacedBracket, F: Figure): Pick<Strains, 'shear' | 'bearing'> {
  const { bolt, plate } = p.item;
  if (bolt === undefined) return { shear: undefined, bearing: undefined };
  const d = own(p, 'bolt', 'bolt', bolt);
  return {
    shear: deriveWherePossible({
      id: `bracket.${p.id}.shear`,
      label: `${p.item.name}, shear of its bolt`,
      unit: 'MPa',
      formula: '{F}/(2·π·{d}²/4)',
      source: 'Double shear: two sections of the shank',
      inputs: { F, d },
    }),
    bearing:
      plate === undefined
        ? undefined
        : deriveWherePossible({
            id: `bracket.${p.id}.bearing`,
            label: `${p.item.name}, bearing of its bolt`,
            unit: 'MPa',
            formula: '{F}/({d}·2·{t})',
            source: 'On both plates together',
            inputs: { F, d, t: own(p, 'plate', 'thickness of one plate', plate) },
          }),
  };
}

/** Two fillets round the tube, one along each plate; the link pulls along the car at the bolt, off the skin. */
function weldOf(p: PlacedBracket, F: Figure): Maybe {
  const { leg, high, wide, round } = p.item;
  if (leg === undefined || high === undefined) return undefined;
  const runs = [-wide / 2, wide / 2].map((x) => ({
    from: [x, -round / 2] as const,
    to: [x, round / 2] as const,
    leg,
  }));
  const k = given(
    `bracket.${p.id}.weldOf`,
    `${p.item.name}, stress of its welds for one newton`,
    weldStress(runs, { force: [0, 1, 0], at: [0, 0, high] }),
    0,
    'MPa',
    'Elastic line method: a fillet along each of its two plates, the pull at its height',
  );
  return derive({
    id: `bracket.${p.id}.weld`,
    label: `${p.item.name}, stress in the throats of its welds`,
    unit: 'MPa',
    formula: '{F}/{F_1}·{k}',
    source: 'The pull, and what one newton strains the welds by',
    inputs: {
      F,
      k,
      F_1: given('bracket.newton', 'One newton', 1, 0, 'N', 'What the welds’ stress is told for'),
    },
  });
}

/** Strains of every bracket that a link pulls at; none while the pull is not known. */
export const strains = node('strains', (r): Readonly<Record<string, Strains>> => {
  const all: Record<string, Strains> = {};
  for (const p of r.of(places)) {
    const F = pullAt(r, p);
    if (F) all[p.id] = { ...boltOf(p, F), weld: weldOf(p, F) };
  }
  return all;
});

/** A pair of links, and how much longer the left one is, mm. */
export interface PairOff {
  readonly left: LinkSizes;
  readonly right: LinkSizes;
  readonly off: Figure;
}

/** Links of one kind on both sides. */
export const pairOffs = node('pairOffs', (r): readonly PairOff[] => {
  const all = r.of(linkSizes);
  return (['lower', 'upper', 'ladder'] as const).flatMap((kind): PairOff[] => {
    const of = (side: 'left' | 'right') => all.find(({ link }) => link.kind === kind && link.side === side);
    const [left, right] = [of('left'), of('right')];
    if (!left || !right) return [];
    const eyes = ({ id, link }: LinkSizes): Figure =>
      given(`link.${id}.eyes`, `${link.name}, eye to eye`, link.eyes, 0, 'mm', 'As listed of the link');
    const off = derive({
      id: `link.pairOff.${kind}`,
      label: `${left.link.name} against ${right.link.name}, eye to eye`,
      unit: 'mm',
      formula: '{l} − {r}',
      source: 'Left less right',
      inputs: { l: eyes(left), r: eyes(right) },
    });
    return [{ left, right, off }];
  });
});

/** Hole less bolt of each listed joint, mm. */
export const jointPlays = node('jointPlays', (r): Readonly<Record<string, Figure>> => {
  const all: Record<string, Figure> = {};
  for (const [id, joint] of Object.entries(r.part('boltJoints'))) {
    const of = (what: 'bolt' | 'hole') =>
      given(`joint.${id}.${what}`, `${joint.name}, ${what}`, joint[what], 0, 'mm', 'As listed');
    all[id] = derive({
      id: `joint.${id}.play`,
      label: `${joint.name}: hole less bolt`,
      unit: 'mm',
      formula: '{h} − {b}',
      source: 'As listed',
      inputs: { h: of('hole'), b: of('bolt') },
    });
  }
  return all;
});

/** Hole that a bolt goes through freely, over the bolt, mm. */
const EASE = 0.3;

/** What a bolt that does not fit its hole asks for. */
function mending({ bolt, hole, may }: BoltJoint, play: number, wall: number): string {
  if (hole < bolt)
    return may === 'both' || may === 'drill'
      ? `drill the hole to ${sized(bolt + EASE)}`
      : `a bolt of ${sized(hole - EASE)} with its own link, or another bracket`;
  if (hole - bolt <= play) return 'fits as it is';
  const thick = (hole - bolt) / 2;
  if (may !== 'both' && may !== 'sleeve') return `a bolt of ${sized(hole - EASE)} with a link to suit`;
  return thick >= wall
    ? `a sleeve, ${sized(hole)} outside, ${sized(bolt + EASE)} inside`
    : `drill the hole to ${sized(bolt + EASE + 2 * wall)} and sleeve it, or a link with a bolt of ${sized(hole - EASE)}`;
}

/** What each listed bolt and hole ask for, by id. */
export const mendings = node('mendings', (r): Readonly<Record<string, string>> => {
  const [play, wall] = [r.limit('joint.play').value, r.limit('joint.wall').value];
  return Object.fromEntries(
    Object.entries(r.part('boltJoints')).map(([id, joint]) => [id, mending(joint, play, wall)]),
  );
});

import { derive, deriveWherePossible, given, most, sized, type Figure, type Maybe } from '../../../measure';
import { weldsRoundTube, weldStressInSpace } from '../../../mechanics';
import type { BoltJoint, Bracket } from '../choices';
import { node, type Reads } from '../node';
import { newFlat, outside } from './frame';
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

/** A pull of one newton at the bolt, as the bracket sees it: along the tube, round it, off its skin. */
interface Pulled {
  readonly load: Figure;
  readonly way: readonly [x: number, y: number, z: number];
  readonly name: string;
}

/** Every pull at a bracket by its own way; until the motion is known a link’s, forward along the car. Nothing while one is not known. */
function pulledBy(r: Reads, p: PlacedBracket, F: Figure): readonly Pulled[] | undefined {
  const [clock, flat, known] = [p.clock, r.of(newFlat), r.of(pulls)];
  if (!clock) return undefined;
  const turn = clock.value - (flat?.value ?? 0);
  const seen = ([x, y, z]: Pulled['way']): Pulled['way'] => [
    y,
    x * Math.cos(turn) - z * Math.sin(turn),
    x * Math.sin(turn) + z * Math.cos(turn),
  ];
  const ways = known?.byBracket[p.id] ? known.ways[p.id] : undefined;
  if (!ways) return [{ load: F, way: seen([1, 0, 0]), name: 'forward along the car' }];
  const all = ways.flatMap(({ load, way }) =>
    load && way ? [{ load, way: seen(way), name: 'along its link' }] : [],
  );
  return all.length === ways.length ? all : undefined;
}

/** Two fillets round the tube, one along each plate, under every pull by its own way. */
function weldOf(r: Reads, p: PlacedBracket, F: Figure): Maybe {
  const { leg, high, wide, round } = p.item;
  const od = r.of(outside)[p.side];
  const all = pulledBy(r, p, F);
  if (leg === undefined || high === undefined || !od || !all) return undefined;
  const bits = weldsRoundTube(wide, round, od.value / 2, leg);
  const stresses = all.flatMap(({ load, way, name }, i) => {
    const one = weldStressInSpace(bits, { force: way, at: [0, 0, high] });
    if (one === undefined) return [];
    const k = given(
      `bracket.${p.id}.weldOf${i}`,
      `${p.item.name}, stress of its welds for one newton ${name}`,
      one,
      0,
      'MPa',
      {
        source:
          'Elastic line method in space: a fillet round the tube along each of its two plates, the pull at its height',
        ...(r.of(newFlat) ? {} : { assumed: 'the casting’s flat lies level' }),
      },
    );
    return derive({
      id: `bracket.${p.id}.weld${i}`,
      label: `${p.item.name}, stress in the throats of its welds`,
      unit: 'MPa',
      formula: '|{F}|/{F_1}·{k}',
      source: 'The pull, and what one newton that way strains the welds by',
      inputs: {
        F: load,
        k,
        F_1: given('bracket.newton', 'One newton', 1, 0, 'N', 'What the welds’ stress is told for'),
      },
    });
  });
  return stresses.length === all.length
    ? most(
        {
          id: `bracket.${p.id}.weld`,
          label: `${p.item.name}, stress in the throats of its welds`,
          unit: 'MPa',
          source: 'The hardest of all that pulls at it, each by its own way',
        },
        stresses,
      )
    : undefined;
}

/** Whether a bar that is one with the axle turns it. */
export const turnedByBar = (r: Reads, id: string): boolean => r.of(pulls)?.turned.includes(id) ?? false;

/** Strains of every bracket that a link pulls at; none while the pull is not known. */
export const strains = node('strains', (r): Readonly<Record<string, Strains>> => {
  const all: Record<string, Strains> = {};
  for (const p of r.of(places)) {
    const F = turnedByBar(r, p.id) ? undefined : pullAt(r, p);
    if (F) all[p.id] = { ...boltOf(p, F), weld: weldOf(r, p, F) };
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

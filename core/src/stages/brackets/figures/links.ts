import { type PlaceId, unless } from '../../../stage';
import { derive, deriveWherePossible, given, type Figure, type Maybe } from '../../../measure';
import { torque } from '../../brief/figures/torque';
import type { BracketSide, Link, LinkKind } from '../choices';
import { node, type Reads } from '../node';
import { pulls } from './pulls';

/** Forces that a pair of links takes, N: pushed or pulled, without sign. */
export interface PairLoads {
  /** Most push of the tyres against the car: launch or braking. */
  readonly thrust: Maybe;
  readonly lower: Maybe;
  readonly upper: Maybe;
  readonly lacks: readonly PlaceId[];
}

/**
 * What links take at a launch or under braking, until the suspension’s own motion is worked out: axle, wheels and
 * shafts are one body, pushed at the ground.
 */
export const pairLoads = node('pairLoads', (r): PairLoads => {
  const [N, μ] = [r.of(torque).rearLoad, r.figure('brief.friction')];
  const [lo, hi] = [r.figure('link.low'), r.figure('link.high')];
  const thrust =
    N &&
    μ &&
    derive({
      id: 'link.thrust',
      label: 'Most push of the rear tyres',
      unit: 'N',
      formula: '{μ}·{N}',
      source:
        'Tyres at their limit, by the brief: a launch with the load it brings to the rear; braking stays below it',
      inputs: { μ, N },
    });
  const lacks = [
    ...unless(thrust, 'brief.front', 'brief.rear', 'brief.wheelbase', 'brief.cgHeight', 'brief.friction'),
    ...unless(lo, 'link.low'),
    ...unless(hi, 'link.high'),
  ].filter((id) => r.figure(id as 'brief.front') === undefined);
  const pair = (id: 'lower' | 'upper', formula: string): Maybe =>
    thrust && lo && hi && hi.value > lo.value
      ? deriveWherePossible({
          id: `link.load.${id}`,
          label: `Load of both ${id} links`,
          unit: 'N',
          formula,
          source: 'Moments about the other pair’s bolts, the push at the ground',
          inputs: { X: thrust, a: lo, b: hi },
        })
      : undefined;
  return {
    thrust,
    lower: pair('lower', '{X}·{b}/({b} − {a})'),
    upper: pair('upper', '{X}·{a}/({b} − {a})'),
    lacks,
  };
});

/**
 * Load of one link of a kind, N, with the factor of this project.
 *
 * @param side `across` for a single link in the middle: it takes all that a pair would
 */
export function loadOfLink(r: Reads, kind: LinkKind, side: BracketSide): Maybe {
  const solved =
    r.of(pulls)?.byKind[`${kind === 'torque' ? 'torqueArm' : kind}.${side === 'across' ? 'single' : side}`];
  if (solved) return solved;
  const loads = r.of(pairLoads);
  const pair = kind === 'upper' ? loads.upper : kind === 'lateral' ? undefined : loads.lower;
  const [s, k] = [r.figure('link.share'), factor(r)];
  const which = kind === 'upper' ? 'upper' : 'lower';
  if (!pair) return undefined;
  if (side === 'across')
    return derive({
      id: `link.load.only.${which}`,
      label: `Load of the only ${which} link, with its factor`,
      unit: 'N',
      formula: '{P}·{k}',
      source: 'A link by itself in the middle takes all that a pair would, and the factor of this project',
      inputs: { P: pair, k },
    });
  if (!s) return undefined;
  return derive({
    id: `link.load.one.${which}`,
    label: `Load of one ${which} link, with its factor`,
    unit: 'N',
    formula: '{P}·{s}·{k}',
    source: 'The harder pulled side’s share of a pair, and the factor of this project',
    inputs: { P: pair, s, k },
  });
}

const factor = (r: Reads): Figure =>
  given(
    'link.factor',
    'Factor on launch and braking loads',
    r.limit('link.factor').value,
    0,
    'count',
    'Limit of this project',
  );

/** A link’s own figures. */
export interface LinkSizes {
  readonly id: string;
  readonly link: Link;
  /** Tube without its ends, mm. */
  readonly tube: Figure;
  /** Thread that is in the tube at each end, mm, and over its diameter. */
  readonly inside: Figure;
  readonly engaged: Figure;
  /** How much longer it can be made until a thread is short, mm. */
  readonly longer: Figure;
  readonly shorter: Figure;
  /** Load over what makes it buckle. */
  readonly buckling: Maybe;
}

const YOUNG = 205_000;

function sizesOf(r: Reads, id: string, link: Link): LinkSizes {
  const own = (what: keyof Link & string, label: string, value: number) =>
    given(`link.${id}.${what}`, `${link.name}, ${label}`, value, 0, 'mm', 'As listed of the link');
  const e = own('eyes', 'eye to eye', link.eyes);
  const B = own('end', 'rod end, eye to the end of its thread', link.end);
  const o = own('out', 'rod end, eye to the tube’s end', link.out);
  const n = own('least', 'rod end, eye to the tube’s end with its lock nut run home', link.least);
  const d = own('thread', 'thread', link.thread);
  const thread = r.limit('link.thread').value;
  const k = given(
    'link.threadLeast',
    'Least thread inside, over its diameter',
    thread,
    0,
    'count',
    'Limit of this project',
  );
  const say = (
    what: string,
    label: string,
    unit: 'mm' | 'ratio',
    formula: string,
    source: string,
    inputs: Readonly<Record<string, Figure>>,
  ) => derive({ id: `link.${id}.${what}`, label: `${link.name}, ${label}`, unit, formula, source, inputs });
  const tube = say(
    'tube',
    'tube',
    'mm',
    '{e} − 2·{o}',
    'Eye to eye, less what stands outside the tube at both ends',
    { e, o },
  );
  const inside = say(
    'inside',
    'thread inside the tube',
    'mm',
    '{B} − {o}',
    'To the end of the thread, less what is outside',
    { B, o },
  );
  const engaged = say('engaged', 'thread inside over its diameter', 'ratio', '{x}/{d}', 'At each end', {
    x: inside,
    d,
  });
  const longer = say(
    'longer',
    'may be made longer by',
    'mm',
    '2·({x} − {k}·{d})',
    'Both ends, until their thread is short',
    { x: inside, k, d },
  );
  return {
    id,
    link,
    tube,
    inside,
    engaged,
    longer,
    shorter: say(
      'shorter',
      'may be made shorter by',
      'mm',
      '2·({o} − {n})',
      'Both ends, until the lock nuts meet the tube',
      { o, n },
    ),
    buckling: bucklingOf(r, id, link, e),
  };
}

function bucklingOf(r: Reads, id: string, link: Link, e: Figure): Maybe {
  const F = loadOfLink(r, link.kind, link.side);
  if (!F || link.kind === 'torque' || link.kind === 'ladder') return undefined;
  const E = given('link.young', 'Young’s modulus of steel', YOUNG, 0, 'MPa', 'Steel');
  const D = given(
    `link.${id}.outside`,
    `${link.name}, tube’s outside`,
    link.outside,
    0,
    'mm',
    'As listed of the link',
  );
  const t = given(`link.${id}.wall`, `${link.name}, tube’s wall`, link.wall, 0, 'mm', 'As listed of the link');
  return deriveWherePossible({
    id: `link.${id}.buckling`,
    label: `${link.name}, load over what makes it buckle`,
    unit: 'ratio',
    formula: '{F}·{e}²/(π·π·{E}·π·({D}⁴ − ({D} − 2·{t})⁴)/64)',
    source: 'Euler, both eyes free to turn: π²·E·I/L²',
    inputs: { F, e, E, D, t },
  });
}

/** Every link, in the order they were listed. */
export const linkSizes = node('linkSizes', (r): readonly LinkSizes[] =>
  Object.entries(r.part('links')).map(([id, link]) => sizesOf(r, id, link)),
);

import { derive, given, type Figure, type Maybe } from '../../../measure';
import { judge, judgeClosure, type Check } from '../../../stage';
import { linkSizes } from '../../brackets/figures/links';
import { height, weighed } from '../figures/scales';
import { arms, memberId, sprung } from '../figures/arms';
import { node, type Reads } from '../node';

const STAGE = 'motion' as const;

function less(id: string, label: string, a: Maybe, b: Maybe): Figure | undefined {
  if (!a || !b) return undefined;
  return derive({
    id,
    label,
    unit: a.unit,
    formula: '{a} − {b}',
    source: 'One less the other',
    inputs: { a, b },
  });
}

/** Scales against what the brief was told; a height that no car has. */
export const agrees = node('agrees', (r: Reads): readonly Check[] => {
  const found = r.of(weighed);
  const axle = (at: 'front' | 'rear'): Check[] => {
    const figure = less(
      `scales.off.${at}`,
      `Scales against the ${at} axle load of the brief`,
      found[at],
      r.figure(`brief.${at}`),
    );
    if (!figure) return [];
    const [l, q] =
      at === 'front'
        ? (['scales.leftFront', 'scales.rightFront'] as const)
        : (['scales.leftRear', 'scales.rightRear'] as const);
    return [
      judgeClosure(
        {
          id: `scales.${at}`,
          stage: STAGE,
          figure,
          limit: r.limit('motion.weights'),
          holds: `Scales agree with the ${at} axle load of the brief`,
          fails: `Scales and the ${at} axle load of the brief do not agree`,
          unknown: '',
          reason: 'Both are of one car as it is driven; one of them was read with another load in it.',
          todo: 'Weigh again with driver and fuel in, and correct the one that is wrong.',
          at: l,
        },
        [l, q, `brief.${at}`],
      ),
    ];
  };
  const h = r.of(height);
  return [
    ...axle('front'),
    ...axle('rear'),
    ...(h && (h.value < 150 || h.value > 1500)
      ? [
          {
            id: 'scales.height',
            stage: STAGE,
            level: 'stop' as const,
            title: 'No car has its centre of gravity there',
            figure: { value: h.value, unit: h.unit, figureId: h.id },
            reason: 'By the scales with the front raised. The brief’s height stays until they are right.',
            todo: 'Hold the springs at ride length, let the brakes off, raise it higher, and read the rear scales again.',
            at: 'scales.raisedRear' as const,
            contradicts: ['scales.raisedRear', 'scales.raisedBy'],
          },
        ]
      : []),
  ];
});

/** Dampers as their places have them, against what was read between their mounts. */
export const dampersAgree = node('dampersAgree', (r): readonly Check[] =>
  r.of(sprung).flatMap(({ member, ride }): Check[] => {
    if (member.kind === 'coil' || member.side === 'single') return [];
    const id = `shock.length.${member.side}` as const;
    const figure = less(
      `${memberId(member)}.off`,
      `${member.name}, its places against what was read mount to mount`,
      ride,
      r.figure(id),
    );
    if (!figure) return [];
    return [
      judgeClosure(
        {
          id: `${memberId(member)}.agrees`,
          stage: STAGE,
          figure,
          limit: r.limit('motion.mounts'),
          holds: `${member.name}: its places agree with its length as read`,
          fails: `${member.name}: its places and its length as read do not agree`,
          unknown: '',
          reason: 'From mount to mount at ride height is one length, however it is read.',
          todo: 'Read both mounts again, and the damper between them.',
          at: id,
        },
        [id],
      ),
    ];
  }),
);

/** How a link is listed among the brackets’, by its kind and side there. */
const LISTED: Readonly<Record<string, string>> = { torqueArm: 'torque' };

/** Links as they are made, against the places they have to go between. */
export const lengthsAgree = node('lengthsAgree', (r): readonly Check[] => {
  const listed = r.of(linkSizes);
  return r.of(arms).flatMap(({ member, length }): Check[] => {
    const side = member.side === 'single' ? 'across' : member.side;
    const kind = LISTED[member.kind] ?? member.kind;
    const made = listed.find(({ link }) => link.kind === kind && link.side === side);
    if (!made || !length) return [];
    const eyes = given(`link.${made.id}.eyes`, `${made.link.name}, eye to eye`, made.link.eyes, 0, 'mm', {
      source: 'As listed of the link',
    });
    return [
      judge({
        id: `${memberId(member)}.eyes`,
        stage: STAGE,
        figure: less(
          `${memberId(member)}.eyesOff`,
          `${made.link.name}, as listed less between its places`,
          eyes,
          length,
        ),
        way: 'within',
        limit: r.limit('motion.mounts'),
        holds: `${member.name}: as long as its places are apart`,
        fails: `${member.name}: not as long as its places are apart`,
        unknown: '',
        reason:
          'A link that is longer or shorter than its places moves the axle, or turns it, as it is bolted in.',
        todo: 'Set its adjusters to the length between its places, or read the places again.',
        at: 'arm.list',
      }),
    ];
  });
});

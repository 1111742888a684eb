import { sized, type Figure } from '../../../measure';
import { judge, unknownCheck, type Check, unless } from '../../../stage';
import type { BoltJoint } from '../choices';
import { places, type PlacedBracket } from '../figures/places';
import { linkSizes, pairLoads, type LinkSizes } from '../figures/links';
import { pulls } from '../figures/pulls';
import { jointPlays, mendings, pairOffs, pullAt, strains, turnedByBar, type PairOff } from '../figures/strains';
import { node, type Reads } from '../node';

const STAGE = 'brackets' as const;
const AT = 'link.list' as const;
const UNTIL =
  'By the push of the tyres at their limit, until the suspension’s own motion says what each link takes.';

const KNOWN =
  'By what this link takes at launch, braking or cornering, whichever is hardest, as its motion is worked out.';
const TURNED =
  'Its bar is one with the axle and turns this bracket by its whole length: that is not reckoned here. Have it reckoned by whoever builds it.';
/** On what a load rests. */
const because = (r: Reads, id: string): string =>
  turnedByBar(r, id) ? TURNED : r.of(pulls)?.byBracket[id] ? KNOWN : UNTIL;

/** A link’s own thread, reach and stiffness. */
function linkChecks(r: Reads, { id, link, tube, engaged, buckling }: LinkSizes): Check[] {
  const checks: Check[] = [
    judge({
      id: `link.${id}.thread`,
      stage: STAGE,
      figure: engaged,
      way: 'atLeast',
      limit: r.limit('link.thread'),
      beyond: 'stop',
      holds: `${link.name}: thread enough in both ends`,
      fails: `${link.name}: too little thread in its ends`,
      unknown: '',
      reason: 'Below one diameter of thread a rod end pulls out.',
      todo: 'A longer tube, or rod ends with longer shanks.',
      at: AT,
    }),
  ];
  if (tube.value <= 0)
    checks.push({
      id: `link.${id}.tube`,
      stage: STAGE,
      level: 'stop',
      title: `${link.name}: both rod ends leave no tube between them`,
      figure: { value: tube.value, unit: 'mm', figureId: tube.id },
      reason: 'What stands outside the tube at both ends is more than from eye to eye.',
      todo: 'Shorter rod ends, or another place for the bracket.',
      at: AT,
    });
  if (link.reach === 'no')
    checks.push({
      id: `link.${id}.reach`,
      stage: STAGE,
      level: 'caution',
      title: `${link.name}: no spanner gets at its lock nut with the car on the ground`,
      reason: 'It is set with the car’s weight on its wheels; off the ground it is set wrong.',
      todo: 'Turn the adjuster end the other way, or leave room in the bracket.',
      at: AT,
    });
  // Of bars and arms no load is known until the suspension’s motion is: that is not in order.
  checks.push(
    judge({
      id: `link.${id}.buckling`,
      stage: STAGE,
      figure: buckling,
      way: 'atMost',
      limit: r.limit('link.buckling'),
      stop: 1,
      holds: `${link.name}: does not buckle`,
      fails: `${link.name}: may buckle`,
      unknown: `${link.name}: whether it buckles is not known`,
      reason: UNTIL,
      todo: 'A larger tube, or a thicker wall.',
      at: AT,
      lacks: r.of(pairLoads).lacks,
    }),
  );
  return checks;
}

const pairCheck = (r: Reads, { left, right, off }: PairOff): Check =>
  judge({
    id: `link.pair.${left.link.kind}`,
    stage: STAGE,
    figure: off,
    way: 'within',
    limit: r.limit('link.pair'),
    holds: `${left.link.name} and ${right.link.name} are alike`,
    fails: `${left.link.name} and ${right.link.name} are not alike`,
    unknown: '',
    reason: 'Links of a pair that differ steer the axle. One bolt through both ends shows it.',
    todo: 'Set both with one bolt through their eyes; accept it where they differ on purpose.',
    at: AT,
  });

/** Links as they are listed. */
export const linked = node('linked', (r): readonly Check[] => [
  ...r.of(linkSizes).flatMap((l) => linkChecks(r, l)),
  ...r.of(pairOffs).map((pair) => pairCheck(r, pair)),
]);

/** What of a bracket has to be listed before a strain of it can be told. */
const LISTED = { shear: ['bolt'], bearing: ['bolt', 'plate'], weld: ['leg', 'high'] } as const;

/** One strain of a bracket against its limit. */
function strainCheck(
  r: Reads,
  p: PlacedBracket,
  what: 'shear' | 'bearing' | 'weld',
  { holds, fails, todo, more = '' }: { holds: string; fails: string; todo: string; more?: string },
): Check {
  return judge({
    id: `bracket.${p.id}.${what}`,
    stage: STAGE,
    figure: r.of(strains)[p.id]?.[what],
    way: 'atMost',
    limit: r.limit(`link.${what}`),
    beyond: 'stop',
    holds: `${p.item.name}: ${holds}`,
    fails: `${p.item.name}: ${fails}`,
    unknown: `${p.item.name}: whether ${holds} is not known`,
    reason: `${because(r, p.id)}${more}`,
    todo,
    at: 'bracket.list',
    lacks: turnedByBar(r, p.id)
      ? []
      : [
          ...r.of(pairLoads).lacks,
          ...unless(p.clock && LISTED[what].every((size) => p.item[size] !== undefined), 'bracket.list'),
        ],
  });
}

/** A bolt whose load follows from what is not worked out yet. */
const unsaidLoad = ({ id, item }: PlacedBracket): Check =>
  unknownCheck({
    id: `bracket.${id}.shear`,
    stage: STAGE,
    unknown: `${item.name}: whether its bolt bears the load is not known`,
    reason: 'What pulls at it follows from the suspension’s motion, which is not worked out yet.',
    at: 'bracket.list',
  });

/** Bolts, plates and welds of what links pull at. */
export const strengths = node('strengths', (r): readonly Check[] =>
  r.of(places).flatMap((p) => {
    const { kind, bolt, plate, leg, high } = p.item;
    const pulled = pullAt(r, p) !== undefined;
    if (kind !== 'link' && !pulled) return bolt === undefined ? [] : [unsaidLoad(p)];
    const checks: Check[] = [];
    // What pulls at a bracket pulls at its bolt, plates and welds, whether their sizes are listed or not.
    if (pulled || bolt !== undefined)
      checks.push(
        strainCheck(r, p, 'shear', {
          holds: 'its bolt bears the load',
          fails: 'its bolt may shear',
          todo: 'A larger bolt, or one of a higher grade and the limit to suit.',
        }),
      );
    if (pulled || (bolt !== undefined && plate !== undefined))
      checks.push(
        strainCheck(r, p, 'bearing', {
          holds: 'its plates bear the bolt',
          fails: 'the bolt draws its hole oval',
          todo: 'Thicker plates, or washers welded round the hole.',
        }),
      );
    if ((pulled && p.item.hold === 'welded') || (leg !== undefined && high !== undefined))
      checks.push(
        strainCheck(r, p, 'weld', {
          holds: 'its welds bear the load',
          fails: 'its welds may crack',
          todo: 'A longer foot, a larger fillet, or a brace to the tube.',
          more: ' A structural weld: a qualified welder, and inspection.',
        }),
      );
    return checks;
  }),
);

function jointCheck(r: Reads, id: string, joint: BoltJoint, figure: Figure): Check {
  const play = r.limit('joint.play');
  const small = figure.value < 0;
  const todo = r.of(mendings)[id] ?? '';
  return judge({
    id: `joint.${id}`,
    stage: STAGE,
    figure,
    way: small ? 'atLeast' : 'atMost',
    limit: small ? 0 : play,
    beyond: 'stop',
    holds: `${joint.name}: the bolt fits its hole`,
    fails: small
      ? `${joint.name}: the bolt does not go into its hole`
      : `${joint.name}: the bolt is loose in its hole`,
    unknown: '',
    reason: 'A bolt that moves in its hole draws it oval with every launch.',
    todo: `${todo.charAt(0).toUpperCase()}${todo.slice(1)}.`,
    at: 'joint.list',
  });
}

/** Bolts and holes of old and new parts. */
export const boltJoints = node('joints', (r): readonly Check[] => {
  const plays = r.of(jointPlays);
  return Object.entries(r.part('boltJoints')).flatMap(([id, joint]) => {
    const figure = plays[id];
    return figure ? [jointCheck(r, id, joint, figure)] : [];
  });
});

/** Links at one height bear no turning of the axle. */
export const heights = node('heights', (r): readonly Check[] => {
  const [lo, hi] = [r.figure('link.low'), r.figure('link.high')];
  if (!lo || !hi || hi.value > lo.value) return [];
  return [
    {
      ...unknownCheck({
        id: 'link.heights',
        stage: STAGE,
        unknown: 'Upper links stand no higher than the lower ones',
        reason: `${sized(hi.value)} above the ground against ${sized(lo.value)}: such links do not hold the axle against turning.`,
        at: 'link.high',
      }),
      level: 'stop',
      todo: 'Read both again.',
      contradicts: ['link.low', 'link.high'],
    },
  ];
});

import { derive, sized, type Maybe } from '../../../measure';
import { judge, unknownCheck, type Check, type CheckLimit, type PlaceId } from '../../../stage';
import { axlePose, type AxlePose } from '../../../mechanics/solid-axle';
import { arms, memberId, sprung } from '../figures/arms';
import { rightBracket } from '../figures/inputs';
import { barLeftOut } from '../figures/answers';
import { holding } from '../figures/held';
import { standing, study } from '../figures/study';
import { reachOf, type Stand } from '../study';
import { node, type Reads } from '../node';

const STAGE = 'motion' as const;
export const AT = 'arm.list' as const;

/** Something was begun that a motion is asked of. */
const begun = (r: Reads): boolean =>
  Object.keys(r.part('arms')).length > 0 ||
  Object.keys(r.part('cranks')).length > 0 ||
  (r.choice('suspension') === 'leaf' && (['leaf.front', 'leaf.rear'] as const).some((id) => r.wasRead(id)));

/** Whether it is known how the axle is held. */
export const holds = node('holds', (r): readonly Check[] => {
  const { held, lacks, wants } = r.of(holding);
  const way = r.choice('suspension');
  if (held || way === 'independent' || !begun(r)) return [];
  const said = wants.length ? `It still wants ${wants.join('; ')}.` : '';
  return [
    unknownCheck({
      id: 'motion.held',
      stage: STAGE,
      unknown: 'How the axle moves: not known',
      reason: `Until everything that holds it is placed, nothing of its motion can be told. ${said}`.trim(),
      at: lacks.find((id) => id !== 'arm.list') ?? AT,
      lacks,
    }),
  ];
});

/** Names of the constraints in the order of a pose’s errors. */
function namesOf({ held, axle }: Stand): readonly string[] {
  const leaf = axle.pitch ? ['left spring', 'right spring'] : [];
  const links = held.members.filter(({ kind }) => kind !== 'ladder' && kind !== 'torqueArm');
  const pivots = held.members.filter(({ kind }) => kind === 'ladder' || kind === 'torqueArm');
  return [
    ...leaf,
    ...links.map(({ name }) => name),
    ...(axle.pitch ? ['springs sideways'] : []),
    ...pivots.flatMap(({ name, kind }) => (kind === 'ladder' ? [name, name] : [name])),
    ...(axle.watt ? ['top bar of the crank', 'lower bar of the crank'] : []),
    ...(axle.pitch ? ['springs’ turn'] : []),
  ];
}

/** The link that lacks most in a pose. */
function worstLink(stand: Stand, { errors }: AxlePose): string {
  const at = errors.reduce((best, e, i) => (Math.abs(e) > Math.abs(errors[best] ?? 0) ? i : best), 0);
  return namesOf(stand)[at] ?? '';
}

const PLACES = [
  ['ride', 'at ride height'],
  ['bump', 'at full bump'],
  ['droop', 'at full droop'],
  ['roll', 'in full roll'],
  ['rollBack', 'in full roll'],
  ['bumpRoll', 'at full bump in roll'],
  ['bumpBack', 'at full bump in roll'],
  ['droopRoll', 'at full droop in roll'],
  ['droopBack', 'at full droop in roll'],
] as const;

/** Whether every place of the travel can be reached, and nothing leaves the axle free. */
export const reaches = node('reaches', (r): readonly Check[] => {
  const stands = r.of(standing);
  if (!stands) return [];
  const { stand } = stands;
  const { bump, droop, roll } = reachOf(stand.held, stand.values);
  const asked = {
    ride: [0, 0],
    bump: [bump, 0],
    droop: [-droop, 0],
    roll: [0, roll],
    rollBack: [0, -roll],
    bumpRoll: [bump, roll],
    bumpBack: [bump, -roll],
    droopRoll: [-droop, roll],
    droopBack: [-droop, -roll],
  } as const;
  for (const [key, words] of PLACES) {
    const [z, angle] = asked[key];
    if (Number.isNaN(z) || Number.isNaN(angle)) continue;
    const pose = axlePose(stand.axle, { z, roll: angle });
    if (pose.status === 'loose') return [free(words)];
    if (pose.status === 'outOfReach') return [beyond(stand, pose, words)];
    if (pose.status === 'twoWays') return [twoWays(words)];
    if (pose.firmness < BARELY) return [barely(words)];
  }
  return [];
});

const free = (words: string): Check => ({
  id: 'motion.free',
  stage: STAGE,
  level: 'stop',
  title: 'Nothing holds the axle in one of its ways',
  reason: `The links leave it free to move by itself ${words}: fore and aft, sideways, or to turn.`,
  todo: 'Add a lateral bar or crank, draw the upper links together, or place a link so that it holds what is free.',
  at: AT,
});

/** Held less firmly than this, against what is held most, it is all but free: links some five degrees off straight. */
const BARELY = 2e-3;

const barely = (words: string): Check => ({
  id: 'motion.barely',
  stage: STAGE,
  level: 'caution',
  title: 'The axle is hardly held in one of its ways',
  reason: `What should hold it sideways, or against turning, lies all but square to that way ${words}: small gaps in rod ends become large ones at the wheel.`,
  todo: 'Add a lateral bar or crank, or draw the upper links farther together.',
  at: AT,
});

const beyond = (stand: Stand, pose: AxlePose, words: string): Check => ({
  id: 'motion.reach',
  stage: STAGE,
  level: 'stop',
  title: `The links do not reach ${words}`,
  reason: `${worstLink(stand, pose)} would have to be longer or shorter by ${sized(
    Math.max(...pose.errors.map(Math.abs)),
  )}: no bushing gives that.`,
  todo: 'Read its two ends again, take less travel, or move an end.',
  at: AT,
});

const twoWays = (words: string): Check => ({
  id: 'motion.twoWays',
  stage: STAGE,
  level: 'stop',
  title: `The links can hold the axle in two places ${words}`,
  reason:
    'On the way there a link goes over its dead point: which of both places the axle takes is not told by its links.',
  todo: 'Take less travel, or move an end so that no link comes into line with what it holds.',
  at: AT,
});

const abs = (figure: Maybe): number => Math.abs(figure?.value ?? 0);
const worse = (a: Maybe, b: Maybe): Maybe => (abs(a) >= abs(b) ? a : b);

const TRAVEL = ['spring.bump', 'spring.droop'] as const;
const lacking = (r: Reads, ids: readonly PlaceId[]): readonly PlaceId[] =>
  ids.filter((id) => r.figure(id as 'spring.bump') === undefined);

/** One figure of the whole travel; unknown while half of it is not known. */
function judged(
  r: Reads,
  figure: Maybe,
  known: boolean,
  said: Pick<Parameters<typeof judge>[0], 'id' | 'holds' | 'fails' | 'reason' | 'todo' | 'unknown'>,
  limit: CheckLimit,
  needs: readonly PlaceId[] = TRAVEL,
): Check {
  return judge({
    stage: STAGE,
    figure: known ? figure : undefined,
    way: 'within',
    limit,
    at: AT,
    lacks: lacking(r, needs),
    ...said,
  });
}

/** Bind, pinion, sideways and steer over the travel. */
export const travels = node('travels', (r): readonly Check[] => {
  if (!r.of(standing)) return [];
  const told = r.of(study);
  const both = (a: Maybe, b: Maybe) => a !== undefined && b !== undefined;
  return [
    judged(
      r,
      told['bind.most'],
      told['bind.most'] !== undefined,
      {
        id: 'motion.bind',
        holds: 'Links do not bind in the travel',
        fails: 'Links bind in the travel',
        unknown: 'Whether links bind: not known',
        reason:
          'Where links cannot all keep their lengths, bushings and brackets give: they add roll stiffness nobody set, and tear.',
        todo: 'Other holes, longer links, or soft bushings in one end; see which hole binds least.',
      },
      r.limit('motion.bind'),
      [...TRAVEL, 'stance.lean'],
    ),
    judged(
      r,
      worse(told['pinion.bump'], told['pinion.droop']),
      both(told['pinion.bump'], told['pinion.droop']),
      {
        id: 'motion.pinion',
        holds: 'Pinion keeps its slope over the travel',
        fails: 'Pinion turns more than is wanted over the travel',
        unknown: 'How far the pinion turns: not known',
        reason: 'A pinion that turns as the axle moves takes its joints out of what was set at ride height.',
        todo: 'Longer upper links, links nearer to parallel, or another hole.',
      },
      r.limit('motion.pinion'),
    ),
    judged(
      r,
      worse(told['y.bump'], told['y.droop']),
      both(told['y.bump'], told['y.droop']),
      {
        id: 'motion.sideways',
        holds: 'Axle stays in the middle over the travel',
        fails: 'Axle goes sideways over the travel',
        unknown: 'How far the axle goes sideways: not known',
        reason: 'What takes the axle sideways takes its tyres to the body, and the car off its line.',
        todo: 'A longer lateral bar, level at ride height; or a crank.',
      },
      r.limit('motion.sideways'),
    ),
    judged(
      r,
      told.rollSteer,
      told.rollSteer !== undefined,
      {
        id: 'motion.rollSteer',
        holds: 'Axle steers little in roll',
        fails: 'Axle steers as the car rolls',
        unknown: 'Axle’s steer in roll: not known',
        reason: 'An axle that steers as the body rolls turns the car by itself.',
        todo: 'Lower links nearer to level, or bars of one length.',
      },
      r.limit('motion.rollSteer'),
      [],
    ),
  ];
});

/** Rod ends and their bolts. */
export const rodEnds = node('rodEnds', (r): readonly Check[] =>
  r.of(arms).flatMap(({ member, skew }): Check[] => {
    if (member.kind === 'ladder' || member.kind === 'torqueArm') return [];
    return [
      judged(
        r,
        skew,
        skew !== undefined,
        {
          id: `${memberId(member)}.rodEnd`,
          holds: `${member.name}: rod ends have room`,
          fails: `${member.name}: rod ends are pulled out of square`,
          unknown: `${member.name}: how far its rod ends turn is not known`,
          reason: 'A rod end that is pulled further than its ball turns breaks at the shank.',
          todo: 'Rod ends with more angle, spacers beside the ball, or bolts that follow the link.',
        },
        r.limit('motion.rodEnd'),
        [...TRAVEL, 'stance.lean'],
      ),
    ];
  }),
);

/** Both links of a pair that brackets hold: each is looked at where its own bracket stands. */
export const pairs = node('pairs', (r): readonly Check[] => {
  const all = r.of(arms);
  const brackets = r.part('brackets');
  return Object.entries(r.part('arms')).flatMap(([key, arm]): Check[] => {
    if (arm.side !== 'pair' || arm.bracket === undefined) return [];
    const said = { id: `arm.${key}.pair`, stage: STAGE, at: AT };
    if (rightBracket(brackets, arm) === undefined)
      return [
        unknownCheck({
          ...said,
          unknown: `${arm.name}: which bracket holds the right one is not said`,
          reason:
            'It is reckoned as the left one’s mirror image. Where its bracket stands otherwise, its length is another.',
        }),
      ];
    const ends = [
      ...all.map(({ member, length }) => ({ member, length })),
      ...r.of(sprung).map(({ member, ride }) => ({ member, length: ride })),
    ];
    const of = (side: 'left' | 'right') =>
      ends.find(({ member }) => member.key === key && member.side === side)?.length;
    const [l, right] = [of('left'), of('right')];
    const off =
      l &&
      right &&
      derive({
        id: `arm.${key}.pairOff`,
        label: `${arm.name}: left less right, eye to eye`,
        unit: 'mm',
        formula: '{l} − {r}',
        source: 'Each by where its own bracket stands',
        inputs: { l, r: right },
      });
    return [
      judge({
        ...said,
        figure: off,
        way: 'within',
        limit: r.limit('link.pair'),
        beyond: 'stop',
        holds: `${arm.name}: both brackets take links alike`,
        fails: `${arm.name}: both brackets do not take links alike`,
        unknown: `${arm.name}: whether both brackets take links alike is not known`,
        reason: `Each is looked at where its own bracket stands${off ? `: they differ by ${sized(Math.abs(off.value))}` : ''}. Alike links in brackets that differ turn the axle.`,
        todo: 'Set the bracket that is wrong again, or list both links, each with its own length.',
        lacks: ['bracket.list'],
      }),
    ];
  });
});

/** A lateral bar that only Stance knows of: what the links do is not all that moves the axle. */
export const barListed = node('barListed', (r): readonly Check[] =>
  r.of(standing) && barLeftOut(r)
    ? [
        {
          id: 'motion.bar',
          stage: STAGE,
          level: 'caution',
          title: 'The lateral bar is not among what holds the axle',
          reason:
            'Its length and rise were read for the stance, whose estimate stays; the motion leaves it out until its ends are listed.',
          todo: 'List the bar with both its ends, or empty its length and rise where the axle has none.',
          at: AT,
        },
      ]
    : [],
);

/** Places that cannot be: under the ground, or on the other side. */
export const placed = node('placed', (r): readonly Check[] =>
  Object.entries(r.part('arms')).flatMap(([key, arm]): Check[] => {
    const low = Math.min(arm.cz, arm.az ?? Infinity);
    const mixed =
      (arm.side === 'left' && (arm.cy < 0 || (arm.ay ?? 0) < 0)) ||
      (arm.side === 'right' && (arm.cy > 0 || (arm.ay ?? 0) > 0));
    const base = { stage: STAGE, at: AT };
    return [
      ...(low <= 0
        ? [
            {
              ...base,
              id: `arm.${key}.floor`,
              level: 'stop' as const,
              title: `${arm.name} goes through the ground`,
              reason: `Its lower end stands ${sized(low)} above the ground.`,
              todo: 'Read its height again: from the ground up, car at ride height.',
            },
          ]
        : []),
      ...(mixed
        ? [
            {
              ...base,
              id: `arm.${key}.side`,
              level: 'caution' as const,
              title: `${arm.name} is said to be on the ${arm.side} and lies on the other side`,
              reason: 'Left of the centreline is plus, right of it minus.',
              todo: 'Turn the sign of its places, or say the other side.',
            },
          ]
        : []),
    ];
  }),
);

import { judge, THING_KINDS, unknownCheck, type Check, type PlaceId } from '../../../stage';
import { SIDES, sideName } from '../../../geometry';
import { sprung, memberId } from '../figures/arms';
import { rooms, bodies } from '../figures/rooms';
import { shackle, shackleLacks } from '../figures/shackle';
import { springs, dampers } from '../figures/springs';
import { takenSpring } from '../figures/stock-springs';
import { standing } from '../figures/study';
import { tyreRooms } from '../figures/tyre-rooms';
import { node, type Reads } from '../node';
import { AT } from './moves';

const STAGE = 'motion' as const;
const missing = (r: Reads, ids: readonly PlaceId[]): readonly PlaceId[] =>
  ids.filter((id) => r.figure(id as 'coil.rate') === undefined);
/** What the whole travel rests on. */
const TRAVEL = ['spring.bump', 'spring.droop', 'stance.lean'] as const;
/** What all of a spring’s lengths rest on. */
const OF_SPRING = ['coil.rate', 'coil.free', 'brief.rear', 'motion.unsprung'] as const;

/** Springs at both ends of the travel. */
export const springEnds = node('springEnds', (r): readonly Check[] =>
  r.of(springs).flatMap(({ of, seat, left, loose }) => {
    const id = memberId(of.member);
    const { name } = of.member;
    const base = { stage: STAGE, way: 'atLeast' as const, stop: 0 };
    return [
      judge({
        ...base,
        id: `${id}.solid`,
        at: 'coil.rate',
        lacks: missing(r, [...OF_SPRING, 'coil.solid', ...TRAVEL]),
        figure: left,
        limit: r.limit('coil.left'),
        holds: `${name}: spring is not solid in the travel`,
        fails: (level) =>
          level === 'stop'
            ? `${name}: spring is solid within the travel`
            : `${name}: spring is nearly solid within the travel`,
        unknown: `${name}: whether its spring goes solid is not known`,
        reason: 'A spring that is solid stops the axle like a hammer, and breaks what holds it.',
        todo: 'A longer spring of fewer coils, a bump stop that comes first, or less travel.',
      }),
      judge({
        id: `${id}.loose`,
        stage: STAGE,
        way: 'atLeast',
        at: 'coil.rate',
        lacks: missing(r, [...OF_SPRING, ...TRAVEL]),
        figure: loose,
        limit: 0,
        holds: `${name}: spring stays pressed in the travel`,
        fails: `${name}: spring hangs loose within the travel`,
        unknown: `${name}: whether its spring hangs loose is not known`,
        reason: 'A loose spring falls out of its seat, and knocks as it comes back.',
        todo: 'A longer free length, a helper spring, a strap, or a retainer at its seat.',
      }),
      judge({
        ...base,
        id: `${id}.seat`,
        at: 'coil.free',
        lacks: missing(r, OF_SPRING),
        figure: seat,
        limit: 0,
        holds: `${name}: there is room for its spring at ride height`,
        fails: () => `${name}: its spring is longer than there is room at ride height`,
        unknown: `${name}: whether there is room for its spring is not known`,
        reason: 'At ride height it would reach past both its ends: the car would stand higher than is wanted.',
        todo: 'A shorter or softer spring, mounts farther apart, or another ride height.',
      }),
    ];
  }),
);

/** The spring that was taken from the counter: it goes over its damper, and is as its list says. */
export const springTaken = node('springTaken', (r): readonly Check[] => {
  const taken = r.of(takenSpring);
  if (!taken) return [];
  const { offer, room, off, offLong } = taken;
  return [
    judge({
      id: 'coil.over',
      stage: STAGE,
      figure: room,
      way: 'atLeast',
      limit: r.limit('coil.over'),
      stop: 0,
      holds: `Spring ${offer.number} goes over its damper`,
      fails: (level) =>
        level === 'stop'
          ? `Spring ${offer.number} does not go over its damper`
          : `Spring ${offer.number} hardly goes over its damper`,
      unknown: `Whether spring ${offer.number} goes over its damper is not known`,
      reason: 'A spring that rubs on the body of its damper wears through it, and breaks where it is worn.',
      todo: 'A spring that is wider inside, or a narrower sleeve.',
      at: 'coil.over',
      lacks: missing(r, ['coil.over']),
    }),
    judge({
      id: 'coil.wide',
      stage: STAGE,
      figure: room,
      way: 'atMost',
      limit: r.limit('coil.wide'),
      holds: `Spring ${offer.number} sits on its seats`,
      fails: () => `Spring ${offer.number} is wide on its seats`,
      unknown: `Whether spring ${offer.number} sits on its seats is not known`,
      reason: 'A spring that wanders on its seats stands askew, and wears them.',
      todo: 'A spring that is narrower inside, or rings on the seats that hold it.',
      at: 'coil.over',
      lacks: missing(r, ['coil.over']),
    }),
    ...(
      [
        { id: 'coil.list', figure: off, what: 'rate', on: ['coil.rate'] },
        { id: 'coil.listLong', figure: offLong, what: 'lengths', on: ['coil.free', 'coil.solid'] },
      ] as const
    ).map(({ id, figure, what, on }) =>
      judge({
        id,
        stage: STAGE,
        figure,
        way: 'atMost',
        limit: r.limit(id),
        holds: `Spring ${offer.number}: its ${what} as its list says`,
        fails: () => `Spring ${offer.number}: its ${what} not as its list says`,
        unknown: `Spring ${offer.number}: whether its list is right about its ${what} is not known`,
        reason: 'Lengths, loads and frequency go by what stands here, not by what is on the list.',
        todo: 'Go by what was read of this one, or take another spring.',
        at: on[0],
        lacks: missing(r, on),
      }),
    ),
  ];
});

/** Dampers at both ends of the travel. */
export const damperEnds = node('damperEnds', (r): readonly Check[] =>
  r.of(dampers).flatMap(({ of, toClosed, toOpen }) => {
    const id = memberId(of.member);
    const { name } = of.member;
    const row = (
      what: 'closed' | 'open',
      figure: typeof toClosed,
      words: {
        holds: string;
        near: string;
        stops: string;
        unknown: string;
        todo: string;
        needs: readonly PlaceId[];
      },
    ) =>
      judge({
        id: `${id}.${what}`,
        stage: STAGE,
        figure,
        way: 'atLeast',
        limit: r.limit('damper.left'),
        stop: 0,
        holds: `${name}: ${words.holds}`,
        fails: (level) => `${name}: ${level === 'stop' ? words.stops : words.near}`,
        unknown: `${name}: ${words.unknown}`,
        reason: 'A damper that ends before the travel does is a stop that its mounts were not made for.',
        todo: words.todo,
        at: what === 'closed' ? 'damper.closed' : 'damper.open',
        lacks: missing(r, words.needs),
      });
    return [
      row('closed', toClosed, {
        holds: 'is not closed in the travel',
        near: 'is nearly closed within the travel',
        stops: 'is closed within the travel',
        unknown: 'whether it closes is not known',
        todo: 'A shorter damper, mounts farther apart, or a bump stop that comes first.',
        needs: ['damper.closed', ...TRAVEL],
      }),
      row('open', toOpen, {
        holds: 'is not drawn out in the travel',
        near: 'is nearly drawn out within the travel',
        stops: 'is drawn out within the travel',
        unknown: 'whether it is drawn out is not known',
        todo: 'A longer damper, mounts nearer, or straps that come first.',
        needs: ['damper.open', ...TRAVEL],
      }),
    ];
  }),
);

/** Room to what does not move. */
export const clears = node('clears', (r): readonly Check[] => {
  const stands = r.of(standing);
  const unseen = stands ? r.of(bodies).missing : [];
  const things = r.of(bodies).all.flatMap(({ thing }) => thing ?? []);
  const looked = THING_KINDS.map((kind) => ({
    kind,
    ids: things.filter((t) => t.kind === kind).map((t) => t.id),
  }));
  return r.of(rooms).map(({ id, obstacle, room, body }) => {
    const limit = r.limit('motion.clear');
    const own = obstacle.clear === undefined ? limit : { ...limit, value: obstacle.clear };
    const lacks = [...(stands ? missing(r, TRAVEL) : [AT]), ...unseen];
    const check = judge({
      id: `obstacle.${id}`,
      stage: STAGE,
      // What was not looked at may be nearer.
      figure: unseen.length && room && room.value >= own.value ? undefined : room,
      way: 'atLeast',
      limit: own,
      stop: 0,
      holds: `${obstacle.name}: clear all through the travel`,
      fails: (level) => `${obstacle.name}: ${level === 'stop' ? 'met' : 'too near'} by the ${body}`,
      unknown: `${obstacle.name}: whether it is met is not known`,
      reason:
        'Tubes, casting, cover, pinion, driveshaft, brakes, wheels, brackets, what is left of the donor, links, bars, springs and dampers, at every height with roll either way. What touches is bent, cut through or torn off. A fitting without a height, and what is left of the donor, counts as {30 mm} high.',
      todo: 'Move the link or the thing, take less travel, or notch and plate what is in the way.',
      at: 'obstacle.list',
      lacks,
      looked,
    });
    return check;
  });
});

/** All that stands on the axle or moves with it, against each tyre. */
export const tyresClear = node('tyresClear', (r): readonly Check[] => {
  const stands = r.of(standing);
  if (!stands && ![r.part('arms'), r.part('brackets')].some((part) => Object.keys(part).length > 0)) return [];
  const { all } = r.of(bodies);
  const things = all.flatMap(({ thing }) => thing ?? []);
  const looked = (['arm', 'bracket', 'crank'] as const).map((kind) => ({
    kind,
    ids: things.filter((t) => t.kind === kind).map((t) => t.id),
  }));
  return SIDES.map((side) => {
    const { room, body, lacks } = r.of(tyreRooms)[side];
    const limit = r.limit('motion.clear');
    const unseen = stands ? lacks : [AT, ...lacks];
    return judge({
      id: `motion.tyre.${side}`,
      stage: STAGE,
      // What was not looked at may be nearer.
      figure: unseen.length && room && room.value >= limit.value ? undefined : room,
      way: 'atLeast',
      limit,
      stop: 0,
      holds: `${sideName(side)} tyre: clear of all that moves beside it`,
      fails: (level) => `${sideName(side)} tyre: ${level === 'stop' ? 'met' : 'too near'} by the ${body}`,
      unknown: `${sideName(side)} tyre: what moves beside it is not known`,
      reason:
        'Brackets, links, bars, springs, dampers, at every height with roll either way. A tyre that rubs on a link is cut through in minutes.',
      todo: 'Move the link or bracket inboard, or take a wheel with less offset inboard.',
      at: 'arm.list',
      lacks: [...unseen, ...(stands ? missing(r, TRAVEL) : [])],
      looked,
    });
  });
});

/** Shackles of leaf springs over the travel: neither folded against the spring nor pulled straight. */
export const shackles = node('shackles', (r): readonly Check[] =>
  r.of(shackle).flatMap(({ end, angle }) => {
    const base = {
      stage: STAGE,
      figure: angle,
      unknown: `Shackle ${ENDS[end]}: how it stands is not known`,
      at: 'leaf.shackle' as const,
      lacks: r.of(shackleLacks),
    };
    return [
      judge({
        ...base,
        id: `leaf.shackleLeast.${end}`,
        way: 'atLeast',
        limit: r.limit('leaf.shackleLeast'),
        stop: { ...r.limit('leaf.shackleLeast'), value: 0.2 },
        holds: `Shackle ${ENDS[end]} stands off its spring`,
        fails: `Shackle ${ENDS[end]} folds against its spring`,
        reason: 'A shackle that lies along its spring locks it, or turns over.',
        todo: 'A longer shackle, its pivot farther back, or less travel.',
      }),
      judge({
        ...base,
        id: `leaf.shackleMost.${end}`,
        way: 'atMost',
        limit: r.limit('leaf.shackleMost'),
        stop: { ...r.limit('leaf.shackleMost'), value: 3 },
        holds: `Shackle ${ENDS[end]} is not pulled straight`,
        fails: `Shackle ${ENDS[end]} is pulled straight`,
        reason: 'A shackle in line with its spring has no more to give: the spring pulls at its eyes.',
        todo: 'A longer shackle, its pivot farther forward, or less travel.',
      }),
    ];
  }),
);
const ENDS = { ride: 'at ride height', bump: 'at full bump', droop: 'at full droop' } as const;

/** A layout with no springs carries nothing. */
export const carried = node('carried', (r): readonly Check[] => {
  const way = r.choice('suspension');
  if (!r.of(standing) || way === 'leaf' || r.of(sprung).some(({ member }) => member.kind !== 'damper'))
    return [];
  return [
    unknownCheck({
      id: 'motion.springs',
      stage: STAGE,
      unknown: 'What carries the car: not known',
      reason: 'Without its springs neither their lengths nor the loads of the links can be told.',
      at: AT,
      lacks: [AT],
    }),
  ];
});

import { sized } from '../../../measure';
import { judge, type Check } from '../../../stage';
import { FITTING_SIZES, FITTINGS, upper } from '../names';
import { overOld } from '../figures/donor-things';
import { freePlaces } from '../figures/fittings';
import type { PlacedBracket } from '../figures/places';
import { isCover, meetings, type Meeting } from '../figures/tube-map';
import { node, type Reads } from '../node';

const STAGE = 'brackets' as const;
const AT = 'bracket.list' as const;

const hidden = (a: PlacedBracket, b: PlacedBracket): PlacedBracket | undefined =>
  isCover(a) && !isCover(b) && isUnder(b) ? b : isCover(b) && !isCover(a) && isUnder(a) ? a : undefined;
/** What lies on the skin and may be under something higher. */
const isUnder = ({ item }: PlacedBracket): boolean =>
  FITTINGS.includes(item.kind) || item.kind === 'clip' || item.kind === 'hoseTab';

function meeting(r: Reads, { a, b, side, gap }: Meeting): Check {
  const [p, q] = [a.placed, b.placed];
  const under = hidden(p, q);
  const cover = under === p ? q : p;
  if (under && gap.value < 0) {
    const needed = FITTINGS.includes(under.item.kind);
    return {
      id: `bracket.${p.id}.${q.id}.${side}`,
      stage: STAGE,
      level: needed ? 'stop' : 'caution',
      title: `${upper(under.item.name)} is covered by ${cover.item.name}`,
      figure: { value: gap.value, unit: 'mm', figureId: gap.id },
      reason: needed
        ? 'What cannot be reached cannot be filled, drained or vented: an axle without a breather blows its seals.'
        : 'What lies under it cannot be reached once it is welded.',
      todo: needed ? moveTo(r, under) : 'Move it out from under, before the weld.',
      at: AT,
    };
  }
  return judge({
    id: `bracket.${p.id}.${q.id}.${side}`,
    stage: STAGE,
    figure: gap,
    way: 'atLeast',
    limit: r.limit('bracket.margin'),
    stop: 0,
    holds: `${upper(p.item.name)} is clear of ${q.item.name}`,
    fails: (level) =>
      level === 'stop'
        ? `${upper(p.item.name)} lies on ${q.item.name}`
        : `${upper(p.item.name)} is too near ${q.item.name} to be welded`,
    unknown: '',
    reason: 'A weld wants room for the torch and for its own foot; welds that run into each other crack.',
    todo: 'Move one of them along the tube or round it.',
    at: AT,
  });
}

/** What the new hole is drilled and tapped with, by the thread that was chosen. */
function tapped(r: Reads): string {
  const thread = r.choice('fittingThread');
  if (thread === 'unsaid') return '; choose its thread for drill and tap';
  const { name, drill } = FITTING_SIZES[thread];
  return `, drill ${sized(drill)} and tap ${name}; the plug has the same thread`;
}

/** Where a fitting that is covered may go instead. */
function moveTo(r: Reads, p: PlacedBracket): string {
  const free = r.of(freePlaces)[p.id];
  if (!free) return 'Move it: no free place was found on its tube near the top; look at the map.';
  return `Move it: free ${sized(free.fromCasting)} outboard of the ${free.side} casting face, ${sized(free.clock, 'rad')} from the top. Plug the old hole${tapped(r)}.`;
}

/** What lies on or too near another. */
export const meets = node('meets', (r): readonly Check[] => r.of(meetings).map((m) => meeting(r, m)));

/** What of the donor’s is in the way of a new weld. */
export const onOld = node('onOld', (r): readonly Check[] =>
  r.of(overOld).map(({ patch, thing, gap }): Check => {
    const { item, id } = patch.placed;
    const done = item.made !== undefined;
    return {
      id: `bracket.${id}.old.${thing.id}`,
      stage: STAGE,
      level: 'caution',
      title: done
        ? `${upper(item.name)} is ${item.made?.by} where ${thing.name} of the donor was`
        : `${upper(item.name)} goes where ${thing.name} of the donor is`,
      figure: { value: gap.value, unit: 'mm', figureId: gap.id },
      reason:
        'Only its place along the tube is listed: whether they meet round the tube is seen on the axle. A new weld over an old one cracks.',
      todo: done
        ? 'Look whether the old one was taken off and its weld dressed first, and accept it with what you saw.'
        : 'Take the old one off and dress its weld flush first, or look that they do not meet.',
      at: AT,
    };
  }),
);

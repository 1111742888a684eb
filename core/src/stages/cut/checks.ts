import { bySide, sideName, SIDES, type Side } from '../../geometry';
import { derive, sizedAlong } from '../../measure';
import { isOpen, judge, type Check } from '../../stage';
import { cutChecks } from './cut-checks';
import { ends } from './figures/ends';
import { marks } from './figures/marks';
import { school } from './figures/schools';
import { learned, perch, seats, square, stand } from './figures/stand';
import { windows } from './figures/windows';
import { float, tubes } from './figures/tubes';
import { markMove } from './mark-move';
import { node, type Reads } from './node';
import { toolChecks } from './tool-checks';
import { tubeChecks } from './tube-checks';

export const tools = node('tools', (r) =>
  toolChecks({
    brief: { tools: r.field('brief', 'tools'), skills: r.field('brief', 'skills') },
    choices: {
      method: r.choice('method'),
      retention: r.choice('retention'),
      retentionTo: r.choice('retentionTo'),
      shaftRoute: r.choice('shaftRoute'),
    },
    school: r.of(school),
  }),
);

export const cuts = node('cuts', (r) => [
  ...cutChecks(
    {
      plan: r.of(school),
      marks: r.of(marks),
      square: r.of(square),
      method: r.choice('method'),
      targetWidth: r.figure('brief.targetWidth'),
      tube: bySide((side) => r.figure(`donor.tube.${side}`)),
      ends: r.of(ends),
      stand: r.of(stand),
      learned: r.of(learned),
      perch: r.of(perch),
      faces: r.figure,
    },
    r.limit,
  ).map((check) => withOffer(r, check)),
  ...SIDES.flatMap((side) => seatCheck(r, side)),
]);

export const tubeWork = node('tubeWork', (r) =>
  tubeChecks(
    {
      method: r.choice('method'),
      to: r.choice('retentionTo'),
      tubes: r.of(tubes),
      float: r.of(float),
      marks: r.of(marks),
      items: r.part('tubeItems'),
      shortened: bySide((side) => r.of(school)?.work[side] === 'shorten'),
    },
    r.limit,
  ).map((check) => withOffer(r, check)),
);

/** A weld that a new spring seat would stand over, or beside. */
function seatCheck(r: Reads, side: Side): Check[] {
  const [found, seat] = [r.of(marks).marks[side], r.of(seats)[side]];
  if (!found || r.of(school)?.work[side] !== 'shorten') return [];
  // On leaf springs there will be a seat: where, is a question until it is read. Others may have none.
  if (!seat && r.fact('car.spring')?.value !== 'leaf') return [];
  const check = judge({
    id: `cut.seat.${side}`,
    stage: 'cut',
    lacks: (['spring.spacing', 'spring.width', `donor.casting.${side}`] as const).filter((id) => !r.figure(id)),
    figure:
      seat &&
      derive({
        id: `cut.seat.${side}`,
        label: `Weld to the new spring seat, ${side}`,
        unit: 'mm',
        formula: 'max({a} − {x}, {x} − {b})',
        source: 'From the nearer edge of the seat to the weld; minus where it stands over the weld',
        inputs: { x: found.inner.fromCasting, a: seat.from, b: seat.to },
      }),
    way: 'atLeast',
    limit: r.limit('cut.fromBracket'),
    holds: `${sideName(side)} weld is clear of the new spring seat`,
    fails: `${sideName(side)} weld is too near the new spring seat`,
    unknown: `${sideName(side)} weld’s distance from the new spring seat: not known`,
    todo: 'Move the mark, so that the seat is welded to whole tube.',
    reason: 'A seat over a butt weld hides it, heats it again and loads it where it is weakest.',
    at: `cut.mark.${side}`,
  });
  return [withOffer(r, check)];
}

/** Checks that another place of the mark would mend. */
const MENDED = /^cut\.(?:fromCasting|fromHousingEnd|item|seat)\./;

/** With the nearest free place of the mark, where that mends it. */
function withOffer(r: Reads, check: Check): Check {
  if (!isOpen(check) || !MENDED.test(check.id)) return check;
  const side = SIDES.find((s) => check.at?.endsWith(`.${s}`));
  const [found, nearest] = side ? [r.of(marks).marks[side], r.of(windows)[side]?.nearest] : [];
  if (!side || !found || !nearest) return check;
  const move = markMove(found, r.choice('method'), side, nearest.value);
  const what = r.choice('method') === 'slug' ? 'the first mark to' : 'the cut, the end piece is then';
  return {
    ...check,
    offer: { ...move, figureId: nearest.id, text: `Move ${what} ${sizedAlong(move.value)}` },
  };
}

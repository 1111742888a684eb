import { SIDES, sideName } from '../../../geometry';
import { sized } from '../../../measure';
import { wrapped } from '../../../mechanics';
import { compared, judge, unknownCheck, type Check, unless } from '../../../stage';
import { upper } from '../names';
import { places, type PlacedBracket } from '../figures/places';
import { archLeft, clamps, cornerRoom, flip, perchOff, pinPlay, plateOff } from '../figures/perches';
import { node, type Reads } from '../node';

const STAGE = 'brackets' as const;
/** A hole goes over what slides into it by this much, a sleeve’s bore by less, mm: a hand’s push, no rattle. */
const SLIDES = 0.3;
const SLEEVED = 0.2;

/** What turning the springs round does. */
export const flips = node('flips', (r): readonly Check[] => {
  const f = r.of(flip);
  if (!f) return [];
  return [
    judge({
      id: 'perch.flip',
      stage: STAGE,
      figure: f.bumpLeft,
      way: 'atLeast',
      limit: r.limit('perch.bumpLeft'),
      stop: 0,
      holds: 'Bump travel is left after the flip',
      fails: (level) =>
        level === 'stop'
          ? 'The axle stands on its bump stops after the flip'
          : 'Little bump travel is left after the flip',
      unknown: 'Bump travel that is left after the flip: not known',
      reason: 'The axle comes nearer the car by what the car comes down.',
      todo: 'Notch the frame, shorten the stops, or take a flatter drop.',
      at: 'perch.stopGap',
      lacks: f.lacks,
    }),
  ];
});

/** Where a wedge is thick: where the perch falls away from the spring, which is above it or below. */
const thickEnd = (r: Reads, off: number): string =>
  off > 0 === (r.choice('springsWanted') === 'over') ? 'rearward' : 'forward';

/** Clock angle at which a spring lies on its tube. */
const springAt = (r: Reads): number => (r.choice('springsWanted') === 'over' ? 0 : Math.PI);

/** Its face looks away from the spring: the gauge, which knows only how steep a face is, shows nothing of that. */
const isTurnedAway = (r: Reads, { clock }: PlacedBracket): boolean =>
  clock !== undefined && Math.abs(wrapped(clock.value - springAt(r))) > Math.PI / 2;

const turnedAway = (r: Reads, { id, item, clock }: PlacedBracket): Check => ({
  id: `bracket.${id}.perch`,
  stage: STAGE,
  level: 'stop',
  title: `${upper(item.name)} stands on the other side of its tube from its spring`,
  ...(clock ? { figure: compared(clock) } : {}),
  reason: `The springs lie ${r.choice('springsWanted') === 'over' ? 'on top of' : 'under'} the axle. A gauge on its face shows the same on either side.`,
  todo: 'Turn it half round the tube, or say under Perches that the springs lie on the other side.',
  at: 'bracket.list',
});

/** Do perches lie as the pinion wants? */
export const perchAngles = node('perchAngles', (r): readonly Check[] =>
  r.of(places).flatMap((p): Check[] => {
    if (p.item.kind !== 'perch') return [];
    const figure = r.of(perchOff)[p.id];
    if (figure && isTurnedAway(r, p)) return [turnedAway(r, p)];
    return [
      judge({
        id: `bracket.${p.id}.perch`,
        stage: STAGE,
        figure,
        way: 'within',
        limit: r.limit('bracket.perch'),
        holds: `${p.item.name} lies as the pinion wants`,
        fails: `${p.item.name} is turned off what the pinion wants`,
        unknown: `Whether ${p.item.name} lies as the pinion wants: not known`,
        reason: 'The spring sits flat on its perch: what the perch is turned by, the pinion is turned by.',
        todo: figure
          ? `Turn the perch, or where it is welded already lay a wedge of ${sized(Math.abs(figure.value), 'rad')} between perch and spring, its thick end ${thickEnd(r, figure.value)}.`
          : '',
        at: 'bracket.list',
        lacks: (
          [`angle.perch.${p.side}`, 'drive.aim', 'donor.angle.flat', 'donor.angle.pinion'] as const
        ).filter((id) => id === 'drive.aim' || r.figure(id) === undefined),
      }),
    ];
  }),
);

/** Does the centre bolt fit its perch? */
export const pins = node('pins', (r): readonly Check[] => {
  const [pin, hole] = [r.figure('perch.pin'), r.figure('perch.pinHole')];
  if (!pin && !hole) return [];
  const play = r.of(pinPlay);
  if (play && play.value < 0)
    return [
      judge({
        id: 'perch.pin',
        stage: STAGE,
        figure: play,
        way: 'atLeast',
        limit: 0,
        beyond: 'stop',
        holds: '',
        fails: 'Centre bolt’s head does not go into its perch',
        unknown: '',
        reason: 'The spring would ride on the head instead of on its seat, and U-bolts come loose.',
        todo: `Drill the perch to ${sized((pin?.value ?? 0) + SLIDES)}.`,
        at: 'perch.pinHole',
      }),
    ];
  return [
    judge({
      id: 'perch.pin',
      stage: STAGE,
      figure: play,
      way: 'atMost',
      limit: r.limit('perch.pinPlay'),
      holds: 'Centre bolt is located in its perch',
      fails: 'Centre bolt has play in its perch',
      unknown: 'Whether the centre bolt fits its perch: not known',
      reason: 'The head alone keeps the axle square; with play it shifts at the first hard launch.',
      todo: play
        ? `Sleeve the hole from ${sized(hole?.value ?? 0)} to ${sized((pin?.value ?? 0) + SLEEVED)}.`
        : '',
      at: 'perch.pinHole',
      lacks: [...unless(pin, 'perch.pin'), ...unless(hole, 'perch.pinHole')],
    }),
  ];
});

/** An axle that is moved in its plates takes its tyres along in their arches. */
export const archRoom = node('archRoom', (r): readonly Check[] => {
  const shift = r.figure('perch.shift');
  if (!shift || shift.value === 0) return [];
  return [
    judge({
      id: 'perch.arch',
      stage: STAGE,
      figure: r.of(archLeft),
      way: 'atLeast',
      limit: r.limit('perch.arch'),
      stop: 0,
      holds: 'Tyres keep clear of their arches, ahead and behind',
      fails: (level) => (level === 'stop' ? 'A tyre meets its arch' : 'A tyre comes near its arch'),
      unknown: 'Tyres in their arches, ahead and behind: not looked at',
      reason: `The plates put the axle ${sized(Math.abs(shift.value))} ${shift.value > 0 ? 'forward' : 'back'} of their middle hole, and its tyres with it.`,
      todo: 'The middle hole, or work on the arch.',
      at: 'perch.archAhead',
      lacks: (['perch.archAhead', 'perch.archBehind'] as const).filter((id) => !r.figure(id)),
    }),
  ];
});

/** Do U-bolts go round the tube and through the plate? */
export const uBolts = node('uBolts', (r): readonly Check[] => {
  const all = r.of(clamps);
  const checks: Check[] = SIDES.flatMap((side): Check[] => {
    const figure = r.of(plateOff)[side];
    if (!figure) return [];
    return [
      judge({
        id: `clamp.fit.${side}`,
        stage: STAGE,
        figure,
        way: 'within',
        limit: r.limit('clamp.fit'),
        beyond: 'stop',
        holds: `${sideName(side)} U-bolts go through their plate`,
        fails: `${sideName(side)} U-bolts do not go through their plate`,
        unknown: '',
        reason: 'A leg that is forced into its hole bends, loses its pull and breaks in the thread.',
        todo: 'Plates and U-bolts for this tube, or new holes in the plate.',
        at: 'clamp.legs',
      }),
    ];
  });
  const room = r.of(cornerRoom);
  if (room && room.value < 0)
    checks.push(
      judge({
        id: 'clamp.corner',
        stage: STAGE,
        figure: room,
        way: 'atLeast',
        limit: 0,
        beyond: 'stop',
        holds: '',
        fails: 'The U-bolt cannot be bent with this corner',
        unknown: '',
        reason: 'Below half of the bolt it cracks; above half of tube and bolt it is no corner.',
        todo: 'Read the corner’s radius along the middle of the bolt.',
        at: 'clamp.corner',
      }),
    );
  const perches = r.of(places).some((p) => p.item.kind === 'perch');
  if (perches && all.lacks.length)
    checks.push(
      unknownCheck({
        id: 'clamp.length',
        stage: STAGE,
        unknown: 'Length of the U-bolts: not known',
        reason: 'Tube, perch, pack, plate and nut give the length a U-bolt is ordered by.',
        at: all.lacks[0] ?? 'clamp.bolt',
        lacks: all.lacks,
      }),
    );
  return checks;
});

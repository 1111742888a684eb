import { sized, type Figure, type Maybe, expandedUncertainty } from '../../../measure';
import {
  inARow,
  judge,
  OPEN_NAMES,
  unknownCheck,
  unsettledUnder,
  type Check,
  type PlaceId,
  unless,
  judgeFact,
  UNSURE,
} from '../../../stage';
import { node, type Reads } from '../node';
import { atRest, driving, shaking } from '../figures/motion';
import { fastest, line } from '../figures/line';
import { runningSlope, setSlope, aimWay } from '../figures/slopes';
import { axleTravel } from '../figures/axle-travel';
import { overTravel, worstInBand } from '../figures/band';

const STAGE = 'driveline' as const;
const AT = 'drive.slope' as const;

/** What is missing for any of them. */
const missing = (r: Reads): readonly PlaceId[] => [
  ...new Set<PlaceId>([
    ...r.of(line).lacks,
    ...unless(r.of(fastest), 'drive.rpm'),
    ...unless(r.choice('aim') !== 'undecided', 'drive.aim'),
    ...unless(
      r.choice('aim') === 'undecided' || r.choice('aim') === 'parallel' || r.figure('drive.preset'),
      'drive.preset',
    ),
  ]),
];

/** What the joints do to pinion and shafts at the fastest. */
export const shakes = node('shakes', (r): readonly Check[] => {
  const { torsional, drive, coast } = r.of(shaking);
  const lacks = missing(r);
  const rows: Check[] = [
    judge({
      id: 'drive.torsional',
      stage: STAGE,
      figure: torsional,
      way: 'atMost',
      limit: r.limit('drive.torsional'),
      stop: r.limit('drive.torsionalMost'),
      holds: 'Pinion turns evenly at speed',
      fails: 'Driveline shakes the pinion at speed',
      unknown: 'Pinion’s torsional acceleration: not known',
      reason:
        'Joints that do not cancel each other turn the pinion unevenly, twice a turn: gears rattle, bearings wear.',
      todo: 'Set the pinion to the slope that is proposed, take the sideways kink out, or turn the shaft slower.',
      at: AT,
      lacks,
    }),
  ];
  [...drive, ...coast].forEach((figure, i) => {
    const driven = i < drive.length;
    const shaft = (driven ? i : i - drive.length) + 1;
    rows.push(
      judge({
        id: figure.id,
        stage: STAGE,
        figure,
        way: 'atMost',
        limit: r.limit('drive.inertia'),
        holds: `Driveshaft ${shaft} runs quietly, ${driven ? 'driving' : 'coasting'}`,
        fails: `Driveshaft ${shaft} shakes by its own weight, ${driven ? 'driving' : 'coasting'}`,
        unknown: '',
        reason:
          'However well the joints cancel each other at the pinion, the shaft between them is turned unevenly.',
        todo: 'Make the angles at both ends smaller, or turn the shaft slower.',
        at: AT,
      }),
    );
  });
  return rows;
});

/** Joint angles against what joints bear. */
export const bends = node('bends', (r): readonly Check[] => {
  const run = r.of(driving) ?? r.of(atRest);
  if (!run) return [];
  const even = r.choice('aim') === 'cv';
  return run.joints.flatMap((figure, i) => jointChecks(r, figure, i + 1, even && i === 0, even));
});

function jointChecks(r: Reads, figure: Figure, n: number, isEven: boolean, behindEven: boolean): Check[] {
  const base = { stage: STAGE, figure, at: AT, unknown: '' };
  const most = isEven ? r.limit('drive.evenMost') : r.limit('drive.mostJoint');
  const checks: Check[] = [
    judge({
      ...base,
      id: `drive.most${n}`,
      way: 'atMost',
      limit: most,
      beyond: 'stop',
      holds: `Joint ${n} bends no more than it bears`,
      fails: `Joint ${n} bends more than it bears`,
      reason: 'Beyond its steady angle a joint runs hot and fails; its maker’s figure stands above this one.',
      todo: 'Bring its two axes nearer each other.',
    }),
  ];
  if (isEven) return checks;
  if (behindEven)
    return [
      ...checks,
      judge({
        ...base,
        id: 'drive.evenPinion',
        way: 'atMost',
        limit: r.limit('drive.evenPinion'),
        holds: 'Pinion points along the shaft',
        fails: 'Pinion does not point along the shaft',
        reason: 'Behind an even joint nothing cancels what the pinion’s joint does.',
        todo: 'Turn the pinion toward the line of the shaft.',
      }),
    ];
  return [
    ...checks,
    judge({
      ...base,
      id: `drive.fast${n}`,
      way: 'atMost',
      limit: r.limit('drive.fastJoint'),
      holds: `Joint ${n} small enough for a fast shaft`,
      fails: `Joint ${n} large for a fast shaft`,
      reason: 'A shaft that turns at engine speed lasts and stays quiet below about 3°.',
      todo: 'Bring gearbox, shaft and pinion nearer one line.',
    }),
    judge({
      ...base,
      id: `drive.least${n}`,
      way: 'atLeast',
      limit: r.limit('drive.leastJoint'),
      holds: `Joint ${n} moves`,
      fails: `Joint ${n} hardly moves`,
      reason: 'Needles that never roll wear grooves into the cross.',
      todo: 'Give both ends the same small angle.',
    }),
  ];
}

/** Joint angles at both ends of the travel, once the suspension’s motion is known. */
export const bendsOver = node('bendsOver', (r): readonly Check[] => {
  const over = r.of(overTravel);
  const travel = r.of(axleTravel);
  const even = r.choice('aim') === 'cv';
  const joints = over[0]?.at.joints ?? r.of(atRest)?.joints ?? [];
  if (!travel) return [];
  return joints.map((_, i): Check => {
    const figure = over
      .map(({ at }) => at.joints[i])
      .reduce<Maybe>((most, joint) => (joint && (!most || joint.value > most.value) ? joint : most), undefined);
    const isEven = even && i === 0;
    return judge({
      id: `drive.over${i + 1}`,
      stage: STAGE,
      figure,
      way: 'atMost',
      limit: isEven ? r.limit('drive.evenMost') : r.limit('drive.mostJoint'),
      beyond: 'stop',
      holds: `Joint ${i + 1} bends no more than it bears over the travel`,
      fails: `Joint ${i + 1} bends more than it bears over the travel`,
      unknown: `Joint ${i + 1} over the travel: not known`,
      reason:
        'Where the links take the axle and turn its pinion, at every end of the travel, level and rolled.',
      todo: 'Less travel, links that turn the pinion less, or a joint for larger angles.',
      at: AT,
      lacks: [...travel.lacks, ...missing(r)],
    });
  });
});

/** Readings that cannot be a driveline. */
export const possible = node('possible', (r): readonly Check[] => {
  const { impossible } = r.of(line);
  if (!impossible) return [];
  return [
    {
      id: 'drive.possible',
      stage: STAGE,
      level: 'stop',
      title: 'The joints do not lie one behind the other',
      reason: impossible.why,
      todo: 'Measure again, each from the rear axle’s centre forward.',
      at: impossible.readings[0] ?? AT,
      contradicts: impossible.readings,
    },
  ];
});

/** Is the pinion where the chosen way wants it, and does that hold while it swings? */
export const aimed = node('aimed', (r): readonly Check[] => {
  const chosen = r.of(aimWay);
  if (!chosen)
    return [
      unknownCheck({
        id: 'drive.aim',
        stage: STAGE,
        unknown: 'How the pinion is aimed: not known',
        reason: 'Perch angle, bench card and driveshaft follow from it.',
        at: AT,
      }),
    ];
  return [...rangeCheck(r), ...bandCheck(r), ...longerThanCar(r)];
});

function rangeCheck(r: Reads): Check[] {
  const [chosen, set] = [r.of(aimWay), r.of(setSlope)];
  if (!chosen || !set || chosen.lacks.length) return [];
  const inside = chosen.allowed.some(([from, to]) => set.value >= from - 1e-9 && set.value <= to + 1e-9);
  const ranges = chosen.allowed.map(([from, to]) => `${sized(from, 'rad')} to ${sized(to, 'rad')}`);
  const none = ranges.length === 0;
  const edges = chosen.allowed.flat().map((edge) => Math.abs(set.value - edge));
  const unsure = Math.min(Infinity, ...edges) < expandedUncertainty(set);
  return [
    judgeFact({
      id: 'drive.range',
      stage: STAGE,
      rests: { [set.id]: set, 'drive.aim': chosen.way },
      fault: inside
        ? undefined
        : none
          ? {
              level: 'stop',
              title: 'No pinion slope keeps every limit',
              reason: 'The joint at the gearbox, the kink of the shafts or the speed leaves no room.',
              todo: 'Turn the gearbox’s mount, move the centre bearing, or lower the speed.',
            }
          : { level: 'caution', title: 'Pinion stands outside what is allowed', todo: 'Set it within that.' },
      figure: set,
      also: [chosen.way === 'parallel' ? undefined : r.figure('drive.preset')],
      holds: `Pinion stands within what is allowed${unsure ? `, but ${UNSURE}` : ''}`,
      unknown: '',
      reason: `Allowed at rest: ${ranges.join(', ')}.`,
      at: AT,
    }),
  ];
}

function bandCheck(r: Reads): Check[] {
  const worst = r.of(worstInBand);
  const travel = r.of(axleTravel);
  if (!worst && !travel) return [];
  return [
    judge({
      id: 'drive.band',
      stage: STAGE,
      figure: worst,
      way: 'atMost',
      limit: r.limit('drive.torsionalMost'),
      holds: 'Even enough while the pinion swings',
      fails: 'Shakes where the pinion swings to',
      unknown: 'How far the pinion swings: not known',
      reason: travel
        ? 'As far as its links turn the pinion, at every end of the travel; a swing that was typed does not count beside them.'
        : 'Bump, droop and wind-up turn the pinion up and down from where it is set.',
      todo: 'Hold the pinion better, or choose links that turn it less.',
      at: 'drive.band',
      lacks: travel?.lacks ?? [],
    }),
  ];
}

/** A gearbox that lies before the front wheels was measured wrongly. */
function longerThanCar(r: Reads): Check[] {
  const [along, base] = [r.figure('drive.along'), r.figure('brief.wheelbase')];
  if (!along || !base || along.value < base.value) return [];
  return [
    {
      id: 'drive.longer',
      stage: STAGE,
      level: 'stop',
      title: 'Driveline longer than the car’s wheelbase',
      figure: { value: along.value, unit: 'mm', figureId: along.id },
      reason: `The wheelbase is ${sized(base.value)}: the gearbox’s joint lies behind the front axle.`,
      todo: 'Measure both again.',
      at: 'drive.along',
      contradicts: ['drive.along', 'brief.wheelbase'],
    },
  ];
}

/** What the slope is true of and that may still change. */
export const settles = node('settles', (r): readonly Check[] => {
  const slope = r.of(runningSlope) ?? r.of(setSlope);
  const openings = r.part('open');
  if (!slope) return [];
  const loose = unsettledUnder(slope, openings);
  const open = loose.filter((choice) => openings[choice]?.state === 'open');
  const assumed = loose.filter((choice) => openings[choice]?.state === 'assumed');
  const unsaid = loose.filter((choice) => !openings[choice]);
  const names = (list: typeof loose) => inARow(list.map((choice) => OPEN_NAMES[choice]));
  return [
    judgeFact({
      id: 'drive.open',
      stage: STAGE,
      rests: {
        [slope.id]: slope,
        ...Object.fromEntries(unsaid.map((choice) => [`open.${choice}`, undefined])),
        ...Object.fromEntries(
          Object.entries(openings).map(([choice, said]) => [`open.${choice}`, said?.state]),
        ),
      },
      fault:
        open.length || (assumed.length && !unsaid.length)
          ? {
              level: 'caution',
              title: open.length
                ? `Pinion slope rests on what is still open: ${names(open)}`
                : `Pinion slope rests on what is only assumed: ${names(assumed)}`,
              todo: 'Tack only, and order nothing, until it is settled; say so under What may still change.',
            }
          : undefined,
      holds: 'What the pinion slope rests on is settled',
      unknown: `Whether it will stay is not known: ${names(unsaid)}`,
      reason:
        'A perch that is welded, or a shaft that is ordered, for a gearbox, a spring or a height that changes is made twice.',
      at: AT,
    }),
  ];
});

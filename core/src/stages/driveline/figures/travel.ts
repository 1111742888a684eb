import type { PlaceId } from '../../../stage';
import { derive, given, least, most, type Figure, type Maybe } from '../../../measure';
import type { Line } from '../line-at';
import { node } from '../node';
import { axleTravel, type PinionAt } from './axle-travel';
import { line } from './line';
import { atRest } from './motion';

/** The slip joint over the axle’s travel, mm. */
export interface Slip {
  /** How much shorter and longer than at ride the last shaft becomes. */
  readonly shorter?: Figure;
  readonly longer?: Figure;
  /** What is left to bottom, and of spline beyond the least that must stay. */
  readonly toBottom?: Figure;
  readonly beyondLeast?: Figure;
  readonly lacks: readonly PlaceId[];
}

const POSES = [
  { id: 'bump', label: 'full bump', travel: 'spring.bump', sign: '−' },
  { id: 'droop', label: 'full droop', travel: 'spring.droop', sign: '+' },
] as const;

/** Length of the last shaft where the suspension takes the axle, less that at ride: joint centre to joint centre. */
function changeBy(known: Line, L: Figure, { end, words, place }: PinionAt): Figure {
  const from = known.centre ?? known.gearbox;
  return derive({
    id: `drive.change.${end}`,
    label: `Driveshaft longer ${words}`,
    unit: 'mm',
    formula: '√(({x} − {X})² + (√(({Y} − {y})² + ({z} − {Z})²))²) − {L}',
    source: 'The pinion’s joint where the links take it, turned with its axle, joint centre to joint centre',
    inputs: {
      x: from.along,
      y: from.side,
      z: from.height,
      X: place.along,
      Y: place.side,
      Z: place.height,
      L,
    },
  });
}

/** Length of the last shaft over the travel, less that at ride: the axle straight up and down, until its motion is known. */
export const changes = node('changes', (r): readonly Figure[] => {
  const [rest, known] = [r.of(atRest), r.of(line).line];
  const shaft = rest?.shafts.at(-1);
  if (!known || !shaft) return [];
  const { length, slope } = shaft;
  const travel = r.of(axleTravel);
  if (travel) return travel.rest.map((at) => changeBy(known, length, at));
  const straight = given('drive.straight', 'Axle moves fore and aft', 0, 3 / Math.sqrt(3), 'mm', {
    source: 'Assumed: straight up and down',
    assumed: 'straight up and down, until the suspension’s motion is known',
  });
  return POSES.flatMap(({ id, label, travel: by, sign }) => {
    const z = r.figure(by);
    if (!z) return [];
    return [
      derive({
        id: `drive.change.${id}`,
        label: `Driveshaft longer at ${label}`,
        unit: 'mm',
        formula: `√(({L}·cos({s}) + {e})² + ({L}·sin({s}) ${sign} {z})²) − {L}`,
        source: 'The pinion’s joint goes straight up or down from ride height; its slope stays',
        inputs: { L: length, s: slope, e: straight, z },
      }),
    ];
  });
});

export const slipJoint = node('slip', (r): Slip => {
  const all = r.of(changes);
  const lacks = [...POSES.map(({ travel }) => travel), ...(['drive.bottom', 'drive.engaged'] as const)].filter(
    (id) => !r.figure(id),
  );
  if (all.length < POSES.length) return { lacks: [...new Set([...lacks, ...(r.of(axleTravel)?.lacks ?? [])])] };
  const zero = given('drive.ride', 'At ride', 0, 0, 'mm', 'Where it is measured');
  const spec = { unit: 'mm', source: 'Of ride and every end of the travel' } as const;
  const shorter = least({ ...spec, id: 'drive.shorter', label: 'Change at its shortest' }, [zero, ...all]);
  const longer = most({ ...spec, id: 'drive.longer', label: 'Change at its longest' }, [zero, ...all]);
  return {
    ...found(r.figure('drive.bottom'), r.figure('drive.engaged'), r.figure('drive.least'), shorter, longer),
    lacks,
  };
});

function found(bottom: Maybe, engaged: Maybe, keep: Maybe, shorter: Maybe, longer: Maybe): Omit<Slip, 'lacks'> {
  const toBottom =
    bottom &&
    shorter &&
    derive({
      id: 'drive.toBottom',
      label: 'Slip joint left to bottom, at its shortest',
      unit: 'mm',
      formula: '{b} + {Δ}',
      source: 'What is left at ride, and how much shorter the shaft becomes',
      inputs: { b: bottom, Δ: shorter },
    });
  const beyondLeast =
    engaged &&
    keep &&
    longer &&
    derive({
      id: 'drive.beyondLeast',
      label: 'Spline beyond the least, at its longest',
      unit: 'mm',
      formula: '{e} − {k} − {Δ}',
      source: 'What is in mesh at ride, less what must stay and how much longer the shaft becomes',
      inputs: { e: engaged, k: keep, Δ: longer },
    });
  return {
    ...(shorter ? { shorter } : {}),
    ...(longer ? { longer } : {}),
    ...(toBottom ? { toBottom } : {}),
    ...(beyondLeast ? { beyondLeast } : {}),
  };
}

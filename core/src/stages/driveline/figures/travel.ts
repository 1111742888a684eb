import type { PlaceId } from '../../../stage';
import { derive, given, least, type Figure, type Maybe } from '../../../measure';
import { node, type Reads } from '../node';
import { axleTravel, type AxleAt } from './axle-travel';
import { line } from './line';
import { atRest } from './motion';
import { setSlope } from './slopes';

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
  { id: 'bump', label: 'full bump', travel: 'spring.bump', sign: '+' },
  { id: 'droop', label: 'full droop', travel: 'spring.droop', sign: '−' },
] as const;

/** Length of the last shaft where the suspension takes the axle, less that at ride. */
function changeBy(r: Reads, z: Figure, { id, label, sign }: (typeof POSES)[number], at: AxleAt): Maybe {
  const shaft = r.of(atRest)?.shafts.at(-1);
  const [nose, s] = [r.of(line).line?.nose, r.of(setSlope)];
  if (!shaft || !nose || !s) return undefined;
  const inputs = { L: shaft.length, σ: shaft.slope, N: nose, s, x: at.forward, δ: at.turned, z };
  const along = '({x} + {N}·(cos({s} + {δ}) − cos({s})))';
  const up = `(${sign === '+' ? '' : '−'}{z} + {N}·(sin({s} + {δ}) − sin({s})))`;
  return derive({
    id: `drive.change.${id}`,
    label: `Driveshaft longer at ${label}`,
    unit: 'mm',
    formula: `√(({L}·cos({σ}) − ${along})² + ({L}·sin({σ}) − ${up})²) − {L}`,
    source: 'The pinion’s joint where the links take it: forward, up, and turned with its nose',
    inputs,
  });
}

/** Length of the last shaft with the axle up or down, less that at ride: straight, until its motion is known. */
export const changes = node('changes', (r): readonly Figure[] => {
  const rest = r.of(atRest);
  const shaft = rest?.shafts.at(-1);
  if (!rest || !shaft) return [];
  const { length, slope } = shaft;
  const straight = given('drive.straight', 'Axle moves fore and aft', 0, 3 / Math.sqrt(3), 'mm', {
    source: 'Assumed: straight up and down',
    assumed: 'straight up and down, until the suspension’s motion is known',
  });
  const known = r.of(axleTravel);
  return POSES.flatMap((pose) => {
    const { id, label, travel, sign } = pose;
    const z = r.figure(travel);
    if (!z) return [];
    if (known) return changeBy(r, z, pose, known[id]) ?? [];
    return [
      derive({
        id: `drive.change.${id}`,
        label: `Driveshaft longer at ${label}`,
        unit: 'mm',
        formula: `√(({L}·cos({s}) + {e})² + ({L}·sin({s}) ${sign === '+' ? '−' : '+'} {z})²) − {L}`,
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
  if (all.length < POSES.length) return { lacks };
  const zero = given('drive.ride', 'At ride', 0, 0, 'mm', 'Where it is measured');
  const shorter = least(
    {
      id: 'drive.shorter',
      label: 'Change at its shortest',
      unit: 'mm',
      source: 'The least of ride, bump and droop',
    },
    [zero, ...all],
  );
  const longer = greatest(zero, all);
  return {
    ...found(r.figure('drive.bottom'), r.figure('drive.engaged'), r.figure('drive.least'), shorter, longer),
    lacks,
  };
});

function greatest(zero: Figure, all: readonly Figure[]): Maybe {
  const [a, b] = all;
  if (!a || !b) return undefined;
  return derive({
    id: 'drive.longer',
    label: 'Change at its longest',
    unit: 'mm',
    formula: 'max({o}, {a}, {b})',
    source: 'The most of ride, bump and droop',
    inputs: { o: zero, a, b },
  });
}

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

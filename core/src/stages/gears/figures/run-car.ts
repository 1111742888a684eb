import { type PlaceId, unless } from '../../../stage';
import type { Figure } from '../../../measure';
import type { RunCar, RunPlan } from '../../../mechanics';
import { node, type Reads } from '../node';
import { circumference, engineLimit } from './road';
import { ratios } from './ratios';

/** What a run is made with, for every gear set; or what is missing. */
export interface RunQuestion {
  /** Without its axle ratio. */
  readonly car?: Omit<RunCar, 'axleRatio'>;
  readonly plan?: RunPlan;
  readonly sets: readonly { readonly id: string; readonly name: string; readonly ratio: number }[];
  /** Quantities, and fields of the brief, that are missing. */
  readonly lacks: readonly PlaceId[];
  /** Defaults that it rests on, by what they stand for. */
  readonly assumed: readonly string[];
  /** Why it cannot be run as it was said. */
  readonly trouble?: string;
}

/** Wheels and engine turn: usual inertias of a small car, kg·m². */
const WHEELS = 3.2;
const ENGINE = 0.16;
const AIR = 1.2;
const TURNING = ['Inertia of wheels and engine', 'Density of the air'];

const NEEDS = [
  'brief.mass',
  'brief.front',
  'brief.rear',
  'brief.wheelbase',
  'brief.cgHeight',
  'brief.friction',
  'brief.efficiency',
  'gear.drag',
  'gear.rollingResistance',
  'gear.grade',
  'gear.distance',
  'gear.shiftTime',
  'gear.launchRpm',
] as const;

/** Metres at which a run is split: 18, 100 and 201 m, as strips do. */
const SPLITS = [18.288, 100.584, 201.168, 304.8];

export const runQuestion = node('runQuestion', (r): RunQuestion => {
  const sets = r.of(ratios).map(({ id, name, ratio }) => ({ id, name, ratio: ratio.value }));
  const lacks = missing(r);
  const known = [...NEEDS.map((id) => r.figure(id)), r.of(circumference), r.of(engineLimit)];
  const assumed = [
    ...new Set(known.flatMap((figure) => Object.values(figure?.assumed ?? {}).map((a) => a.label))),
    ...(r.figure('gear.shiftRpm') ? [] : ['Change up at']),
    ...TURNING,
  ];
  const limit = r.of(engineLimit);
  const C = r.of(circumference);
  if (lacks.length || !limit || !C) return { sets, lacks, assumed };
  const of = (id: (typeof NEEDS)[number]): number => (r.figure(id) as Figure).value;
  const shiftRpm = r.figure('gear.shiftRpm')?.value ?? limit.value * 0.97;
  const launch = of('gear.launchRpm');
  const trouble =
    shiftRpm > limit.value
      ? 'Changes up above the engine’s limit.'
      : launch >= shiftRpm
        ? 'Is launched at a speed at which it already changes up.'
        : undefined;
  if (trouble) return { sets, lacks, assumed, trouble };
  return {
    sets,
    lacks,
    assumed,
    car: {
      mass: of('brief.mass'),
      rearShare: of('brief.rear') / (of('brief.front') + of('brief.rear')),
      wheelbase: of('brief.wheelbase') / 1000,
      cgHeight: of('brief.cgHeight') / 1000,
      friction: of('brief.friction'),
      driven: r.choice('driven'),
      dragArea: of('gear.drag'),
      air: AIR,
      rolling: of('gear.rollingResistance'),
      radius: C.value / 2000 / Math.PI,
      wheelInertia: WHEELS,
      engineInertia: ENGINE,
      curve: r.field('brief', 'torqueCurve'),
      limit: limit.value,
      coupling: couplingOf(r, launch),
      gears: r.field('brief', 'gears'),
      efficiency: of('brief.efficiency'),
      grade: of('gear.grade'),
    },
    plan: {
      distance: of('gear.distance'),
      shiftRpm,
      shiftTime: of('gear.shiftTime'),
      splits: SPLITS,
    },
  };
});

function couplingOf(r: Reads, launch: number): RunCar['coupling'] {
  if (r.choice('coupling') === 'clutch') return { kind: 'clutch', rpm: launch };
  const locked = r.figure('gear.lockedFrom')?.value ?? 0;
  return {
    kind: 'converter',
    stall: launch,
    multiplies: r.figure('brief.stall')?.value ?? 1,
    slip: r.figure('gear.slip')?.value ?? 0,
    ...(locked > 0 ? { lockedFrom: locked } : {}),
  };
}

function missing(r: Reads): readonly PlaceId[] {
  return [
    ...NEEDS.filter((id) => !r.figure(id)),
    ...unless(r.of(circumference), 'brief.tyreDiameter'),
    ...unless(r.field('brief', 'torqueCurve').length > 1, 'brief.torqueCurve'),
    ...unless(r.field('brief', 'gears').length > 0, 'brief.gears'),
    ...unless(r.of(engineLimit), 'gear.limit'),
  ];
}

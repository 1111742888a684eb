import { solved, standardUncertainty, type Figure, type FigureUnit, type Maybe } from '../../../measure';
import { node } from '../node';
import { standOf, STUDIED, studyOf, type Stand, type Studied, type Study } from '../study';
import { holding, type Held } from './held';

/** What a studied number is, and what beside the places of the links it rests on. */
interface Told {
  readonly label: string;
  readonly unit: FigureUnit;
  readonly source: string;
  readonly on: readonly string[];
}
const SOLVED = 'Solved: every link keeps its length as the axle moves';
const UP = ['spring.bump'];
const DOWN = ['spring.droop'];
const CAR = ['brief.wheelbase', 'brief.cgHeight'];

const TOLD: Readonly<Record<Studied, Told>> = {
  'pinion.bump': {
    label: 'Pinion turned at full bump',
    unit: 'rad',
    source: `${SOLVED}; nose up plus`,
    on: UP,
  },
  'pinion.droop': {
    label: 'Pinion turned at full droop',
    unit: 'rad',
    source: `${SOLVED}; nose up plus`,
    on: DOWN,
  },
  'x.bump': { label: 'Axle forward at full bump', unit: 'mm', source: SOLVED, on: UP },
  'x.droop': { label: 'Axle forward at full droop', unit: 'mm', source: SOLVED, on: DOWN },
  'y.bump': { label: 'Axle to the left at full bump', unit: 'mm', source: SOLVED, on: UP },
  'y.droop': { label: 'Axle to the left at full droop', unit: 'mm', source: SOLVED, on: DOWN },
  'yaw.bump': { label: 'Axle steers at full bump', unit: 'rad', source: `${SOLVED}; to the left plus`, on: UP },
  'yaw.droop': {
    label: 'Axle steers at full droop',
    unit: 'rad',
    source: `${SOLVED}; to the left plus`,
    on: DOWN,
  },
  icAlong: {
    label: 'Instant centre, forward of the axle',
    unit: 'mm',
    source: 'What the axle turns about as it rises, seen from the side at ride height',
    on: [],
  },
  icHeight: {
    label: 'Instant centre above the ground',
    unit: 'mm',
    source: 'What the axle turns about as it rises, seen from the side at ride height',
    on: [],
  },
  antiSquat: {
    label: 'Anti-squat',
    unit: 'ratio',
    source: 'Path of the contact patch at ride height, against wheelbase over height of the centre of gravity',
    on: CAR,
  },
  antiLift: {
    label: 'Anti-lift under braking',
    unit: 'ratio',
    source: 'As anti-squat, by the rear’s share of braking; brakes held on the axle',
    on: [...CAR, 'motion.rearBrake'],
  },
  aboveNeutral: {
    label: 'Instant centre above the neutral line',
    unit: 'mm',
    source:
      'Line from the rear contact patch to the centre of gravity’s height at the front wheels; behind the axle what lies under it is above',
    on: CAR,
  },
  rollCentre: {
    label: 'Roll centre above the ground',
    unit: 'mm',
    source: 'Where the axle stays as the car rolls, at ride height',
    on: [],
  },
  rollSteer: {
    label: 'Axle steer for a degree of roll',
    unit: 'ratio',
    source: 'The slope at ride height; to the left as its right side goes down is plus',
    on: [],
  },
  'bind.bump': { label: 'Length that links lack at full bump', unit: 'mm', source: SOLVED, on: UP },
  'bind.droop': { label: 'Length that links lack at full droop', unit: 'mm', source: SOLVED, on: DOWN },
  'bind.roll': { label: 'Length that links lack in roll', unit: 'mm', source: SOLVED, on: ['stance.lean'] },
  'bind.most': {
    label: 'Length that links lack at most',
    unit: 'mm',
    source: `${SOLVED}: the worst of bump, droop and roll, and of each end of the travel with roll`,
    on: [...UP, ...DOWN, 'stance.lean'],
  },
  bindForce: {
    label: 'Largest force of the bind',
    unit: 'N',
    source: 'What each link lacks, by the rate of its bushings: the worst of bump, droop and roll',
    on: [...UP, ...DOWN, 'stance.lean', 'motion.bush'],
  },
  addedRoll: {
    label: 'Roll stiffness that the bind adds, for a degree',
    unit: 'Nm',
    source: 'Twice the energy in the bushings over the square of the roll; the mean of both ways',
    on: ['stance.lean', 'motion.bush'],
  },
};

/** Inputs that only some of what is told rests on. */
const OWN: readonly string[] = [...new Set(Object.values(TOLD).flatMap(({ on }) => on))];

/** Steps by which an input is moved to see what moves with it, by its unit. */
const stepOf = ({ unit }: Figure): number => (unit === 'rad' ? 1e-4 : unit === 'mm' ? 0.05 : 1e-3);

/** How the axle stands, and how it would with one of its inputs a little more. */
export interface Standing {
  readonly stand: Stand;
  readonly near: (input: number) => readonly [more: Stand, step: number];
}

/** Where the axle stands and goes; nothing while it is not known how it is held. */
export const standing = node('standing', (r): Standing | undefined => {
  const { held } = r.of(holding);
  if (!held) return undefined;
  const values = Float64Array.from(held.inputs, ({ value }) => value);
  const stand = standOf(held, values);
  const kept = new Map<number, readonly [Stand, number]>();
  const moved = (i: number, by: number): Stand => {
    const other = values.slice();
    other[i] = (other[i] as number) + by;
    return standOf(held, other, stand);
  };
  const near = (i: number) => {
    const h = stepOf(held.inputs[i] as Figure);
    const found = kept.get(i) ?? ([moved(i, h), h] as const);
    kept.set(i, found);
    return found;
  };
  return { stand, near };
});

/** What a figure rests on beside how the axle stands, as numbers, and with one of them a little more. */
export interface Beside {
  readonly figures: readonly Figure[];
  readonly base: readonly number[];
  readonly near: (i: number) => readonly [values: readonly number[], step: number];
}

/** Figures that stand beside the axle’s own inputs; the same lists of numbers each time they are asked for. */
export function besideOf(figures: readonly Figure[]): Beside {
  const base = figures.map(({ value }) => value);
  const kept: (readonly [readonly number[], number])[] = [];
  return {
    figures,
    base,
    near: (i) => {
      const figure = figures[i] as Figure;
      const h = stepOf(figure) * (figure.unit === 'N' ? 1000 : 1);
      return (kept[i] ??= [base.map((v, k) => (k === i ? v + h : v)), h]);
    },
  };
}
const NOTHING = besideOf([]);

/** What a solved figure is called. */
interface Solvable {
  readonly id: string;
  readonly label: string;
  readonly unit: FigureUnit;
  readonly source: string;
}

/** What solved figures rest on. */
interface Grounds {
  /** Inputs they rest on, of those that not everything rests on. */
  readonly on: readonly string[];
  /** What they rest on beside how the axle stands. */
  readonly extra?: Beside;
  /** Inputs that alone they rest on; left out, all that hold the axle. */
  readonly own?: readonly number[];
}

/**
 * Figures of how the axle stands that are found together: their values, and how those move with every input that is
 * uncertain, by differences of the whole solution, made when somebody asks.
 *
 * @param of the numbers, one a figure; none where what they rest on is not known
 * @returns nothing where one of them is no number
 */
export function solvedTogether(
  { stand, near }: Standing,
  specs: readonly Solvable[],
  of: (stand: Stand, extra: readonly number[]) => readonly number[] | undefined,
  { on, extra = NOTHING, own }: Grounds,
): readonly Figure[] | undefined {
  const beside = extra.base;
  const found = of(stand, beside);
  if (!found?.every(Number.isFinite)) return undefined;
  const { held } = stand;
  const used = own ?? usedBy(held, on);
  const inputs = once(() => [...used.map((i) => held.inputs[i] as Figure), ...extra.figures]);
  // A row an input: nothing for one that is known for certain, for that brings nothing.
  const rows = once(() => [
    ...used.map((i) => {
      if (certain(held.inputs[i] as Figure)) return undefined;
      const [more, h] = near(i);
      return { moved: of(more, beside), h };
    }),
    ...extra.figures.map((figure, i) => {
      if (certain(figure)) return undefined;
      const [values, h] = extra.near(i);
      return { moved: of(stand, values), h };
    }),
  ]);
  return specs.map((spec, k) => {
    const value = found[k] as number;
    return solved({
      id: spec.id,
      label: spec.label,
      unit: spec.unit,
      source: spec.source,
      value,
      inputs,
      slopes: () => rows().map((row) => (row ? finite(((row.moved?.[k] ?? Number.NaN) - value) / row.h) : 0)),
    });
  });
}

/** What is made when it is first asked for, and stays. */
function once<T>(make: () => T): () => T {
  let kept: T | undefined;
  return () => (kept ??= make());
}

/**
 * One such figure by itself.
 *
 * @param of the number; none where what it rests on is not known
 */
export const solvedFrom = (
  stands: Standing,
  spec: Solvable,
  of: (stand: Stand, extra: readonly number[]) => number,
  on: readonly string[],
  extra?: Beside,
  own?: readonly number[],
): Maybe =>
  solvedTogether(stands, [spec], (stand, values) => [of(stand, values)], {
    on,
    ...(extra ? { extra } : {}),
    ...(own ? { own } : {}),
  })?.[0];

const usedOf = new WeakMap<Held, Map<string, readonly number[]>>();
/** Places of the inputs that a figure rests on, made once for all that rest on the same. */
function usedBy(held: Held, on: readonly string[]): readonly number[] {
  const known = usedOf.get(held) ?? new Map<string, readonly number[]>();
  usedOf.set(held, known);
  const key = on.join(' ');
  const kept = known.get(key);
  if (kept) return kept;
  const left = new Set(OWN.filter((id) => !on.includes(id)).map(held.at));
  const used = held.inputs.flatMap((_, i) => (left.has(i) ? [] : [i]));
  known.set(key, used);
  return used;
}

/** Nothing makes it uncertain. */
export const certain = (figure: Figure): boolean => standardUncertainty(figure) === 0;

/** A slope that cannot be told, past the end of what the links reach, counts as none. */
const finite = (slope: number): number => (Number.isFinite(slope) ? slope : 0);

const studies = new WeakMap<Stand, Study>();
/** The study of a stand, made once. */
function studied(stand: Stand): Study {
  const found = studies.get(stand) ?? studyOf(stand);
  studies.set(stand, found);
  return found;
}

export type StudyFigures = Readonly<Record<Studied, Maybe>>;

/** What is told of the axle’s motion, as figures; those that rest on what is not known are left out. */
export const study = node('study', (r): StudyFigures => {
  const stands = r.of(standing);
  return Object.fromEntries(
    STUDIED.map((key) => {
      const { label, unit, source, on } = TOLD[key];
      const spec = { id: `motion.${key}`, label, unit, source };
      return [key, stands && solvedFrom(stands, spec, (stand) => studied(stand)[key], on)];
    }),
  ) as StudyFigures;
});

import { parseFormula, type Expression } from '../formula';
import type { FigureUnit } from './figure';

/** Powers of length, mass, time and money. Angles, counts and ratios have none. */
type Dimension = readonly [length: number, mass: number, time: number, money: number];

const NONE: Dimension = [0, 0, 0, 0];
const LENGTH: Dimension = [1, 0, 0, 0];
const PER_TIME: Dimension = [0, 0, -1, 0];
const PRESSURE: Dimension = [-1, 1, -2, 0];

const OF_UNIT: Readonly<Record<FigureUnit, Dimension>> = {
  mm: LENGTH,
  m: LENGTH,
  rad: NONE,
  count: NONE,
  ratio: NONE,
  money: [0, 0, 0, 1],
  kg: [0, 1, 0, 0],
  N: [1, 1, -2, 0],
  Nm: [2, 1, -2, 0],
  MPa: PRESSURE,
  'N/mm': [0, 1, -2, 0],
  rpm: PER_TIME,
  Hz: PER_TIME,
  s: [0, 0, 1, 0],
  'rad/s2': [0, 0, -2, 0],
  'm/s': [1, 0, -1, 0],
};

/** Numbers within formulas that are no bare numbers: gravity, an inch, steel’s moduli, and its speed of sound. */
const CONSTANTS: ReadonlyMap<number, Dimension> = new Map<number, Dimension>([
  [9.80665, [1, 0, -2, 0]],
  [25.4, LENGTH],
  [79300, PRESSURE],
  [206000, PRESSURE],
  [5132.6, [1, 0, -1, 0]],
]);

/** What an expression counts in; undefined for a nought, which may be of anything. */
type Found = Dimension | undefined;

const same = (a: Found, b: Found): boolean => !a || !b || a.every((power, i) => power === b[i]);
const times = (a: Found, b: Found, sign: 1 | -1): Found =>
  a && b && (a.map((power, i) => power + sign * (b[i] as number)) as unknown as Dimension);
const raised = (a: Found, power: number): Found => a && (a.map((p) => p * power) as unknown as Dimension);

/** A formula whose parts do not go together. */
export class DimensionError extends TypeError {}

/**
 * What a formula counts in, by what its symbols do.
 *
 * @throws DimensionError where it adds or compares unlike things, or takes the sine of what is no angle
 * @example dimensionOf('{H} − {W}/2', { H: 'mm', W: 'mm' }) // [1, 0, 0, 0]
 */
export function dimensionOf(formula: string, units: Readonly<Record<string, FigureUnit>>): Found {
  const wrong = (what: string): never => {
    throw new DimensionError(`${formula}: ${what}.`);
  };
  const like = (found: readonly Found[]): Found => {
    const first = found.find((one) => one !== undefined);
    return found.every((one) => same(one, first)) ? first : wrong('adds or compares unlike things');
  };
  const called = (e: Extract<Expression, { kind: 'call' }>): Found => {
    const args = e.args.map(of);
    if (e.of === 'min' || e.of === 'max') return like(args);
    if (e.of === 'sqrt') return raised(args[0], 0.5);
    if (e.of === 'abs' || e.of === 'minus' || e.of === 'round') return args[0];
    return same(args[0], NONE) ? NONE : wrong(`${e.of} of what is no angle or ratio`);
  };
  const of = (e: Expression): Found => {
    if (e.kind === 'number') return e.value === 0 ? undefined : (CONSTANTS.get(e.value) ?? NONE);
    if (e.kind === 'symbol') return OF_UNIT[units[e.name] as FigureUnit];
    if (e.kind === 'power') return raised(of(e.base), e.exponent);
    if (e.kind === 'call') return called(e);
    const [left, right] = [of(e.left), of(e.right)];
    if (e.operator === '+' || e.operator === '−') return like([left, right]);
    return times(left, right, e.operator === '·' ? 1 : -1);
  };
  return of(parseFormula(formula));
}

const done = new Set<string>();

/**
 * Holds a formula to the unit it is said to give; each formula once.
 *
 * @throws DimensionError where they do not go together
 */
export function checkDimensions(
  formula: string,
  units: Readonly<Record<string, FigureUnit>>,
  unit: FigureUnit,
  id: string,
): void {
  const key = `${unit} ${formula} ${Object.entries(units).sort().join(' ')}`;
  if (done.has(key)) return;
  const found = dimensionOf(formula, units);
  if (!same(found, OF_UNIT[unit]))
    throw new DimensionError(
      `${id}: ${formula} gives length, mass, time, money to the powers ${found?.join(', ')}, which is no ${unit}.`,
    );
  done.add(key);
}

/** Whether every formula is held to its unit as it is run: in tests. */
export const dimensions = { checked: false };

/** What a figure counts in. Lengths are mm and angles rad inside; pages convert. */
export type FigureUnit = 'mm' | 'rad' | 'kg' | 'N' | 'Nm' | 'count' | 'ratio' | 'money' | 'MPa';

/** One input of a formula, as the working shows it. */
export interface WorkingInput {
  readonly id: string;
  readonly label: string;
  readonly value: number;
  readonly unit: FigureUnit;
}

/** How a figure came about. Symbols stand in braces in the formula: `{H_L} − {W}/2`. */
export interface Working {
  readonly formula: string;
  readonly inputs: Readonly<Record<string, WorkingInput>>;
  readonly source: string;
}

/**
 * A number with its unit, its working and what makes it uncertain. `contributions` holds, for each
 * reading it rests on, ∂value/∂reading × u(reading), signed, so that figures sharing a reading stay
 * correlated and a subtraction of the two cancels what they share.
 */
export interface Figure {
  readonly id: string;
  readonly label: string;
  readonly unit: FigureUnit;
  readonly value: number;
  readonly contributions: Readonly<Record<string, number>>;
  readonly working: Working;
}

/** Coverage factor: printed uncertainties are U = k·u, about 95 %. */
export const COVERAGE = 2;

/** Step of the numeric partials, in the input's own unit, relative above 1 and absolute below. */
const PARTIAL_STEP = 1e-4;

/** Standard uncertainty of a figure: root sum of squares of its contributions. */
export function standardUncertainty(figure: Figure): number {
  let sum = 0;
  for (const key in figure.contributions) sum += (figure.contributions[key] ?? 0) ** 2;
  return Math.sqrt(sum);
}

/** Expanded uncertainty U (k = 2), same unit as the figure. */
export const expandedUncertainty = (figure: Figure): number => COVERAGE * standardUncertainty(figure);

/** A figure that rests on nothing else: a reading, a choice or a default. */
export function given(
  id: string,
  label: string,
  value: number,
  u: number,
  unit: FigureUnit,
  source: string,
): Figure {
  const contributions = u > 0 ? { [id]: u } : {};
  return { id, label, unit, value, contributions, working: { formula: '', inputs: {}, source } };
}

/** What `derive` needs to name and explain the figure. */
export interface Derivation<K extends string> {
  readonly id: string;
  readonly label: string;
  readonly unit: FigureUnit;
  readonly formula: string;
  readonly source: string;
  readonly inputs: Readonly<Record<K, Figure>>;
}

/**
 * Computes a figure from others, with first-order propagation by central differences.
 *
 * @param spec names, formula text and input figures by symbol
 * @param compute the formula itself; must be defined in a neighbourhood of its inputs
 * @example derive({ …, formula: '{H_L} − {W}/2', inputs: { H_L, W } }, (v) => v.H_L - v.W / 2)
 * @source JCGM 100:2008, 5.1 and 5.2 (first-order propagation, shared inputs kept correlated)
 */
export function derive<K extends string>(
  spec: Derivation<K>,
  compute: (values: Record<K, number>) => number,
): Figure {
  const symbols = Object.keys(spec.inputs) as K[];
  const values = {} as Record<K, number>;
  const shown: Record<string, WorkingInput> = {};
  for (const symbol of symbols) {
    const { id, label, value, unit } = spec.inputs[symbol];
    values[symbol] = value;
    shown[symbol] = { id, label, value, unit };
  }
  const contributions = propagate(spec.inputs, symbols, values, compute);
  const working = { formula: spec.formula, inputs: shown, source: spec.source };
  return { id: spec.id, label: spec.label, unit: spec.unit, value: compute(values), contributions, working };
}

function propagate<K extends string>(
  inputs: Readonly<Record<K, Figure>>,
  symbols: readonly K[],
  values: Record<K, number>,
  compute: (values: Record<K, number>) => number,
): Record<string, number> {
  const total: Record<string, number> = {};
  for (const symbol of symbols) {
    const parts = inputs[symbol].contributions;
    let partial: number | undefined;
    for (const source in parts) {
      partial ??= centralDifference(values, symbol, compute);
      total[source] = (total[source] ?? 0) + partial * (parts[source] ?? 0);
    }
  }
  return total;
}

function centralDifference<K extends string>(
  values: Record<K, number>,
  symbol: K,
  compute: (values: Record<K, number>) => number,
): number {
  const at = values[symbol];
  const step = PARTIAL_STEP * Math.max(1, Math.abs(at));
  values[symbol] = at + step;
  const above = compute(values);
  values[symbol] = at - step;
  const below = compute(values);
  values[symbol] = at;
  return (above - below) / (2 * step);
}

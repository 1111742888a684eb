import { formulaOf } from '../formula';
import { EVIDENCE_RANK, type Evidence } from './instrument';

/** What a figure counts in. Lengths are mm and angles rad inside; pages convert. */
export type FigureUnit = 'mm' | 'rad' | 'kg' | 'N' | 'Nm' | 'count' | 'ratio' | 'money' | 'MPa';

/** One input of a formula, as the working shows it. */
export interface WorkingInput {
  readonly id: string;
  readonly label: string;
  readonly value: number;
  readonly unit: FigureUnit;
  /** The input itself, so that every working can be followed down to what was read, chosen or assumed. */
  readonly figure: Figure;
}

/**
 * How a figure came about. Symbols stand in braces in the formula: `{H_L} − {W}/2`. The formula is the one that was
 * run: evaluated on its inputs in core units it gives the value.
 */
export interface Working {
  readonly formula: string;
  readonly inputs: Readonly<Record<string, WorkingInput>>;
  readonly source: string;
}

/** A default that stands for something nobody has read or chosen. */
export interface Assumed {
  readonly id: string;
  readonly label: string;
  readonly value: number;
  readonly unit: FigureUnit;
  readonly why: string;
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
  /** Weakest grade of all that it rests on. */
  readonly evidence: Evidence;
  /** Defaults that it rests on, by the id of what they stand for. */
  readonly assumed: Readonly<Record<string, Assumed>>;
  /** It rests on a plumb line or level, so it is true only while the car stands level. */
  readonly needsLevel: boolean;
  readonly working: Working;
}

/** Tells a figure from any other object. */
export const isFigure = (value: object): value is Figure => 'contributions' in value && 'working' in value;

/** Coverage factor: printed uncertainties are U = k·u, about 95 %. */
export const COVERAGE = 2;

/** Standard uncertainty of a figure: root sum of squares of its contributions. */
export function standardUncertainty(figure: Figure): number {
  let sum = 0;
  for (const key in figure.contributions) sum += (figure.contributions[key] ?? 0) ** 2;
  return Math.sqrt(sum);
}

/** Expanded uncertainty U (k = 2), same unit as the figure. */
export const expandedUncertainty = (figure: Figure): number => COVERAGE * standardUncertainty(figure);

/** Where a figure comes from that rests on nothing else, and what it brings along. */
export interface Origin {
  readonly source: string;
  readonly evidence?: Evidence;
  /** Why this default is used; set where nobody has read or chosen it. */
  readonly assumed?: string;
  readonly needsLevel?: boolean;
}

const NOTHING: Figure['assumed'] = {};

/**
 * A figure that rests on nothing else: a reading, a choice, a constant or a default. Never a computed number.
 *
 * @param u standard uncertainty, in the figure’s unit
 * @param from where it comes from; a choice or constant says only that
 */
export function given(
  id: string,
  label: string,
  value: number,
  u: number,
  unit: FigureUnit,
  from: string | Origin,
): Figure {
  const origin: Origin = typeof from === 'string' ? { source: from } : from;
  const { source, evidence = 'chosen', assumed, needsLevel = false } = origin;
  return {
    id,
    label,
    unit,
    value,
    contributions: u > 0 ? { [id]: u } : {},
    evidence,
    assumed: assumed === undefined ? NOTHING : { [id]: { id, label, value, unit, why: assumed } },
    needsLevel,
    working: { formula: '', inputs: {}, source },
  };
}

/** What `derive` needs to name, compute and explain the figure. */
export interface Derivation {
  readonly id: string;
  readonly label: string;
  readonly unit: FigureUnit;
  /** The formula that is printed and run, in core units. */
  readonly formula: string;
  readonly source: string;
  /** Figures by symbol; all that the formula names. */
  readonly inputs: Readonly<Record<string, Figure>>;
}

/**
 * Computes a figure from others by its printed formula, with first-order propagation by exact derivatives. Evidence,
 * defaults and the need of a level car come along from the inputs. Where two branches of the formula lie within reach
 * of each other, the more uncertain one counts.
 *
 * @throws RangeError where an input of the formula is missing
 * @throws SyntaxError where the formula cannot be read
 * @example derive({ …, formula: '{H_L} − {W}/2', inputs: { H_L, W } })
 * @source JCGM 100:2008, 5.1 and 5.2 (first-order propagation, shared inputs kept correlated)
 */
export function derive(spec: Derivation): Figure {
  const formula = formulaOf(spec.formula);
  const figures = formula.symbols.map((symbol) => {
    const input = spec.inputs[symbol];
    if (!input) throw new RangeError(`${spec.id} lacks ${symbol}.`);
    return input;
  });
  const partials = new Float64Array(figures.length);
  const value = formula.partials(
    figures.map((f) => f.value),
    partials,
    (slope) => standardOf(combined(figures, slope)),
  );
  return {
    id: spec.id,
    label: spec.label,
    unit: spec.unit,
    value,
    contributions: combined(figures, partials),
    ...carried(figures),
    working: { formula: spec.formula, inputs: shown(formula.symbols, figures), source: spec.source },
  };
}

/**
 * As `derive`, but nothing where the formula has no value for these inputs, such as a division by zero: what cannot
 * be is not known, and whoever rests on it says so.
 */
export function deriveWherePossible(spec: Derivation): Figure | undefined {
  const figure = derive(spec);
  const possible = Number.isFinite(figure.value) && Object.values(figure.contributions).every(Number.isFinite);
  return possible ? figure : undefined;
}

/** The lesser of some figures under a name of its own; its formula names them all. */
export function least(
  spec: Omit<Derivation, 'formula' | 'inputs'>,
  figures: readonly Figure[],
): Figure | undefined {
  if (figures.length === 0) return undefined;
  const symbols = figures.map((_, i) => `x_${i + 1}`);
  const names = symbols.map((s) => `{${s}}`).join(', ');
  return derive({
    ...spec,
    formula: figures.length === 1 ? names : `min(${names})`,
    inputs: Object.fromEntries(symbols.map((s, i) => [s, figures[i] as Figure])),
  });
}

/**
 * A number as it stands on the metal once it was set: fixed, however uncertain the readings were that it was worked
 * out from, and off by no more than the setting. Evidence, defaults and the need of a level car come along.
 *
 * @param u standard uncertainty of the setting, in the figure’s unit
 */
export function asMade(figure: Figure, { id, label, u, source, by }: MadeAs): Figure {
  const made = derive({ id, label, unit: figure.unit, formula: '{x}', source, inputs: { x: figure } });
  const assumed = by ? { ...made.assumed, ...by.assumed } : made.assumed;
  return { ...made, assumed, contributions: u > 0 ? { [id]: u } : {} };
}

/** How a number was set. */
export interface MadeAs {
  readonly id: string;
  readonly label: string;
  readonly u: number;
  readonly source: string;
  /** What `u` follows from, where that is a figure: its defaults come along. */
  readonly by?: Figure;
}

/** A figure under another name, for a place where it plays another part. */
export const renamed = (figure: Figure, id: string, label: string, source: string): Figure =>
  derive({ id, label, unit: figure.unit, formula: '{x}', source, inputs: { x: figure } });

/** A figure that stands for another thing that nobody has said otherwise: it comes along as assumed. */
export function assumedAs(figure: Figure, id: string, label: string, why: string): Figure {
  const stands = renamed(figure, id, label, `Assumed: ${why}`);
  return {
    ...stands,
    assumed: { ...stands.assumed, [id]: { id, label, value: figure.value, unit: figure.unit, why } },
  };
}

/** Mean of some figures under a name of its own; its formula names them all. */
export function meanOf(
  spec: Omit<Derivation, 'formula' | 'inputs'>,
  figures: readonly Figure[],
): Figure | undefined {
  if (figures.length === 0) return undefined;
  const symbols = figures.map((_, i) => `x_${i + 1}`);
  const sum = symbols.map((s) => `{${s}}`).join(' + ');
  return derive({
    ...spec,
    formula: figures.length === 1 ? sum : `(${sum})/${figures.length}`,
    inputs: Object.fromEntries(symbols.map((s, i) => [s, figures[i] as Figure])),
  });
}

function shown(symbols: readonly string[], figures: readonly Figure[]): Working['inputs'] {
  const inputs: Record<string, WorkingInput> = {};
  symbols.forEach((symbol, i) => {
    const figure = figures[i] as Figure;
    const { id, label, value, unit } = figure;
    inputs[symbol] = { id, label, value, unit, figure };
  });
  return inputs;
}

function combined(figures: readonly Figure[], partials: Float64Array): Record<string, number> {
  const total: Record<string, number> = {};
  figures.forEach(({ contributions }, i) => {
    const partial = partials[i] as number;
    if (partial === 0) return;
    for (const source in contributions)
      total[source] = (total[source] ?? 0) + partial * (contributions[source] as number);
  });
  return total;
}

function standardOf(contributions: Readonly<Record<string, number>>): number {
  let sum = 0;
  for (const key in contributions) sum += (contributions[key] as number) ** 2;
  return Math.sqrt(sum);
}

/** What comes along from the inputs. */
function carried(figures: readonly Figure[]): Pick<Figure, 'evidence' | 'assumed' | 'needsLevel'> {
  let evidence: Evidence = 'chosen';
  let needsLevel = false;
  let assumed = NOTHING;
  for (const figure of figures) {
    if (weaker(figure.evidence, evidence)) evidence = figure.evidence;
    if (figure.needsLevel) needsLevel = true;
    if (figure.assumed !== NOTHING && figure.assumed !== assumed)
      assumed = assumed === NOTHING ? figure.assumed : { ...assumed, ...figure.assumed };
  }
  return { evidence, assumed, needsLevel };
}

const weaker = (a: Evidence, b: Evidence): boolean =>
  EVIDENCE_RANK[a] > EVIDENCE_RANK[b] || (b === 'chosen' && a === 'measured');

const known = new WeakMap<Figure, ReadonlySet<string>>();

/**
 * Ids of all that a figure rests on, itself among them: readings, choices, defaults and the figures between.
 *
 * @example restsOn(cut).has('donor.half.left') // true
 */
export function restsOn(figure: Figure): ReadonlySet<string> {
  const before = known.get(figure);
  if (before) return before;
  const ids = new Set([figure.id]);
  for (const { figure: input } of Object.values(figure.working.inputs))
    for (const id of restsOn(input)) ids.add(id);
  known.set(figure, ids);
  return ids;
}

/** The lesser of two; the other where one is not known. */
export const lesser = (a: Figure | undefined, b: Figure | undefined): Figure | undefined =>
  !a || !b ? (a ?? b) : a.value <= b.value ? a : b;

/** The greater of two; the other where one is not known. */
export const greater = (a: Figure | undefined, b: Figure | undefined): Figure | undefined =>
  !a || !b ? (a ?? b) : a.value >= b.value ? a : b;

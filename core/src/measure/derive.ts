import { formulaOf, type Formula, type Kinks } from '../formula';
import {
  type Assumed,
  partsOf,
  plainFigure,
  type Figure,
  type FigureUnit,
  type Packed,
  type Working,
  type WorkingInput,
} from './figure';
import { EVIDENCE_RANK, type Evidence } from './instrument';
import { checkDimensions, dimensions } from './dimensions';
import { drawn, straight, type Draws } from './drawn';
import { combined, partOf, spreadOf, unpacked, type Parts } from './parts';

/** Where a figure comes from that rests on nothing else, and what it brings along. */
export interface Origin {
  readonly source: string;
  readonly evidence?: Evidence;
  /** Why this default is used; set where nobody has read or chosen it. */
  readonly assumed?: string;
  readonly needsLevel?: boolean;
  readonly waits?: number;
  readonly byTape?: boolean;
  readonly inMm?: boolean;
}

const NOTHING: Figure['assumed'] = {};
const NO_INPUTS: Working['inputs'] = {};

/** What a figure is called, and its value. */
interface Named {
  readonly id: string;
  readonly label: string;
  readonly unit: FigureUnit;
  readonly value: number;
}

/** A figure that rests on nothing else. */
class Given implements Figure, Packed {
  readonly id: string;
  readonly label: string;
  readonly unit: FigureUnit;
  readonly value: number;
  readonly evidence: Evidence;
  readonly needsLevel: boolean;
  readonly waits: number;
  readonly byTape: boolean;
  readonly inMm: boolean;
  readonly parts: Parts;
  readonly assumed: Figure['assumed'];
  readonly working: Working;

  constructor({ id, label, unit, value }: Named, u: number, origin: Origin) {
    this.id = id;
    this.label = label;
    this.unit = unit;
    this.value = value;
    const { source, evidence = 'chosen', assumed, needsLevel = false, waits = 0, byTape = false } = origin;
    this.evidence = evidence;
    this.needsLevel = needsLevel;
    this.waits = waits;
    this.byTape = byTape;
    this.inMm = origin.inMm ?? false;
    this.parts = partOf(id, u);
    this.assumed = assumed === undefined ? NOTHING : { [id]: { id, label, value, unit, why: assumed } };
    this.working = { formula: '', inputs: NO_INPUTS, source };
  }

  get contributions(): Readonly<Record<string, number>> {
    return unpacked(this.parts);
  }

  toJSON(): Figure {
    return plainFigure(this);
  }
}

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
  return new Given({ id, label, unit, value }, u, typeof from === 'string' ? { source: from } : from);
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
  readonly inMm?: boolean;
}

/** What comes along from the inputs. */
type Carried = Pick<Figure, 'evidence' | 'assumed' | 'needsLevel' | 'waits' | 'byTape'>;

/**
 * A computed figure. Its value is there at once; what makes it uncertain, what it rests on and its working are worked
 * out when somebody asks, and kept.
 */
class Derived implements Figure, Packed {
  private keptParts: Parts | undefined;
  private keptDraws: Draws | undefined;
  private keptCarried: Carried | undefined;
  private keptWorking: Working | undefined;

  readonly id: string;
  readonly label: string;
  readonly unit: FigureUnit;
  readonly value: number;

  constructor(
    { id, label, unit, value }: Named,
    private readonly source: string,
    private readonly read: Formula,
    private readonly figures: readonly Figure[],
    readonly inMm: boolean,
  ) {
    this.id = id;
    this.label = label;
    this.unit = unit;
    this.value = value;
  }

  get parts(): Parts {
    return (this.keptParts ??= this.spread());
  }

  /** Draws of it, where its branches may change places or it rests on a figure of that kind. */
  get draws(): Draws | undefined {
    if (!this.keptParts) this.keptParts = this.spread();
    return this.keptDraws;
  }

  private spread(): Parts {
    const { figures, read, id } = this;
    const parts = figures.map(partsOf);
    const slopes = new Float64Array(figures.length);
    const kinks = read.bends ? kinksOf(parts) : undefined;
    read.partials(valuesOf(figures), slopes, kinks);
    // A single one is followed in a straight line; two share their draws.
    if (!kinks?.met && !twoDrawn(figures)) return combined(parts, slopes);
    const inputs = figures.map((figure, i) => drawsIn(figure) ?? straightDraws(figure, parts[i] as Parts));
    const found = drawn(id, read, inputs, parts);
    this.keptDraws = found.draws;
    return found.parts;
  }

  get contributions(): Readonly<Record<string, number>> {
    return unpacked(this.parts);
  }

  private get carried(): Carried {
    return (this.keptCarried ??= carriedBy(this.figures));
  }

  get evidence(): Evidence {
    return this.carried.evidence;
  }

  get assumed(): Figure['assumed'] {
    return this.carried.assumed;
  }

  get needsLevel(): boolean {
    return this.carried.needsLevel;
  }

  get waits(): number {
    return this.carried.waits;
  }

  get byTape(): boolean {
    return this.carried.byTape;
  }

  get working(): Working {
    return (this.keptWorking ??= {
      formula: this.read.text,
      inputs: shown(this.read.symbols, this.figures),
      source: this.source,
    });
  }

  toJSON(): Figure {
    return plainFigure(this);
  }
}

/** How uncertain sums of some inputs are, and each alone, worked out once. */
function kinksOf(parts: readonly Parts[]): Kinks {
  const alone: (number | undefined)[] = [];
  return {
    spread: (slope) => spreadOf(combined(parts, slope)),
    alone: (i) => (alone[i] ??= spreadOf(parts[i] as Parts)),
    met: false,
  };
}

// Room for the values of a formula’s inputs; a formula is run before another’s values are put there.
let room = new Float64Array(64);

function valuesOf(figures: readonly Figure[]): Float64Array {
  if (room.length < figures.length) room = new Float64Array(2 * figures.length);
  for (let i = 0; i < figures.length; i += 1) room[i] = (figures[i] as Figure).value;
  return room;
}

/** Draws of a figure that does not follow its readings in a straight line. */
const drawsIn = (figure: Figure): Draws | undefined => (figure instanceof Derived ? figure.draws : undefined);

/** Draws of figures that are followed in a straight line, made once: several figures of one kind rest on the same. */
const straights = new WeakMap<Figure, Draws>();
function straightDraws(figure: Figure, parts: Parts): Draws {
  const made = straights.get(figure) ?? straight(figure.value, parts);
  straights.set(figure, made);
  return made;
}

function twoDrawn(figures: readonly Figure[]): boolean {
  let count = 0;
  for (const figure of figures) if (drawsIn(figure)) count += 1;
  return count > 1;
}

/**
 * Computes a figure from others by its printed formula, with first-order propagation by exact derivatives. Evidence,
 * defaults and the need of a level car come along from the inputs. Where two branches of the formula lie within reach
 * of each other, its spread is drawn instead.
 *
 * @throws RangeError where an input of the formula is missing
 * @throws SyntaxError where the formula cannot be read
 * @example derive({ …, formula: '{H_L} − {W}/2', inputs: { H_L, W } })
 * @source JCGM 100:2008, 5.1 and 5.2 (first-order propagation, shared inputs kept correlated)
 */
export function derive(spec: Derivation): Figure {
  const { id, unit, formula, inputs } = spec;
  if (dimensions.checked) checkDimensions(formula, unitsOf(inputs), unit, id);
  return run(spec);
}

/** Runs a formula as it stands. */
function run({ id, label, unit, formula, source, inputs, inMm = false }: Derivation): Figure {
  const read = formulaOf(formula);
  const figures = read.symbols.map((symbol) => {
    const input = inputs[symbol];
    if (!input) throw new RangeError(`${id} lacks ${symbol}.`);
    return input;
  });
  const value = read.value(valuesOf(figures));
  return new Derived({ id, label, unit, value }, source, read, figures, inMm);
}

const unitsOf = (inputs: Readonly<Record<string, Figure>>): Record<string, FigureUnit> =>
  Object.fromEntries(Object.entries(inputs).map(([symbol, { unit }]) => [symbol, unit]));

/**
 * As `derive`, but nothing where the formula has no value for these inputs, such as a division by zero: what cannot
 * be is not known, and whoever rests on it says so.
 */
export function deriveWherePossible(spec: Derivation): Figure | undefined {
  const figure = derive(spec);
  const possible = Number.isFinite(figure.value) && partsOf(figure).by.every(Number.isFinite);
  return possible ? figure : undefined;
}

/** What `solved` needs to name, compute and explain the figure. */
export interface Solution {
  readonly id: string;
  readonly label: string;
  readonly unit: FigureUnit;
  /** What was found. */
  readonly value: number;
  /** How it was found. */
  readonly source: string;
  /** What it was found from; asked for, as the slopes, only where somebody wants its uncertainty or working. */
  readonly inputs: () => readonly Figure[];
  /** How it moves with each input, in core units; asked for only where somebody wants its uncertainty or working. */
  readonly slopes: () => ArrayLike<number>;
}

/** What comes of a list of inputs, worked out once for all figures that were found together from it. */
class Shared {
  private keptParts: readonly Parts[] | undefined;
  private keptCarried: Carried | undefined;
  constructor(private readonly inputs: readonly Figure[]) {}

  parts(): readonly Parts[] {
    return (this.keptParts ??= this.inputs.map(partsOf));
  }

  carried(): Carried {
    return (this.keptCarried ??= carriedBy(this.inputs));
  }
}
const shared = new WeakMap<readonly Figure[], Shared>();
function sharedOf(inputs: readonly Figure[]): Shared {
  const kept = shared.get(inputs) ?? new Shared(inputs);
  shared.set(inputs, kept);
  return kept;
}

/** A figure found by solving equations that no line of text can hold. */
class Solved implements Figure, Packed {
  private keptParts: Parts | undefined;
  private keptCarried: Carried | undefined;
  private keptWorking: Working | undefined;
  readonly id: string;
  readonly label: string;
  readonly unit: FigureUnit;
  readonly value: number;

  constructor(private readonly solution: Solution) {
    const { id, label, unit, value } = solution;
    this.id = id;
    this.label = label;
    this.unit = unit;
    this.value = value;
  }

  get parts(): Parts {
    return (this.keptParts ??= combined(sharedOf(this.solution.inputs()).parts(), this.solution.slopes()));
  }

  get contributions(): Readonly<Record<string, number>> {
    return unpacked(this.parts);
  }

  private get carried(): Carried {
    return (this.keptCarried ??= sharedOf(this.solution.inputs()).carried());
  }

  get evidence(): Evidence {
    return this.carried.evidence;
  }

  get assumed(): Figure['assumed'] {
    return this.carried.assumed;
  }

  get needsLevel(): boolean {
    return this.carried.needsLevel;
  }

  get waits(): number {
    return this.carried.waits;
  }

  get byTape(): boolean {
    return this.carried.byTape;
  }

  get working(): Working {
    return (this.keptWorking ??= byItsSlopes(this.solution).working);
  }

  toJSON(): Figure {
    return plainFigure(this);
  }
}

/** A solution as text: what was found, and how it moves with each input from where it was found. */
function byItsSlopes({ id, label, unit, value, source, inputs, slopes }: Solution): Figure {
  const by = slopes();
  const terms: string[] = ['{v}'];
  const named: Record<string, Figure> = { v: given(`${id}.solved`, 'What was solved', value, 0, unit, source) };
  inputs().forEach((input, i) => {
    const slope = by[i] ?? 0;
    if (slope === 0) return;
    const n = i + 1;
    terms.push(`{k_${n}}·({q_${n}} − {p_${n}})`);
    named[`q_${n}`] = input;
    named[`k_${n}`] = given(
      `${id}.slope${n}`,
      `Change for one more of: ${input.label}`,
      slope,
      0,
      'count',
      source,
    );
    named[`p_${n}`] = given(`${id}.at${n}`, `${input.label}, as solved`, input.value, 0, input.unit, source);
  });
  // Each slope counts in whatever its input and the figure do.
  return run({ id, label, unit, formula: terms.join(' + '), source, inputs: named });
}

/**
 * A figure that was solved for: its value was found elsewhere, and how it moves with what it was found from says how
 * uncertain it is. Evidence, defaults and the need of a level car come along. Its working is its first-order form.
 *
 * @example solved({ …, value: 79.64, inputs: [height], slopes: () => [0.12] })
 * @source JCGM 100:2008, 5.1.3 (sensitivities by numerical differences)
 */
export const solved = (solution: Solution): Figure => new Solved(solution);

/** The least of some figures under a name of its own; its formula names them all. */
export const least = (
  spec: Omit<Derivation, 'formula' | 'inputs'>,
  figures: readonly Figure[],
): Figure | undefined => outermost('min', spec, figures);

/** The most of some figures, likewise. */
export const most = (
  spec: Omit<Derivation, 'formula' | 'inputs'>,
  figures: readonly Figure[],
): Figure | undefined => outermost('max', spec, figures);

function outermost(
  of: 'min' | 'max',
  spec: Omit<Derivation, 'formula' | 'inputs'>,
  figures: readonly Figure[],
): Figure | undefined {
  if (figures.length === 0) return undefined;
  const symbols = figures.map((_, i) => `x_${i + 1}`);
  const names = symbols.map((s) => `{${s}}`).join(', ');
  return derive({
    formula: figures.length === 1 ? names : `${of}(${names})`,
    inputs: Object.fromEntries(symbols.map((s, i) => [s, figures[i] as Figure])),
    ...spec,
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
  return { ...plainFigure(made), assumed, contributions: u > 0 ? { [id]: u } : {} };
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
    ...plainFigure(stands),
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
    formula: figures.length === 1 ? sum : `(${sum})/${figures.length}`,
    inputs: Object.fromEntries(symbols.map((s, i) => [s, figures[i] as Figure])),
    ...spec,
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

function carriedBy(figures: readonly Figure[]): Carried {
  let evidence: Evidence = 'chosen';
  let needsLevel = false;
  let waits = 0;
  let byTape = false;
  let assumed = NOTHING;
  let own: Record<string, Assumed> | undefined;
  for (const figure of figures) {
    if (weaker(figure.evidence, evidence)) evidence = figure.evidence;
    if (figure.needsLevel) needsLevel = true;
    waits |= figure.waits;
    if (figure.byTape) byTape = true;
    const more = figure.assumed;
    if (more === NOTHING || more === assumed || holdsAll(assumed, more)) continue;
    if (assumed === NOTHING) assumed = more;
    else if (own) Object.assign(own, more);
    else assumed = own = { ...assumed, ...more };
  }
  return { evidence, assumed, needsLevel, waits, byTape };
}

/** All defaults of one record stand in the other too. */
function holdsAll(all: Figure['assumed'], some: Figure['assumed']): boolean {
  for (const id in some) if (all[id] !== some[id]) return false;
  return true;
}

const weaker = (a: Evidence, b: Evidence): boolean =>
  EVIDENCE_RANK[a] > EVIDENCE_RANK[b] || (b === 'chosen' && a === 'measured');

import { parseFormula, type Expression, type FunctionName, type Operator } from './parse';

/** Whether two branches of a formula, as in `min`, lie so near each other that either may be the one. */
export interface Kinks {
  /** Standard uncertainty of the sum that these partials make of the inputs. */
  readonly spread: (partials: Float64Array) => number;
  /** Set by the formula where two do. */
  met: boolean;
}

/** A formula that was read once and can be run very often. */
export interface Formula {
  readonly text: string;
  /** Symbols in the order in which they first stand in the text. */
  readonly symbols: readonly string[];
  /** Value at these inputs, in the order of `symbols`. Not finite where the formula has none there. */
  readonly value: (inputs: ArrayLike<number>) => number;
  /**
   * Value, with the exact partial derivative by every input written into `partials`.
   *
   * @param partials as long as `symbols`; those of the branch that has the value
   * @param kinks told where two branches of `min` or `max` lie within reach of each other: there no partials say how
   *   the value spreads
   */
  readonly partials: (inputs: ArrayLike<number>, partials: Float64Array, kinks?: Kinks) => number;
}

/** Branches that lie nearer each other than this many standard uncertainties may change places. */
const REACH = 3;

/** One step of a formula: gives its value and leaves its partials in `slope`. */
interface Step {
  readonly slope: Float64Array;
  readonly run: (inputs: ArrayLike<number>, kinks: Kinks | undefined) => number;
  readonly value: (inputs: ArrayLike<number>) => number;
}

const read = new Map<string, Formula>();

/**
 * The formula that a text says; the same object for the same text.
 *
 * @throws SyntaxError where the text is no formula
 * @example formulaOf('{H} − {W}/2').value([792, 1402]) // 91
 */
export function formulaOf(text: string): Formula {
  const known = read.get(text);
  if (known) return known;
  const made = compile(text);
  read.set(text, made);
  return made;
}

function compile(text: string): Formula {
  const expression = parseFormula(text);
  const symbols = [...new Set(symbolsOf(expression))];
  const top = stepOf(expression, symbols);
  return {
    text,
    symbols,
    value: top.value,
    partials: (inputs, partials, kinks) => {
      const value = top.run(inputs, kinks);
      partials.set(top.slope);
      return value;
    },
  };
}

function symbolsOf(e: Expression): readonly string[] {
  if (e.kind === 'number') return [];
  if (e.kind === 'symbol') return [e.name];
  if (e.kind === 'power') return symbolsOf(e.base);
  if (e.kind === 'call') return e.args.flatMap(symbolsOf);
  return [...symbolsOf(e.left), ...symbolsOf(e.right)];
}

function stepOf(e: Expression, symbols: readonly string[]): Step {
  const slope = new Float64Array(symbols.length);
  if (e.kind === 'number') return { slope, run: () => e.value, value: () => e.value };
  if (e.kind === 'symbol') {
    const at = symbols.indexOf(e.name);
    slope[at] = 1;
    const value = (inputs: ArrayLike<number>) => inputs[at] as number;
    return { slope, run: value, value };
  }
  if (e.kind === 'power') return powerStep(stepOf(e.base, symbols), e.exponent, slope);
  if (e.kind === 'operation')
    return operationStep(e.operator, stepOf(e.left, symbols), stepOf(e.right, symbols), slope);
  const legs = legsOf(e);
  if (legs) return lengthStep(stepOf(legs[0], symbols), stepOf(legs[1], symbols), slope);
  const [first, ...rest] = e.args.map((arg) => stepOf(arg, symbols)) as [Step, ...Step[]];
  if (e.of !== 'min' && e.of !== 'max') return callStep(CALLS[e.of], first, slope);
  const sign = e.of === 'min' ? 1 : -1;
  return rest.reduce((a, b) => choiceStep(sign, a, b, new Float64Array(symbols.length)), first);
}

/** The two legs of `√(a² + b²)`; undefined for anything else. */
function legsOf(e: Expression): readonly [Expression, Expression] | undefined {
  if (e.kind !== 'call' || e.of !== 'sqrt') return undefined;
  const [under] = e.args;
  if (under?.kind !== 'operation' || under.operator !== '+') return undefined;
  const { left, right } = under;
  const squares =
    left.kind === 'power' && left.exponent === 2 && right.kind === 'power' && right.exponent === 2;
  return squares ? [left.base, right.base] : undefined;
}

/** Length over two legs. Where both are nothing it is as uncertain as the more uncertain of them, not certain. */
function lengthStep(a: Step, b: Step, slope: Float64Array): Step {
  return {
    slope,
    value: (inputs) => Math.hypot(a.value(inputs), b.value(inputs)),
    run: (inputs, kinks) => {
      const [x, y] = [a.run(inputs, kinks), b.run(inputs, kinks)];
      const length = Math.hypot(x, y);
      if (length === 0) slope.set(!kinks || kinks.spread(a.slope) >= kinks.spread(b.slope) ? a.slope : b.slope);
      else
        for (let i = 0; i < slope.length; i += 1)
          slope[i] = (x * (a.slope[i] as number) + y * (b.slope[i] as number)) / length;
      return length;
    },
  };
}

/** Partials of a step that hangs on one other. */
function scaled(slope: Float64Array, of: Float64Array, by: number): void {
  for (let i = 0; i < slope.length; i += 1) slope[i] = by * (of[i] as number);
}

function powerStep(base: Step, exponent: number, slope: Float64Array): Step {
  return {
    slope,
    value: (inputs) => base.value(inputs) ** exponent,
    run: (inputs, kinks) => {
      const at = base.run(inputs, kinks);
      scaled(slope, base.slope, exponent * at ** (exponent - 1));
      return at ** exponent;
    },
  };
}

/** Each operation by itself, so that none makes a list for its partials. */
function operationStep(operator: Operator, left: Step, right: Step, slope: Float64Array): Step {
  const sum = (a: number, b: number): void => {
    for (let i = 0; i < slope.length; i += 1)
      slope[i] = a * (left.slope[i] as number) + b * (right.slope[i] as number);
  };
  const steps: Readonly<Record<Operator, () => Step>> = {
    '+': () => ({
      slope,
      value: (inputs) => left.value(inputs) + right.value(inputs),
      run: (inputs, kinks) => {
        const value = left.run(inputs, kinks) + right.run(inputs, kinks);
        sum(1, 1);
        return value;
      },
    }),
    '−': () => ({
      slope,
      value: (inputs) => left.value(inputs) - right.value(inputs),
      run: (inputs, kinks) => {
        const value = left.run(inputs, kinks) - right.run(inputs, kinks);
        sum(1, -1);
        return value;
      },
    }),
    '·': () => ({
      slope,
      value: (inputs) => left.value(inputs) * right.value(inputs),
      run: (inputs, kinks) => {
        const [a, b] = [left.run(inputs, kinks), right.run(inputs, kinks)];
        sum(b, a);
        return a * b;
      },
    }),
    '/': () => ({
      slope,
      value: (inputs) => left.value(inputs) / right.value(inputs),
      run: (inputs, kinks) => {
        const [a, b] = [left.run(inputs, kinks), right.run(inputs, kinks)];
        sum(1 / b, -a / (b * b));
        return a / b;
      },
    }),
  };
  return steps[operator]();
}

/** Value and derivative of a function of one argument. */
type Call = readonly [value: (x: number) => number, derivative: (x: number) => number];
const CALLS: Readonly<Record<Exclude<FunctionName, 'min' | 'max'>, Call>> = {
  sin: [Math.sin, Math.cos],
  cos: [Math.cos, (x) => -Math.sin(x)],
  tan: [Math.tan, (x) => 1 / Math.cos(x) ** 2],
  asin: [Math.asin, (x) => 1 / Math.sqrt(1 - x * x)],
  acos: [Math.acos, (x) => -1 / Math.sqrt(1 - x * x)],
  atan: [Math.atan, (x) => 1 / (1 + x * x)],
  // Rounding moves the value and leaves its uncertainty as it was.
  round: [Math.round, () => 1],
  // At nothing the slope of a root has no end; what is symmetric about it is taken to leave it flat.
  sqrt: [Math.sqrt, (x) => (x > 0 ? 0.5 / Math.sqrt(x) : 0)],
  abs: [Math.abs, (x) => (x < 0 ? -1 : 1)],
  minus: [(x) => -x, () => -1],
};

function callStep([value, derivative]: Call, arg: Step, slope: Float64Array): Step {
  return {
    slope,
    value: (inputs) => value(arg.value(inputs)),
    run: (inputs, kinks) => {
      const at = arg.run(inputs, kinks);
      scaled(slope, arg.slope, derivative(at));
      return value(at);
    },
  };
}

/** The lesser of two steps (`sign` 1) or the greater (−1). */
function choiceStep(sign: 1 | -1, a: Step, b: Step, slope: Float64Array): Step {
  const apart = new Float64Array(slope.length);
  const first = (x: number, y: number): boolean => sign * x <= sign * y;
  return {
    slope,
    value: (inputs) => {
      const [x, y] = [a.value(inputs), b.value(inputs)];
      return first(x, y) ? x : y;
    },
    run: (inputs, kinks) => {
      const [x, y] = [a.run(inputs, kinks), b.run(inputs, kinks)];
      slope.set(first(x, y) ? a.slope : b.slope);
      if (kinks && !kinks.met) {
        for (let i = 0; i < apart.length; i += 1) apart[i] = (a.slope[i] as number) - (b.slope[i] as number);
        kinks.met = Math.abs(x - y) <= REACH * kinks.spread(apart);
      }
      return first(x, y) ? x : y;
    },
  };
}

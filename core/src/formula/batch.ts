import { parseFormula, type Expression, type FunctionName, type Operator } from './parse';

/** Most values that are worked out at once. */
export const BATCH = 1000;

/** A formula that is run over many values of its symbols at once, without an object for each. */
export interface Batch {
  readonly text: string;
  /** Symbols in the order in which they first stand in the text. */
  readonly symbols: readonly string[];
  /**
   * @param inputs values of each symbol, in the order of `symbols`
   * @param count how many, at most `BATCH`
   * @returns the results; overwritten by the next run
   */
  readonly over: (inputs: readonly Float64Array[], count: number) => Float64Array;
}

type Step = (inputs: readonly Float64Array[], count: number) => Float64Array;

/**
 * The formula that a text says, to be run over many values. Every call makes one of its own, with room of its own.
 *
 * @throws SyntaxError where the text is no formula
 * @example batchOf('{H} − {W}/2').over([halves, widths], 1000)
 */
export function batchOf(text: string): Batch {
  const made = new Making();
  const step = made.stepOf(parseFormula(text));
  return {
    text,
    symbols: made.symbols,
    over: (inputs, count) => {
      made.run += 1;
      return step(inputs, count);
    },
  };
}

/** Steps of a formula as it is read; what stands in it twice is one step and is worked out once a run. */
class Making {
  readonly symbols: string[] = [];
  private readonly known = new Map<string, Step>();
  /** Number of the newest run. */
  run = 0;

  stepOf(e: Expression): Step {
    const key = JSON.stringify(e);
    const known = this.known.get(key);
    if (known) return known;
    const step = e.kind === 'number' || e.kind === 'symbol' ? this.made(e) : this.once(this.made(e));
    this.known.set(key, step);
    return step;
  }

  private once(step: Step): Step {
    let last = 0;
    let out: Float64Array;
    return (inputs, count) => {
      if (last !== this.run) out = step(inputs, count);
      last = this.run;
      return out;
    };
  }

  private made(e: Expression): Step {
    switch (e.kind) {
      case 'number':
        return constant(e.value);
      case 'symbol':
        return symbol(e.name, this.symbols);
      case 'power':
        return mapped(this.stepOf(e.base), (x) => x ** e.exponent);
      case 'operation':
        return operation(e.operator, this.stepOf(e.left), this.stepOf(e.right));
      case 'call': {
        const args = e.args.map((arg) => this.stepOf(arg));
        if (e.of !== 'min' && e.of !== 'max') return mapped(args[0] as Step, CALLS[e.of]);
        const choose = e.of === 'min' ? lesser : greater;
        return args.reduce((a, b) => choose(a, b));
      }
    }
  }
}

function constant(value: number): Step {
  const out = new Float64Array(BATCH).fill(value);
  return () => out;
}

function symbol(name: string, symbols: string[]): Step {
  let at = symbols.indexOf(name);
  if (at < 0) at = symbols.push(name) - 1;
  return (inputs) => inputs[at] as Float64Array;
}

const CALLS: Readonly<Record<Exclude<FunctionName, 'min' | 'max'>, (x: number) => number>> = {
  sin: Math.sin,
  cos: Math.cos,
  tan: Math.tan,
  asin: Math.asin,
  acos: Math.acos,
  atan: Math.atan,
  round: Math.round,
  sqrt: Math.sqrt,
  abs: Math.abs,
  minus: (x) => -x,
};

function mapped(of: Step, f: (x: number) => number): Step {
  const out = new Float64Array(BATCH);
  return (inputs, count) => {
    const x = of(inputs, count);
    for (let i = 0; i < count; i += 1) out[i] = f(x[i] as number);
    return out;
  };
}

/** Each loop by itself, so that it runs as fast as one written by hand. */
function operation(operator: Operator, left: Step, right: Step): Step {
  const out = new Float64Array(BATCH);
  const loops: Readonly<Record<Operator, (a: Float64Array, b: Float64Array, count: number) => void>> = {
    '+': (a, b, count) => {
      for (let i = 0; i < count; i += 1) out[i] = (a[i] as number) + (b[i] as number);
    },
    '−': (a, b, count) => {
      for (let i = 0; i < count; i += 1) out[i] = (a[i] as number) - (b[i] as number);
    },
    '·': (a, b, count) => {
      for (let i = 0; i < count; i += 1) out[i] = (a[i] as number) * (b[i] as number);
    },
    '/': (a, b, count) => {
      for (let i = 0; i < count; i += 1) out[i] = (a[i] as number) / (b[i] as number);
    },
  };
  const loop = loops[operator];
  return (inputs, count) => {
    loop(left(inputs, count), right(inputs, count), count);
    return out;
  };
}

function lesser(left: Step, right: Step): Step {
  const out = new Float64Array(BATCH);
  return (inputs, count) => {
    const [a, b] = [left(inputs, count), right(inputs, count)];
    for (let i = 0; i < count; i += 1) out[i] = Math.min(a[i] as number, b[i] as number);
    return out;
  };
}

function greater(left: Step, right: Step): Step {
  const out = new Float64Array(BATCH);
  return (inputs, count) => {
    const [a, b] = [left(inputs, count), right(inputs, count)];
    for (let i = 0; i < count; i += 1) out[i] = Math.max(a[i] as number, b[i] as number);
    return out;
  };
}

import { CALLS } from './calls';
import { parseFormula, type Expression, type FunctionName, type Operator } from './parse';

/** What a step of a tape does with the cells it reads. */
export const ADD = 0;
export const SUBTRACT = 1;
export const MULTIPLY = 2;
export const DIVIDE = 3;
export const POWER = 4;
export const LENGTH = 5;
export const LEAST = 6;
export const GREATEST = 7;
const CALL = 8;

const CODES: Readonly<Record<Operator | 'min' | 'max', number>> = {
  '+': ADD,
  '−': SUBTRACT,
  '·': MULTIPLY,
  '/': DIVIDE,
  min: LEAST,
  max: GREATEST,
};
const CALLED = Object.keys(CALLS) as readonly (keyof typeof CALLS)[];

/** The function of one argument that a code means. */
export const calledBy = (code: number): (typeof CALLS)['sin'] =>
  CALLS[CALLED[code - CALL] as keyof typeof CALLS];

/**
 * A formula as a list of steps. Each step reads two cells and fills the next: first come the symbols, then the numbers,
 * then the steps in their order. What stands in a formula twice is one step.
 */
export interface Tape {
  readonly symbols: readonly string[];
  readonly numbers: readonly number[];
  readonly code: readonly number[];
  /** Cells that each step reads; the same one twice where it reads one. */
  readonly left: readonly number[];
  readonly right: readonly number[];
  /** Exponent of a power; 0 else. */
  readonly exponent: readonly number[];
  /** Cell of the first step. */
  readonly first: number;
  /** Cell of the result. */
  readonly top: number;
}

/**
 * The steps that a text says.
 *
 * @throws SyntaxError where the text is no formula
 * @example tapeOf('{H} − {W}/2') // cells H, W, 2, W/2, H − W/2
 */
export function tapeOf(text: string): Tape {
  const expression = parseFormula(text);
  const symbols = [...new Set(all(expression, (e) => (e.kind === 'symbol' ? e.name : undefined)))];
  const numbers = [...new Set(all(expression, (e) => (e.kind === 'number' ? e.value : undefined)))];
  return new Recording(symbols, numbers).of(expression);
}

/** What is told of each part of an expression, from left to right. */
function all<T>(e: Expression, tell: (e: Expression) => T | undefined): readonly T[] {
  const told = tell(e);
  const own = told === undefined ? [] : [told];
  if (e.kind === 'power') return [...own, ...all(e.base, tell)];
  if (e.kind === 'call') return [...own, ...e.args.flatMap((arg) => all(arg, tell))];
  if (e.kind === 'operation') return [...own, ...all(e.left, tell), ...all(e.right, tell)];
  return own;
}

class Recording {
  private readonly code: number[] = [];
  private readonly left: number[] = [];
  private readonly right: number[] = [];
  private readonly exponent: number[] = [];
  private readonly known = new Map<string, number>();
  private readonly first: number;

  constructor(
    private readonly symbols: readonly string[],
    private readonly numbers: readonly number[],
  ) {
    this.first = symbols.length + numbers.length;
  }

  of(e: Expression): Tape {
    const top = this.cellOf(e);
    const { symbols, numbers, code, left, right, exponent, first } = this;
    return { symbols, numbers, code, left, right, exponent, first, top };
  }

  private cellOf(e: Expression): number {
    if (e.kind === 'symbol') return this.symbols.indexOf(e.name);
    if (e.kind === 'number') return this.symbols.length + this.numbers.indexOf(e.value);
    if (e.kind === 'power') return this.power(this.cellOf(e.base), e.exponent);
    if (e.kind === 'operation') return this.step(CODES[e.operator], this.cellOf(e.left), this.cellOf(e.right));
    const legs = legsOf(e);
    if (legs) return this.step(LENGTH, this.cellOf(legs[0]), this.cellOf(legs[1]));
    const [first, ...rest] = e.args.map((arg) => this.cellOf(arg)) as [number, ...number[]];
    const { of } = e;
    if (of === 'min' || of === 'max') return rest.reduce((a, b) => this.step(CODES[of], a, b), first);
    return this.step(codeOf(of), first, first);
  }

  private power(base: number, exponent: number): number {
    return this.step(POWER, base, base, exponent);
  }

  private step(code: number, left: number, right: number, exponent = 0): number {
    const key = [code, left, right, exponent].join();
    const known = this.known.get(key);
    if (known !== undefined) return known;
    const cell = this.first + this.code.push(code) - 1;
    this.left.push(left);
    this.right.push(right);
    this.exponent.push(exponent);
    this.known.set(key, cell);
    return cell;
  }
}

const codeOf = (of: Exclude<FunctionName, 'min' | 'max'>): number => CALL + CALLED.indexOf(of);

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

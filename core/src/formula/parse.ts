/** What a formula is made of. Symbols stand in braces: `{H_L} − {W}/2`. */
export type Expression =
  | { readonly kind: 'number'; readonly value: number }
  | { readonly kind: 'symbol'; readonly name: string }
  | { readonly kind: 'call'; readonly of: FunctionName; readonly args: readonly Expression[] }
  | { readonly kind: 'power'; readonly base: Expression; readonly exponent: number }
  | {
      readonly kind: 'operation';
      readonly operator: Operator;
      readonly left: Expression;
      readonly right: Expression;
    };

export const OPERATORS = ['+', '−', '·', '/'] as const;
export type Operator = (typeof OPERATORS)[number];

export const FUNCTION_NAMES = [
  'min',
  'max',
  'sin',
  'cos',
  'tan',
  'asin',
  'acos',
  'atan',
  'round',
  'sqrt',
  'abs',
  'minus',
] as const;
export type FunctionName = (typeof FUNCTION_NAMES)[number];

const TOKEN = /\s*(\{[^{}]+\}|\d+(?:\.\d+)?|[a-z]+|[+\-−·/(),|√π²³⁴])/y;
const POWERS: Readonly<Record<string, number>> = { '²': 2, '³': 3, '⁴': 4 };

/**
 * Reads a formula as it is printed: `+ − · /`, brackets, `²`, `³`, `⁴`, `√`, `π`, `|x|`, and `min`, `max`, `sin`,
 * `cos`, `tan`, `asin`, `acos`, `atan`, `round`. What follows a function without brackets is its next factor:
 * `tan² {γ}`.
 *
 * @throws SyntaxError where the text is no formula, with the place
 * @example parseFormula('{T}/2 − 1') // operation − of operation / of symbol T and 2, and 1
 */
export function parseFormula(text: string): Expression {
  const reader = new Reader(tokensOf(text), text);
  const found = sum(reader);
  if (reader.peek() !== undefined) throw reader.unexpected();
  return found;
}

function tokensOf(text: string): readonly string[] {
  const tokens: string[] = [];
  TOKEN.lastIndex = 0;
  const end = text.trimEnd().length;
  for (let at = 0; at < end; at = TOKEN.lastIndex) {
    const match = TOKEN.exec(text);
    if (!match) throw new SyntaxError(`“${text}” cannot be read from “${text.slice(at)}” on.`);
    tokens.push(match[1] === '-' ? '−' : (match[1] as string));
  }
  return tokens;
}

class Reader {
  private at = 0;

  constructor(
    private readonly tokens: readonly string[],
    private readonly text: string,
  ) {}

  peek(): string | undefined {
    return this.tokens[this.at];
  }

  take(): string {
    const token = this.peek();
    if (token === undefined) throw this.unexpected();
    this.at += 1;
    return token;
  }

  /** Takes the next token where it is this one. */
  takes(token: string): boolean {
    if (this.peek() !== token) return false;
    this.at += 1;
    return true;
  }

  needs(token: string): void {
    if (!this.takes(token)) throw this.unexpected();
  }

  unexpected(): SyntaxError {
    const token = this.peek();
    return new SyntaxError(`“${this.text}”: ${token === undefined ? 'it ends too soon' : `“${token}” there`}.`);
  }
}

function sum(reader: Reader): Expression {
  let left = product(reader);
  for (;;) {
    const operator = (['+', '−'] as const).find((o) => reader.takes(o));
    if (!operator) return left;
    left = { kind: 'operation', operator, left, right: product(reader) };
  }
}

function product(reader: Reader): Expression {
  let left = factor(reader);
  for (;;) {
    const operator = (['·', '/'] as const).find((o) => reader.takes(o));
    if (!operator) return left;
    left = { kind: 'operation', operator, left, right: factor(reader) };
  }
}

function factor(reader: Reader): Expression {
  if (reader.takes('−')) return { kind: 'call', of: 'minus', args: [factor(reader)] };
  return raised(reader, atom(reader));
}

function raised(reader: Reader, base: Expression): Expression {
  const exponent = POWERS[reader.peek() ?? ''];
  if (exponent === undefined) return base;
  reader.take();
  return { kind: 'power', base, exponent };
}

function atom(reader: Reader): Expression {
  const token = reader.take();
  if (token.startsWith('{')) return { kind: 'symbol', name: token.slice(1, -1) };
  if (/^\d/.test(token)) return { kind: 'number', value: Number(token) };
  if (token === 'π') return { kind: 'number', value: Math.PI };
  if (token === '√') return { kind: 'call', of: 'sqrt', args: [factor(reader)] };
  if (token === '(') return bracketed(reader, ')');
  if (token === '|') return { kind: 'call', of: 'abs', args: [bracketed(reader, '|')] };
  const of = FUNCTION_NAMES.find((name) => name === token);
  if (!of) throw new SyntaxError(`“${token}” is no function of a formula.`);
  return call(reader, of);
}

function bracketed(reader: Reader, end: string): Expression {
  const inner = sum(reader);
  reader.needs(end);
  return inner;
}

function call(reader: Reader, of: FunctionName): Expression {
  const exponent = POWERS[reader.peek() ?? ''];
  if (exponent !== undefined) reader.take();
  const found: Expression = { kind: 'call', of, args: argumentsOf(reader) };
  return exponent === undefined ? found : { kind: 'power', base: found, exponent };
}

function argumentsOf(reader: Reader): readonly Expression[] {
  if (!reader.takes('(')) return [factor(reader)];
  const args = [sum(reader)];
  while (reader.takes(',')) args.push(sum(reader));
  reader.needs(')');
  return args;
}

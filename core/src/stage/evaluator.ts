import type { Node } from './node';

/** What there is to read: by kind, and by the key of that kind. The same value as long as it did not change. */
export interface Source {
  readonly look: (kind: string, key: string, within?: string) => unknown;
}

/** One thing a node has read: what, and the value it had. */
interface Seen {
  readonly kind: string;
  readonly key: string;
  readonly within: string | undefined;
  readonly node: Node<unknown> | undefined;
  readonly value: unknown;
}

interface Cell {
  value: unknown;
  seen: readonly Seen[];
  /** Evaluation in which it was found to stand. */
  stands: number;
  running: boolean;
}

/** Nodes of one evaluation. */
export interface Evaluation {
  /** What a node gives. @throws Error that names the node which failed, or the nodes that go round in a circle */
  readonly of: <T>(node: Node<T>) => T;
  /** Reads as a node does, for what is made afresh each time: a sheet, a view. */
  readonly read: unknown;
  /** What every node that was asked for gave, each after those that it read. */
  readonly given: () => Iterable<unknown>;
}

/** Evaluates sources one after the other; a node runs again only where something it read is another value. */
export interface NodeEvaluator {
  (source: Source): Evaluation;
  /** How often each node has really run, by name. */
  readonly runs: ReadonlyMap<string, number>;
}

/**
 * Makes an evaluator that remembers the last run of every node. What it gives depends on the source alone, never on
 * what was evaluated before.
 */
export function nodeEvaluator(): NodeEvaluator {
  const cells = new Map<Node<unknown>, Cell>();
  const runs = new Map<string, number>();
  let now = 0;

  function evaluate(source: Source): Evaluation {
    now += 1;
    const turn = now;
    const path: Node<unknown>[] = [];
    const values = new Map<Node<unknown>, unknown>();

    const holds = ({ kind, key, within, node, value }: Seen): boolean =>
      Object.is(node ? get(node) : source.look(kind, key, within), value);

    function run(node: Node<unknown>, cell: Cell): unknown {
      const seen: Seen[] = [];
      cell.running = true;
      path.push(node);
      try {
        const value = node.run(reader(source, seen, get) as never);
        runs.set(node.name, (runs.get(node.name) ?? 0) + 1);
        cell.value = alike(cell.value, value) ? cell.value : value;
        cell.seen = seen;
        return cell.value;
      } finally {
        cell.running = false;
        path.pop();
      }
    }

    function get<T>(node: Node<T>): T {
      if (turn !== now) return late(node);
      let cell = cells.get(node);
      if (!cell) cells.set(node, (cell = { value: undefined, seen: NOTHING, stands: 0, running: false }));
      if (cell.stands === turn) return cell.value as T;
      if (cell.running) throw new CircleError([...path.slice(path.indexOf(node)), node].map((n) => n.name));
      if (cell.stands === 0 || !cell.seen.every(holds)) runNamed(node, cell);
      cell.stands = turn;
      values.set(node, cell.value);
      return cell.value as T;
    }

    function runNamed(node: Node<unknown>, cell: Cell): void {
      try {
        run(node, cell);
      } catch (error) {
        cell.stands = 0;
        throw named(node, error);
      }
    }

    /** Asked after a later evaluation began: from what is kept of this one, else from nothing. */
    function late<T>(node: Node<T>): T {
      if (!values.has(node)) values.set(node, nodeEvaluator()(source).of(node));
      return values.get(node) as T;
    }
    return { of: get, read: reader(source, undefined, get), given: () => values.values() };
  }
  return Object.assign(evaluate, { runs });
}

const NOTHING: readonly Seen[] = [];

/** Nodes that read each other. */
export class CircleError extends Error {
  constructor(readonly nodes: readonly string[]) {
    super(`These read each other: ${nodes.join(' → ')}.`);
  }
}

/** A node that could not be run. */
export class NodeError extends Error {
  constructor(
    readonly node: string,
    cause: unknown,
  ) {
    super(`${node} failed: ${cause instanceof Error ? cause.message : String(cause)}`, { cause });
  }
}

const named = (node: Node<unknown>, error: unknown): unknown =>
  error instanceof CircleError || error instanceof NodeError ? error : new NodeError(node.name, error);

/** What a node reads with; notes all of it. */
function reader(source: Source, seen: Seen[] | undefined, get: <T>(node: Node<T>) => T) {
  const note = (kind: string) => (key: string, within?: string) => {
    const value = source.look(kind, key, within);
    seen?.push({ kind, key, within, node: undefined, value });
    return value;
  };
  return {
    figure: note('figure'),
    wasRead: note('wasRead'),
    zeroedOn: note('zeroedOn'),
    fact: note('fact'),
    limit: note('limit'),
    choice: note('choice'),
    part: note('part'),
    field: note('field'),
    verdict: note('verdict'),
    search: note('search'),
    accepted: note('accepted'),
    told: () => note('told')(''),
    name: (id: string) => source.look('name', id),
    today: () => note('today')(''),
    of: <T>(node: Node<T>): T => {
      const value = get(node);
      seen?.push({ kind: 'node', key: node.name, within: undefined, node, value });
      return value;
    },
  };
}

/** The same value, or a plain object or list of the same values: what stands on it need not run again. */
function alike(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  if (Array.isArray(a) !== Array.isArray(b)) return false;
  const [from, to] = [a as Record<string, unknown>, b as Record<string, unknown>];
  const keys = Object.keys(from);
  return (
    keys.length === Object.keys(to).length && keys.every((key) => key in to && Object.is(from[key], to[key]))
  );
}

import type { Node } from './node';

/**
 * What there is to read, by kind and key of that kind: the same value as long as it did not change. `root` is what all
 * keys of a kind hang on: while that is the same, so are they.
 */
export interface Source {
  readonly look: (kind: string, key: string, within?: string) => unknown;
  readonly root: (kind: string) => unknown;
}

/** What a node has read: of the source, and of other nodes; with the values it had. */
interface Seen {
  readonly kinds: string[];
  readonly keys: string[];
  readonly within: (string | undefined)[];
  readonly values: unknown[];
  readonly nodes: Node<unknown>[];
  readonly given: unknown[];
}

interface Cell {
  value: unknown;
  seen: Seen;
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

const nothingSeen = (): Seen => ({ kinds: [], keys: [], within: [], values: [], nodes: [], given: [] });

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

/**
 * Makes an evaluator that remembers the last run of every node. What it gives depends on the source alone, never on
 * what was evaluated before.
 */
export function nodeEvaluator(): NodeEvaluator {
  const cells = new Map<Node<unknown>, Cell>();
  const runs = new Map<string, number>();
  let now = 0;
  /** Roots of the kinds, as they were at the last evaluation and are at this one. */
  let last: Source | undefined;

  function evaluate(source: Source): Evaluation {
    now += 1;
    const turn = now;
    const before = last;
    last = source;
    const path: Node<unknown>[] = [];
    const values = new Map<Node<unknown>, unknown>();
    const moved = movedKinds(before, source);
    let seen: Seen | undefined;

    /** The cell stood at the last evaluation already, so kinds whose root is the same need no look. */
    function holds({ kinds, keys, within, values: had, nodes, given }: Seen, lately: boolean): boolean {
      for (let i = 0; i < kinds.length; i += 1) {
        const kind = kinds[i] as string;
        if (lately && !moved(kind)) continue;
        if (!Object.is(source.look(kind, keys[i] as string, within[i]), had[i])) return false;
      }
      for (let i = 0; i < nodes.length; i += 1)
        if (!Object.is(get(nodes[i] as Node<unknown>), given[i])) return false;
      return true;
    }

    function run(node: Node<unknown>, cell: Cell): void {
      const outer = seen;
      const mine = nothingSeen();
      cell.running = true;
      path.push(node);
      seen = mine;
      try {
        const value = node.run(read as never);
        runs.set(node.name, (runs.get(node.name) ?? 0) + 1);
        if (!alike(cell.value, value)) cell.value = value;
        cell.seen = mine;
      } catch (error) {
        cell.stands = 0;
        throw named(node, error);
      } finally {
        seen = outer;
        cell.running = false;
        path.pop();
      }
    }

    function get<T>(node: Node<T>): T {
      if (turn !== now) return late(node);
      let cell = cells.get(node);
      if (!cell) cells.set(node, (cell = { value: undefined, seen: nothingSeen(), stands: 0, running: false }));
      if (cell.stands === turn) return cell.value as T;
      if (cell.running) throw new CircleError([...path.slice(path.indexOf(node)), node].map((n) => n.name));
      if (cell.stands === 0 || !holds(cell.seen, cell.stands === turn - 1)) run(node, cell);
      cell.stands = turn;
      values.set(node, cell.value);
      return cell.value as T;
    }

    /** Asked after a later evaluation began: from what is kept of this one, else from nothing. */
    function late<T>(node: Node<T>): T {
      if (!values.has(node)) values.set(node, nodeEvaluator()(source).of(node));
      return values.get(node) as T;
    }

    const note = (kind: string) => (key: string, within?: string) => {
      const value = source.look(kind, key, within);
      if (seen) jot(seen, kind, key, within, value);
      return value;
    };
    const noteNode = <T>(node: Node<T>): T => {
      const mine = seen;
      const value = get(node);
      mine?.nodes.push(node);
      mine?.given.push(value);
      return value;
    };
    const read = readerOf(note, noteNode, (id) => source.look('name', id));
    return { of: get, read, given: () => values.values() };
  }
  return Object.assign(evaluate, { runs });
}

/** Notes what was read of the source. */
function jot(seen: Seen, kind: string, key: string, within: string | undefined, value: unknown): void {
  seen.kinds.push(kind);
  seen.keys.push(key);
  seen.within.push(within);
  seen.values.push(value);
}

/** Tells of a kind whether its root is another than at the evaluation before. */
function movedKinds(before: Source | undefined, now: Source): (kind: string) => boolean {
  const found = new Map<string, boolean>();
  return (kind) => {
    let moved = found.get(kind);
    if (moved === undefined)
      found.set(kind, (moved = !before || !Object.is(before.root(kind), now.root(kind))));
    return moved;
  };
}

type Note = (kind: string) => (key: string, within?: string) => unknown;

/** What nodes read with; notes all of it for the node that is running. */
function readerOf(note: Note, of: <T>(node: Node<T>) => T, name: (id: string) => unknown) {
  const [told, today] = [note('told'), note('today')];
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
    told: () => told(''),
    name,
    today: () => today(''),
    of,
  };
}

/** The same value, or a plain object or list of the same values: what stands on it need not run again. */
function alike(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  if (Object.getPrototypeOf(a) !== Object.getPrototypeOf(b)) return false;
  const [from, to] = [a as Record<string, unknown>, b as Record<string, unknown>];
  const keys = Object.keys(from);
  return (
    keys.length === Object.keys(to).length && keys.every((key) => key in to && Object.is(from[key], to[key]))
  );
}

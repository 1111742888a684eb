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
  /** The last evaluation in which something that it rests on, however far below, was another value than before. */
  suspect: number;
  running: boolean;
  /** Those that have read it. */
  readonly readers: Set<Cell>;
}

const newCell = (): Cell => ({
  value: undefined,
  seen: nothingSeen(),
  stands: 0,
  suspect: 0,
  running: false,
  readers: new Set(),
});

/** A value of the source as it was at the last evaluation, and which nodes have read it. */
interface Place {
  readonly kind: string;
  readonly key: string;
  readonly within: string | undefined;
  value: unknown;
  readonly readers: Set<Cell>;
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
  const places = new Places();
  let now = 0;
  const cellOf = (node: Node<unknown>): Cell => {
    let cell = cells.get(node);
    if (!cell) cells.set(node, (cell = newCell()));
    return cell;
  };

  function evaluate(source: Source): Evaluation {
    now += 1;
    const turn = now;
    const path: Node<unknown>[] = [];
    const values = new Map<Node<unknown>, unknown>();
    const asked = new Set<Node<unknown>>();
    let seen: Seen | undefined;
    let running: Cell | undefined;
    places.follow(source, turn);

    function holds({ kinds, keys, within, values: had, nodes, given }: Seen): boolean {
      for (let i = 0; i < kinds.length; i += 1)
        if (!Object.is(source.look(kinds[i] as string, keys[i] as string, within[i]), had[i])) return false;
      for (let i = 0; i < nodes.length; i += 1)
        if (!Object.is(get(nodes[i] as Node<unknown>), given[i])) return false;
      return true;
    }

    function run(node: Node<unknown>, cell: Cell): void {
      const [outer, above] = [seen, running];
      const mine = nothingSeen();
      cell.running = true;
      path.push(node);
      [seen, running] = [mine, cell];
      try {
        const value = node.run(read as never);
        runs.set(node.name, (runs.get(node.name) ?? 0) + 1);
        if (!alike(cell.value, value)) cell.value = value;
        cell.seen = mine;
      } catch (error) {
        cell.stands = 0;
        throw named(node, error);
      } finally {
        [seen, running] = [outer, above];
        cell.running = false;
        path.pop();
      }
    }

    function get<T>(node: Node<T>): T {
      if (turn !== now) return late(node);
      const cell = cellOf(node);
      if (cell.stands === turn) return cell.value as T;
      if (cell.running) throw new CircleError([...path.slice(path.indexOf(node)), node].map((n) => n.name));
      // Nothing below it moved since it stood last: no look is needed.
      const still = cell.stands > 0 && cell.suspect <= cell.stands;
      if (!still && (cell.stands === 0 || !holds(cell.seen))) run(node, cell);
      cell.stands = turn;
      values.set(node, cell.value);
      return cell.value as T;
    }

    function ask<T>(node: Node<T>): T {
      asked.add(node);
      return get(node);
    }

    /** Everything that was asked for and what that read, each after those that it read. */
    function* given(): Iterable<unknown> {
      if (turn !== now) return yield* afresh().given();
      const done = new Set<Node<unknown>>();
      function* walk(node: Node<unknown>): Iterable<unknown> {
        if (done.has(node)) return;
        done.add(node);
        const value = get(node);
        for (const below of cellOf(node).seen.nodes) yield* walk(below);
        yield value;
      }
      for (const node of [...asked]) yield* walk(node);
    }

    function afresh(): Evaluation {
      const again = nodeEvaluator()(source);
      for (const node of asked) again.of(node);
      return again;
    }

    /** Asked after a later evaluation began: from what is kept of this one, else from nothing. */
    function late<T>(node: Node<T>): T {
      if (!values.has(node)) values.set(node, nodeEvaluator()(source).of(node));
      return values.get(node) as T;
    }

    const note = (kind: string) => (key: string, within?: string) => {
      const value = source.look(kind, key, within);
      if (seen && running) {
        jot(seen, kind, key, within, value);
        places.read(kind, key, within, value, running);
      }
      return value;
    };
    const noteNode = <T>(node: Node<T>): T => {
      const [mine, reader] = [seen, running];
      const value = get(node);
      mine?.nodes.push(node);
      mine?.given.push(value);
      if (reader) cellOf(node).readers.add(reader);
      return value;
    };
    const read = readerOf(note, noteNode, (id) => source.look('name', id));
    return { of: ask, read, given };
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

/** What was read of the sources so far, and by whom. */
class Places {
  private readonly byKind = new Map<string, Map<string, Place>>();
  private last: Source | undefined;

  /** Looks at all that was ever read: who rests on what is another value now is suspect. */
  follow(source: Source, turn: number): void {
    const before = this.last;
    this.last = source;
    for (const [kind, places] of this.byKind) {
      if (before && Object.is(before.root(kind), source.root(kind))) continue;
      for (const place of places.values()) {
        const value = source.look(kind, place.key, place.within);
        if (Object.is(value, place.value)) continue;
        place.value = value;
        for (const cell of place.readers) suspect(cell, turn);
      }
    }
  }

  read(kind: string, key: string, within: string | undefined, value: unknown, by: Cell): void {
    const places = this.byKind.get(kind) ?? new Map<string, Place>();
    this.byKind.set(kind, places);
    const at = within === undefined ? key : `${key} ${within}`;
    const place = places.get(at) ?? { kind, key, within, value, readers: new Set<Cell>() };
    places.set(at, place);
    place.readers.add(by);
  }
}

function suspect(cell: Cell, turn: number): void {
  if (cell.suspect === turn) return;
  cell.suspect = turn;
  for (const reader of cell.readers) suspect(reader, turn);
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

import type { Answer } from './asked';
import { Cells, nothingSeen, Places, type Cell, type Seen, type Source } from './cells';
import type { Node } from './node';

export type { Source } from './cells';

/** Nodes of one evaluation. */
export interface Evaluation {
  /** What a node gives. @throws Error that names the node which failed, or the nodes that go round in a circle */
  readonly of: <T>(node: Node<T>) => T;
  /** Reads as a node does, for what is made afresh each time: a sheet, a view. */
  readonly read: unknown;
  /** What every node that was asked for and those that they read gave, each after those that it read. */
  readonly given: () => Iterable<unknown>;
}

/** Evaluates sources one after the other; a node runs again only where something it read is another value. */
export interface NodeEvaluator {
  (source: Source): Evaluation;
  /** How often each node has really run, by name. */
  readonly runs: () => Readonly<Record<string, number>>;
}

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
 *
 * @param answers of later stages to what earlier ones ask
 */
export function nodeEvaluator(answers: readonly Answer[] = []): NodeEvaluator {
  const cells = new Cells();
  const kept: Kept = {
    answers,
    by: new Map(answers.map(({ asked, by }) => [asked, by])),
    cells,
    places: new Places(cells),
    turn: 0,
  };
  const evaluate = (source: Source): Evaluation => new Turn(kept, source).evaluation();
  return Object.assign(evaluate, { runs: () => cells.runs() });
}

/** What stays from one evaluation to the next. */
interface Kept {
  readonly answers: readonly Answer[];
  readonly by: ReadonlyMap<Node<unknown>, Node<unknown>>;
  readonly cells: Cells;
  readonly places: Places;
  /** Number of the newest evaluation. */
  turn: number;
}

/** One evaluation. */
class Turn {
  private readonly turn: number;
  private readonly asked = new Set<Node<unknown>>();
  private readonly values = new Map<Node<unknown>, unknown>();
  private readonly path: Node<unknown>[] = [];
  private running: Cell | undefined;
  private readonly reader = readerOf(
    (kind) => (key, within) => this.look(kind, key, within),
    (node) => this.readNode(node),
    (id) => this.source.look('name', id),
  );

  constructor(
    private readonly kept: Kept,
    private readonly source: Source,
  ) {
    this.turn = kept.turn += 1;
    kept.places.follow(source, this.turn);
  }

  evaluation(): Evaluation {
    return { of: (node) => this.ask(node), read: this.reader, given: () => this.given() };
  }

  private ask<T>(node: Node<T>): T {
    this.asked.add(node);
    return this.get(node);
  }

  private get<T>(node: Node<T>): T {
    if (this.turn !== this.kept.turn) return this.late(node);
    const cell = this.kept.cells.of(node);
    if (cell.stands === this.turn) return cell.value as T;
    if (cell.running)
      throw new CircleError([...this.path.slice(this.path.indexOf(node)), node].map((n) => n.name));
    if (!this.holds(cell)) this.run(node, cell);
    cell.stands = this.turn;
    this.values.set(node, cell.value);
    return cell.value as T;
  }

  /** Nothing below it moved since it stood last; or what did move came to the same. */
  private holds(cell: Cell): boolean {
    if (cell.stands === 0) return false;
    return cell.suspect <= cell.stands || (this.sourceHolds(cell.seen) && this.nodesHold(cell.seen));
  }

  private sourceHolds({ source }: Seen): boolean {
    return source.every(({ kind, key, within, value }) =>
      Object.is(this.source.look(kind, key, within), value),
    );
  }

  private nodesHold({ nodes, given }: Seen): boolean {
    for (let i = 0; i < nodes.length; i += 1)
      if (!Object.is(this.get(nodes[i] as Node<unknown>), given[i])) return false;
    return true;
  }

  private run(node: Node<unknown>, cell: Cell): void {
    const { path, running, kept } = this;
    cell.running = true;
    cell.seen = nothingSeen();
    kept.places.runs(cell);
    path.push(node);
    this.running = cell;
    try {
      const by = kept.by.get(node);
      const value = by ? this.reader.of(by) : node.run(this.reader as never);
      cell.runs += 1;
      if (!alike(cell.value, value)) cell.value = value;
    } catch (error) {
      cell.stands = 0;
      throw named(node, error);
    } finally {
      this.running = running;
      cell.running = false;
      path.pop();
    }
  }

  private look(kind: string, key: string, within: string | undefined): unknown {
    const value = this.source.look(kind, key, within);
    this.running?.seen.source.push({ kind, key, within, value });
    return value;
  }

  private readNode<T>(node: Node<T>): T {
    const reader = this.running;
    const value = this.get(node);
    if (!reader) return value;
    reader.seen.nodes.push(node);
    reader.seen.given.push(value);
    return value;
  }

  /** Asked after a later evaluation began: from what is kept of this one, else from nothing. */
  private late<T>(node: Node<T>): T {
    if (!this.values.has(node)) this.values.set(node, nodeEvaluator(this.kept.answers)(this.source).of(node));
    return this.values.get(node) as T;
  }

  private *given(): Iterable<unknown> {
    if (this.turn !== this.kept.turn) return yield* this.afresh().given();
    const done = new Set<Node<unknown>>();
    for (const node of [...this.asked]) yield* this.givenBy(node, done);
  }

  private *givenBy(node: Node<unknown>, done: Set<Node<unknown>>): Iterable<unknown> {
    if (done.has(node)) return;
    done.add(node);
    const value = this.get(node);
    for (const below of this.kept.cells.of(node).seen.nodes) yield* this.givenBy(below, done);
    yield value;
  }

  /** The same evaluation with nothing kept. */
  private afresh(): Evaluation {
    const again = nodeEvaluator(this.kept.answers)(this.source);
    for (const node of this.asked) again.of(node);
    return again;
  }
}

type Note = (kind: string) => (key: string, within?: string) => unknown;

/** What nodes read with; notes all of it for the node that is running. */
function readerOf(note: Note, of: <T>(node: Node<T>) => T, name: (id: string) => unknown) {
  // Handed to `some` and `every` too, which give more than the key.
  const one = (kind: string) => {
    const look = note(kind);
    return (key: string) => look(key);
  };
  const [told, today] = [note('told'), note('today')];
  return {
    figure: one('figure'),
    wasRead: one('wasRead'),
    zeroedOn: one('zeroedOn'),
    fact: one('fact'),
    limit: one('limit'),
    choice: one('choice'),
    part: one('part'),
    field: note('field'),
    verdict: one('verdict'),
    search: one('search'),
    accepted: one('accepted'),
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

import type { Node } from './node';

/**
 * What there is to read, by kind and key of that kind: the same value as long as it did not change. `root` is what all
 * keys of a kind hang on: while that is the same, so are they.
 */
export interface Source {
  readonly look: (kind: string, key: string, within?: string) => unknown;
  readonly root: (kind: string) => unknown;
  /** Keys of a kind of which alone the value may be another than at the source before; undefined where it may be any. */
  readonly moved?: (kind: string) => readonly string[] | undefined;
}

/** A value of the source as a node read it. */
export interface Looked {
  readonly kind: string;
  readonly key: string;
  readonly within: string | undefined;
  readonly value: unknown;
}

/** What a node has read: of the source, and of other nodes; with the values it had. */
export interface Seen {
  readonly source: Looked[];
  readonly nodes: Node<unknown>[];
  readonly given: unknown[];
}

/** The last run of a node. */
export interface Cell {
  value: unknown;
  seen: Seen;
  /** Evaluation in which it was found to stand; 0 while it does not. */
  stands: number;
  /** The last evaluation in which something that it rests on, however far below, was another value than before. */
  suspect: number;
  running: boolean;
  /** How often it ran. */
  runs: number;
  /** Those that have read it; none before there is a second source to hold it against. */
  readers: Set<Cell> | undefined;
}

export const nothingSeen = (): Seen => ({ source: [], nodes: [], given: [] });

/** Cells of nodes, made as they are asked for. */
export class Cells {
  private readonly byNode = new Map<Node<unknown>, Cell>();

  of(node: Node<unknown>): Cell {
    let cell = this.byNode.get(node);
    if (!cell) {
      cell = {
        value: undefined,
        seen: nothingSeen(),
        stands: 0,
        suspect: 0,
        running: false,
        runs: 0,
        readers: undefined,
      };
      this.byNode.set(node, cell);
    }
    return cell;
  }

  /** How often each node ran, by its name. */
  runs(): Readonly<Record<string, number>> {
    const runs: Record<string, number> = {};
    for (const [{ name }, cell] of this.byNode) if (cell.runs) runs[name] = (runs[name] ?? 0) + cell.runs;
    return runs;
  }
}

/** A value of the source as it was at the last evaluation, and which nodes have read it. */
interface Place {
  readonly key: string;
  readonly within: string | undefined;
  value: unknown;
  readonly readers: Set<Cell>;
}

/** What was read of the sources so far, and by whom. */
export class Places {
  private readonly byKind = new Map<string, Map<string, Place>>();
  private last: Source | undefined;
  /** Cells that ran since the last source: what they read is put down when there is another source to hold it against. */
  private readonly ran: Cell[] = [];

  constructor(private readonly cells: Cells) {}

  /** Looks at all that was ever read: who rests on what is another value now is suspect in this evaluation. */
  follow(source: Source, turn: number): void {
    for (const cell of this.ran.splice(0)) this.putDown(cell);
    const before = this.last;
    this.last = source;
    for (const [kind, places] of this.byKind) {
      if (before && Object.is(before.root(kind), source.root(kind))) continue;
      const moved = before && source.moved?.(kind);
      for (const place of moved ? placesAt(places, moved) : places.values()) {
        const value = source.look(kind, place.key, place.within);
        if (Object.is(value, place.value)) continue;
        place.value = value;
        for (const cell of place.readers) suspect(cell, turn);
      }
    }
  }

  /** Told of every cell as it runs. */
  runs(cell: Cell): void {
    this.ran.push(cell);
  }

  private putDown(cell: Cell): void {
    for (const node of cell.seen.nodes) (this.cells.of(node).readers ??= new Set()).add(cell);
    for (const { kind, key, within, value } of cell.seen.source) {
      let places = this.byKind.get(kind);
      if (!places) this.byKind.set(kind, (places = new Map()));
      const at = within === undefined ? key : `${key} ${within}`;
      let place = places.get(at);
      if (!place) places.set(at, (place = { key, within, value, readers: new Set() }));
      place.readers.add(cell);
    }
  }
}

function placesAt(places: ReadonlyMap<string, Place>, keys: readonly string[]): readonly Place[] {
  return keys.flatMap((key) => places.get(key) ?? []);
}

function suspect(cell: Cell, turn: number): void {
  if (cell.suspect === turn) return;
  cell.suspect = turn;
  if (cell.readers) for (const reader of cell.readers) suspect(reader, turn);
}

import type { ProjectReading, ProjectReadings, ReadingsQuery } from '@intervex/contract';
import { QUANTITIES, quantityName, type Plan } from '@intervex/core';
import { LRUCache } from 'lru-cache';

/** A variant as it stands now. */
export interface Head {
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  /** When that revision was written: after a restore another may have its number. */
  readonly at: string;
}

/** Readings of one revision of a plan. */
export interface RevisionReadings {
  readonly id: string;
  readonly revision: number;
  readonly at: string;
  readonly readings: Plan['readings'];
}

/** One repeat, and all words it can be found by, in small letters. */
interface Row {
  readonly reading: Omit<ProjectReading, 'variantId' | 'variant'>;
  readonly text: string;
}

/** Most revisions that are remembered. */
const MOST = 400;
const keyOf = ({ id, revision, at }: Pick<Head, 'id' | 'revision' | 'at'>): string => `${id} ${revision} ${at}`;

/**
 * Readings of plans laid out for searching. A revision never changes, so what was laid out once stays true; the
 * least used are forgotten.
 */
export class ReadingsIndex {
  private readonly rows = new LRUCache<string, readonly Row[]>({ max: MOST });

  /** Those whose readings have to be given first. */
  missing(heads: readonly Head[]): readonly Head[] {
    return heads.filter((head) => !this.rows.has(keyOf(head)));
  }

  add(revision: RevisionReadings): void {
    this.rows.set(keyOf(revision), rowsOf(revision.readings));
  }

  /** Every repeat in which all words of the search occur, in the order of variants and of the walk. */
  search(heads: readonly Head[], { find, from, limit }: ReadingsQuery): ProjectReadings {
    const words = find.toLowerCase().split(/\s+/).filter(Boolean);
    let [all, found] = [0, 0];
    const page: ProjectReading[] = [];
    for (const head of heads) {
      const rows = this.rows.get(keyOf(head)) ?? [];
      all += rows.length;
      const name = head.name.toLowerCase();
      const wanted = words.filter((word) => !name.includes(word));
      for (const { reading, text } of rows) {
        if (!wanted.every((word) => text.includes(word))) continue;
        if (found >= from && page.length < limit)
          page.push({ variantId: head.id, variant: head.name, ...reading });
        found += 1;
      }
    }
    return { found, of: all, rows: page };
  }
}

function rowsOf(readings: Plan['readings']): readonly Row[] {
  return QUANTITIES.flatMap((q) => {
    const reading = readings[q.id];
    if (!reading) return [];
    const { instrument, datum = '', note = '', repeats } = reading;
    const name = quantityName(q);
    return repeats.map(({ value, who = '', at = '' }, i) => ({
      reading: { id: q.id, name, repeat: i + 1, value, unit: q.unit, instrument, datum, who, at, note },
      text: `${name} ${instrument} ${datum} ${who} ${note}`.toLowerCase(),
    }));
  });
}

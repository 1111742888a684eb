import type { PartKind, PartOffer } from '@intervex/core';
import type { Db } from '../../plans/queries';

interface PartList {
  readonly offers: readonly PartOffer[];
  readonly heardAt: Date;
}

/** Keeps what the counter has now as its last known list. */
export async function keepList(db: Db, kind: PartKind, offers: readonly PartOffer[], at: Date): Promise<void> {
  await db.query(
    `insert into part_lists (kind, offers, heard_at) values ($1, $2, $3)
     on conflict (kind) do update set offers = excluded.offers, heard_at = excluded.heard_at
      where part_lists.heard_at < excluded.heard_at`,
    [kind, JSON.stringify(offers), at],
  );
}

export async function lastList(db: Db, kind: PartKind): Promise<PartList | undefined> {
  const { rows } = await db.query<{ offers: PartOffer[]; heard_at: Date }>(
    'select offers, heard_at from part_lists where kind = $1',
    [kind],
  );
  return rows[0] && { offers: rows[0].offers, heardAt: rows[0].heard_at };
}

import type { Pool } from '../db/pool';
import { CHANNEL } from './feed';

/** A page that was not seen for this long is gone, s. */
const GONE_AFTER_S = 50;

const tell = (pool: Pool, variant: string) =>
  pool.query('select pg_notify($1, $2)', [CHANNEL, JSON.stringify({ kind: 'presence', variant })]);

/** Notes that a page has a variant open, and tells the others. */
export async function arrive(pool: Pool, page: string, variant: string, who: string): Promise<void> {
  await pool.query(
    `insert into presence (page_id, variant_id, who) values ($1, $2, $3)
     on conflict (page_id) do update set variant_id = excluded.variant_id, who = excluded.who, seen_at = now()`,
    [page, variant, who],
  );
  await tell(pool, variant);
}

/** Notes that pages are still there. */
export async function seen(pool: Pool, pages: readonly string[]): Promise<void> {
  if (pages.length) await pool.query('update presence set seen_at = now() where page_id = any($1)', [pages]);
}

export async function leave(pool: Pool, page: string, variant: string): Promise<void> {
  await pool.query('delete from presence where page_id = $1', [page]);
  await tell(pool, variant);
}

/** Names of those who have a variant open now, one entry a page, in the order they came. */
export async function whoIsHere(pool: Pool, variant: string): Promise<readonly string[]> {
  const { rows } = await pool.query<{ who: string }>(
    `select who from presence
      where variant_id = $1 and seen_at > now() - make_interval(secs => $2) order by who, page_id`,
    [variant, GONE_AFTER_S],
  );
  return rows.map((r) => r.who);
}
